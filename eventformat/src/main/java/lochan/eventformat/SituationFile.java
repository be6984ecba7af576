package lochan.eventformat;

import java.io.IOException;
import java.io.InputStream;
import lochan.core.Coded;
import lochan.core.event.Species;
import lochan.core.lake.BankSide;
import lochan.core.lures.advice.FishLevel;
import lochan.core.lures.advice.Light;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.advice.SituationBuilder;
import lochan.core.lures.advice.TempTrend;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;
import org.jspecify.annotations.Nullable;
import tools.jackson.databind.JsonNode;

/** A situation with no event, as {@code {"situation": {…}}}: every field may be missing. */
public final class SituationFile {

    private static final double DEEPEST_M = 200;
    private static final double HEAVIEST_G = 16_000;
    private static final String UNKNOWN = "unknown";

    private SituationFile() {}

    /**
     * @throws EventFileException when it cannot be read, with each problem's place
     */
    public static Situation read(InputStream in) throws EventFileException, IOException {
        JsonFields.Context context = new JsonFields.Context();
        JsonFields file = new JsonFields(JsonLimits.read(in), "", "", context);
        if (!file.has("situation")) {
            file.problem("situation", "missing, expected an object");
        }
        Situation situation = situation(new JsonFields(file.raw("situation"), "/situation", "", context));
        if (!context.problems.isEmpty()) {
            throw new EventFileException(context.problems);
        }
        return situation;
    }

    private static Situation situation(JsonFields f) {
        f.choiceOrNull("species", Species.class);
        String type = f.textOrNull("spotType");
        Cover cover = f.choiceOrNull("cover", Cover.class);
        Double water = f.numberOrNull("waterDepthM", 0, DEEPEST_M);
        Double fish = f.numberOrNull("fishDepthM", 0, DEEPEST_M);
        if (water != null && fish != null && fish > water) {
            f.problem("fishDepthM", "found " + fish + ", expected no more than the water's " + water);
        }
        return SituationBuilder.builder()
                .waterTempC(f.numberOrNull("waterTempC", -2, 40))
                .tempTrend(f.choiceOrNull("tempTrend", TempTrend.class))
                .visibilityM(f.numberOrNull("visibilityM", 0, 50))
                .clarity(f.choiceOrNull("clarityTrend", ClarityTrend.class))
                .light(f.choiceOrNull("light", Light.class))
                .surface(f.choiceOrNull("surface", Surface.class))
                .bank(f.choiceOrNull("bank", BankSide.class))
                .stage(f.choiceOrNull("season", SeasonStage.class))
                .forage(f.choiceOrNull("forage", Forage.class))
                .fishDepthM(fish)
                .level(known(f, "fishPosition", FishLevel.class))
                .takenOn(f.choiceOrNull("bitesOn", TakenOn.class))
                .waterDepthM(water)
                .mood(f.choiceOrNull("mood", Mood.class))
                .cover(cover == null && type != null ? Cover.of(type) : cover)
                .coverTopM(f.numberOrNull("coverTopM", 0, DEEPEST_M))
                .pressured(f.truthOrNull("pressured"))
                .front(f.truthOrNull("front"))
                .fishGrams(f.numberOrNull("fishGrams", 1, HEAVIEST_G))
                .vertical(f.truthOrNull("vertical"))
                .build();
    }

    /** A choice that may also be said to be unknown. */
    private static <E extends Enum<E> & Coded> @Nullable E known(JsonFields f, String name, Class<E> type) {
        JsonNode said = f.raw(name);
        return said != null && said.isString() && said.asString().equals(UNKNOWN) ? null : f.choiceOrNull(name, type);
    }
}
