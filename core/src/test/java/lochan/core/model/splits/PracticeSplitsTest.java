package lochan.core.model.splits;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.notebook.Notebook;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.BiteNotesBuilder;
import lochan.core.practice.ColourFamily;
import lochan.core.practice.Conditions;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.PracticeStopBuilder;
import lochan.core.practice.PresentationTime;
import lochan.core.practice.Sky;
import org.junit.jupiter.api.Test;

/** What a log's stops and bites make of the questions. */
class PracticeSplitsTest {

    private static final Assumptions A = Assumptions.DEFAULTS;
    private static final EventData EVENT = Sample.practiced(5, 1);

    private static Bite bite(ColourFamily colour) {
        BiteNotes notes =
                BiteNotesBuilder.builder(BiteNotes.NONE).colour(colour).build();
        return new Bite(null, Outcome.SHAKEN, "walker", null, null, notes);
    }

    private static PracticeStop stop(String id, int hour, Sky sky, ColourFamily used, Bite... bites) {
        PracticeStop stop = Sample.stop(
                id,
                "grass-1",
                String.format("06-03T%02d:00", hour),
                String.format("06-03T%02d:00", hour + 1),
                List.of(),
                bites);
        return PracticeStopBuilder.builder(stop)
                .presentations(List.of(new PresentationTime("walker", null, null, used)))
                .conditions(new Conditions(null, null, null, sky, null))
                .build();
    }

    private static List<Piece> pieces(EventData event, Question q) {
        FittedDayModel model = new FittedDayModel(event, 1, A);
        PieceMaker maker = new PieceMaker(event, new lochan.core.model.evidence.Situations(event, A));
        return maker.pieces(model.slices(), c -> 1).stream()
                .filter(p -> p.question() == q)
                .toList();
    }

    private static double sum(List<Piece> pieces, String answer, java.util.function.ToDoubleFunction<Piece> of) {
        return pieces.stream()
                .filter(p -> p.answer().equals(answer))
                .mapToDouble(of)
                .sum();
    }

    @Test
    void aStopsConditionsTakeItsHoursWhole() {
        EventData event = EVENT.inPractice(List.of(
                stop("s1", 12, Sky.CLEAR, null, bite(null)), stop("s2", 13, Sky.CLOUDY, null, bite(null), bite(null))));
        List<Piece> light = pieces(event, Question.LIGHT);
        assertThat(sum(light, "bright", Piece::hours)).isCloseTo(1, within(1e-9));
        assertThat(sum(light, "low", Piece::hours)).isCloseTo(1, within(1e-9));
        assertThat(sum(light, "low", Piece::bites)).isCloseTo(2, within(1e-9));
    }

    /**
     * A colour said of the lure takes the whole stop; one that bites alone tell of shares it; without any it is
     * unknown.
     */
    @Test
    void coloursTakeTheirHoursWhereTheyWereSaidElseShares() {
        EventData event = EVENT.inPractice(List.of(
                stop("s1", 10, null, ColourFamily.BOLD),
                stop("s2", 11, null, null, bite(ColourFamily.BOLD), bite(ColourFamily.NATURAL), bite(null)),
                stop("s3", 12, null, null, bite(null))));
        List<Piece> colour = pieces(event, Question.COLOUR);
        assertThat(sum(colour, "bold", Piece::hours)).isCloseTo(1.5, within(1e-9));
        assertThat(sum(colour, "bold", Piece::bites)).isCloseTo(1.5, within(1e-9));
        assertThat(sum(colour, "natural", Piece::hours)).isCloseTo(0.5, within(1e-9));
        assertThat(sum(colour, "natural", Piece::bites)).isCloseTo(1.5, within(1e-9));
        assertThat(colour.stream().mapToDouble(Piece::hours).sum()).isCloseTo(2, within(1e-9));
    }

    /** Cloudy hours bring four bites each, clear ones none: once the angler lets it in, low light raises the prior and bright light lowers it. */
    @Test
    void aFinerPatternLeansThePriorOnlyWhenLetIn() {
        List<PracticeStop> stops = new ArrayList<>();
        for (int i = 0; i < 6; i++) {
            stops.add(stop(
                    "c" + i,
                    9 + i,
                    Sky.CLOUDY,
                    null,
                    Collections.nCopies(4, bite(null)).toArray(Bite[]::new)));
            stops.add(stop("k" + i, 9 + i, Sky.CLEAR, null));
        }
        EventData event = EVENT.inPractice(stops);
        FittedDayModel without = new FittedDayModel(event, 1, A);
        Split light = without.splits().stream()
                .filter(s -> s.question() == Question.LIGHT)
                .findFirst()
                .orElseThrow();
        assertThat(Math.max(light.better(), 1 - light.better())).isGreaterThan(0.9);
        String key = Splits.key(light.question(), light.answer());
        FittedDayModel with = new FittedDayModel(
                event.withNotebook(event.notebook().withPriors(new Notebook.Priors(false, false, List.of(key)))), 1, A);
        Cell elsewhere = new Cell("grass-3", "walker");
        double change =
                with.rate(elsewhere, 0).mean() / without.rate(elsewhere, 0).mean();
        assertThat(change).as("dawn is low light").isGreaterThan(1.1).isEqualTo(with.finer("grass-3", 0));
        assertThat(with.numbers().finer()).containsKey("grass-3");
        assertThat(without.numbers().finer()).isEmpty();
    }

    /** Pearson's statistic by hand: one cell, slices of half an hour with 4, 0, 0, 0 bites: E = 1 each, X² = 12, φ = (20 + 12)/(20 + 3). */
    @Test
    void clumpsWithinACellRaiseTheDispersion() {
        Bite[] early = {timed("07:05"), timed("07:06"), timed("07:07"), timed("07:08")};
        EventData event = EVENT.inPractice(List.of(PracticeStopBuilder.builder(
                        Sample.stop("s", "grass-1", "06-03T07:00", "06-03T09:00", List.of("walker"), early))
                .build()));
        assertThat(new FittedDayModel(event, 1, A).dispersion()).isEqualTo(new Dispersion(32.0 / 23, 3));
    }

    private static Bite timed(String time) {
        return new Bite(Sample.at("06-03T" + time), Outcome.SHAKEN, "walker", null, null);
    }

    @Test
    void aGoodSpotIsNoClump() {
        List<PracticeStop> stops = new ArrayList<>();
        for (int i = 0; i < 8; i++) {
            stops.add(Sample.stop(
                    "g" + i,
                    "grass-1",
                    "06-03T07:00",
                    "06-03T07:30",
                    List.of("walker"),
                    timed("07:05"),
                    timed("07:15"),
                    timed("07:25")));
            stops.add(Sample.stop("b" + i, "grass-2", "06-03T07:00", "06-03T07:30", List.of("walker")));
        }
        assertThat(new FittedDayModel(EVENT.inPractice(stops), 1, A)
                        .dispersion()
                        .phi())
                .isEqualTo(1);
    }
}
