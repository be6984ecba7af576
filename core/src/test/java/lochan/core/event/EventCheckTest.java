package lochan.core.event;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import lochan.core.Sample;
import lochan.core.Violation;
import org.junit.jupiter.api.Test;

class EventCheckTest {

    private static Event with(
            String name,
            Integer limit,
            int anglers,
            Double target,
            List<SpeciesRule> species,
            Penalties penalties,
            List<CompetitionDay> days) {
        return new Event(
                name,
                Sample.ZONE,
                anglers,
                List.of(),
                days,
                new Event.Ramp(Sample.LAUNCH, Sample.LAUNCH),
                new Rules(Format.LIMIT_WEIGHT, limit, target, null, species, penalties, Gear.FREE),
                Map.of());
    }

    private static CompetitionDay day(String date, String start, String checkIn) {
        return new CompetitionDay(LocalDate.parse("2027-" + date), at(start), at(checkIn));
    }

    private static List<String> fields(Event event) {
        return EventCheck.check(event).stream().map(Violation::field).toList();
    }

    @Test
    void acceptsUsualRules() {
        assertThat(EventCheck.check(Sample.tournament(5, List.of(Sample.LARGEMOUTH))))
                .isEmpty();
    }

    @Test
    void findsAllViolationsAtOnce() {
        SpeciesRule bad = new SpeciesRule(Species.SPOTTED, -1.0, -2);
        Event event = with(
                " ",
                0,
                3,
                Double.NaN,
                List.of(bad, bad),
                new Penalties(-1.0, Double.NaN, null, null),
                List.of(day("06-05", "06-05T06:00", "06-05T06:00"), day("06-05", "06-06T06:00", "06-07T07:00")));

        assertThat(fields(event))
                .containsExactlyInAnyOrder(
                        "name",
                        "limit",
                        "anglers",
                        "targetGrams",
                        "species/0/minLengthMm",
                        "species/0/bagLimit",
                        "species/1/code",
                        "species/1/minLengthMm",
                        "species/1/bagLimit",
                        "penalties/deadFishGrams",
                        "penalties/lateGramsPerMinute",
                        "days/0/checkIn",
                        "days/1/start",
                        "days/1/checkIn",
                        "days/1/date");
    }

    @Test
    void asksForADayAndASpecies() {
        assertThat(fields(with("Open", 5, 1, null, List.of(), Penalties.NONE, List.of())))
                .containsExactlyInAnyOrder("species", "days");
    }

    @Test
    void acceptsANightThatEndsTheNextMorning() {
        Event night = with(
                "Night",
                5,
                1,
                null,
                List.of(Sample.LARGEMOUTH),
                Penalties.NONE,
                List.of(day("06-05", "06-05T20:00", "06-06T04:00")));

        assertThat(EventCheck.check(night)).isEmpty();
    }

    @Test
    void everyFishCountsWithoutALimit() {
        Event event = Sample.tournament(Format.EVERY_FISH, null, List.of(Sample.LARGEMOUTH), null);

        assertThat(EventCheck.check(event)).isEmpty();
        assertThat(event.rules().countingFish()).isEqualTo(Integer.MAX_VALUE);
    }

    @Test
    void slotsLeastWeightsAndRodsAreChecked() {
        SpeciesRule slot =
                new SpeciesRule(Species.LARGEMOUTH, 300.0, -5.0, new SpeciesRule.Slot(450, 350, -1), null, Map.of());
        assertThat(fields(Sample.tournament(5, List.of(slot))))
                .containsExactlyInAnyOrder("species/0/minGrams", "species/0/slot/toMm", "species/0/slot/over");
        Event b = Sample.tournament(5, List.of(Sample.LARGEMOUTH));
        assertThat(fields(b.withRules(new Rules(
                        Format.LIMIT_WEIGHT,
                        5,
                        null,
                        null,
                        b.rules().species(),
                        b.rules().penalties(),
                        new Gear(-1, List.of(), 0, null)))))
                .containsExactlyInAnyOrder("gear/maxHooksPerRig", "gear/maxRods");
    }
}
