package lochan.web.tackle;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import lochan.core.lake.BankSide;
import lochan.core.lures.advice.FishLevel;
import lochan.core.lures.advice.Light;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.advice.SituationBuilder;
import lochan.core.lures.advice.TempTrend;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.quantity.QuantityText;
import lochan.core.quantity.Units;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Forage;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;
import lochan.offline.form.Form;
import lochan.offline.form.Options;

/** A situation as it can be changed: what forecast and practice tell stands in the fields, what the angler knows better goes before it. */
final class LureAdviceForm {

    private LureAdviceForm() {}

    static Form of(Situation s, Units units) {
        Form form = new Form(units)
                .put("waterTemp", units.typedTemperature(s.waterTempC()))
                .put("visibility", units.typedDepth(s.visibilityM()))
                .put("fishDepth", units.typedDepth(s.fishDepthM()))
                .put("waterDepth", units.typedDepth(s.waterDepthM()))
                .put("coverTop", units.typedDepth(s.coverTopM()));
        return form.put("tempTrend", s.tempTrend())
                .put("clarityTrend", s.clarity())
                .put("light", s.light())
                .put("surface", s.surface())
                .put("bank", s.bank())
                .put("fishGrams", units.typedWeight(s.fishGrams()))
                .put("stage", s.stage())
                .put("forage", s.forage())
                .put("level", s.level())
                .put("takenOn", s.takenOn())
                .put("mood", s.mood())
                .put("cover", s.cover())
                .put("pressured", s.pressured())
                .put("front", s.front())
                .put("vertical", s.vertical());
    }

    /** Reads the fields; one that cannot be read keeps its error and counts as unknown. */
    static Situation read(Form f) {
        Double temp = f.quantity("waterTemp", QuantityText::celsius);
        Double seen = f.depth("visibility", "The visibility");
        Double fish = f.depth("fishDepth", "The depth of the fish");
        Double water = f.depth("waterDepth", "The depth of the water");
        Double top = f.depth("coverTop", "The top of the cover");
        f.checkAboveBottom("fishDepth", fish, water);
        return SituationBuilder.builder()
                .waterTempC(temp)
                .tempTrend(f.choice("tempTrend", TempTrend.class))
                .visibilityM(seen)
                .clarity(f.choice("clarityTrend", ClarityTrend.class))
                .light(f.choice("light", Light.class))
                .surface(f.choice("surface", Surface.class))
                .bank(f.choice("bank", BankSide.class))
                .fishGrams(f.quantity("fishGrams", QuantityText::grams))
                .stage(f.choice("stage", SeasonStage.class))
                .forage(f.choice("forage", Forage.class))
                .fishDepthM(fish)
                .level(f.choice("level", FishLevel.class))
                .takenOn(f.choice("takenOn", TakenOn.class))
                .waterDepthM(water)
                .mood(f.choice("mood", Mood.class))
                .cover(f.choice("cover", Cover.class))
                .coverTopM(top)
                .pressured(f.truth("pressured"))
                .front(f.truth("front"))
                .vertical(f.truth("vertical"))
                .build();
    }

    /** The most telling of it in words. */
    static String words(Situation s, Units units) {
        List<String> words = new ArrayList<>();
        if (s.waterTempC() != null) {
            words.add("water " + units.temperature(s.waterTempC())
                    + (s.tempTrend() == null ? "" : " " + s.tempTrend().words()));
        }
        if (s.visibilityM() != null) {
            words.add("visibility " + units.visibility(s.visibilityM())
                    + (s.clarity() == null ? "" : " " + s.clarity().words()));
        }
        words.addAll(Stream.of(
                        s.light() == null ? null : s.light().words() + " light",
                        s.surface() == null ? null : s.surface().words(),
                        s.bank() == null ? null : s.bank().words() + " bank",
                        s.stage() == null ? null : s.stage().words(),
                        s.fishDepthM() == null ? null : "fish at " + units.depth(s.fishDepthM()),
                        s.mood() == null ? null : "fish " + s.mood().words(),
                        s.cover() == null ? null : s.cover().words(),
                        Boolean.TRUE.equals(s.front()) ? "after a front" : null)
                .filter(Objects::nonNull)
                .toList());
        return words.isEmpty() ? "unknown" : String.join(", ", words);
    }

    /** The choices of each field, code and words. */
    static Map<String, Map<String, String>> choices() {
        Map<String, Map<String, String>> all = new LinkedHashMap<>();
        all.put("tempTrend", Options.of(TempTrend.values()));
        all.put("clarityTrend", Options.of(ClarityTrend.values()));
        all.put("light", Options.of(Light.values()));
        all.put("surface", Options.of(Surface.values()));
        all.put("bank", Options.of(BankSide.values()));
        all.put("stage", Options.of(SeasonStage.values()));
        all.put("forage", Options.of(Forage.values()));
        all.put("level", Options.of(FishLevel.values()));
        all.put("takenOn", Options.of(TakenOn.values()));
        all.put("mood", Options.of(Mood.values()));
        all.put("cover", Options.of(Cover.values()));
        all.put("truth", Map.of("yes", "yes", "no", "no"));
        return all;
    }
}
