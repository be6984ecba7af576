package lochan.eventformat;

import java.time.Instant;
import java.util.Set;
import java.util.function.Function;
import lochan.core.Coded;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryFields;
import lochan.core.event.Event;
import lochan.core.event.Species;
import org.jspecify.annotations.Nullable;

/** The fields of an entry in an event file from anywhere: each is checked, and what is wrong is collected. */
record FileEntryFields<E extends Entry>(JsonFields json, Event event, Set<String> spotIds, Set<String> presentationIds)
        implements EntryFields<E> {

    @Override
    public String id() {
        return json.id("id");
    }

    @Override
    public Instant at() {
        return json.time("at");
    }

    @Override
    public String entry(String name, Function<E, String> of) {
        return json.id(name);
    }

    @Override
    public @Nullable String spot(Function<E, String> of) {
        return EventFileReader.referenceOrNull(json, "spot", spotIds);
    }

    @Override
    public @Nullable String presentation(Function<E, String> of) {
        return EventFileReader.referenceOrNull(json, "presentation", presentationIds);
    }

    @Override
    public @Nullable Species species(Function<E, Species> of) {
        return EventFileReader.species(json, event);
    }

    @Override
    public @Nullable Double number(String name, double least, double most, Function<E, Double> of) {
        return json.numberOrNull(name, least, most);
    }

    @Override
    public double neededNumber(String name, double least, double most, Function<E, Double> of) {
        return json.number(name, least, most);
    }

    @Override
    public @Nullable Integer whole(String name, int least, int most, Function<E, Integer> of) {
        return json.wholeOrNull(name, least, most);
    }

    @Override
    public boolean trueUnlessSaid(String name, Function<E, Boolean> of) {
        return !Boolean.FALSE.equals(json.truthOrNull(name));
    }

    @Override
    public @Nullable String text(String name, int longest, Function<E, String> of) {
        return json.shortTextOrNull(name, longest);
    }

    @Override
    public <C extends Enum<C> & Coded> C choice(String name, Class<C> type, Function<E, C> of) {
        return json.choice(name, type);
    }

    @Override
    public <C extends Enum<C> & Coded> @Nullable C choiceOrNull(
            String name, Class<C> type, Function<E, @Nullable C> of) {
        return json.choiceOrNull(name, type);
    }
}
