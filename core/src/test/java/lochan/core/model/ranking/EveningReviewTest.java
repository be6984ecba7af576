package lochan.core.model.ranking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.Pattern;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.practice.Bite;
import lochan.core.practice.FishSize;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import org.junit.jupiter.api.Test;

class EveningReviewTest {

    private static final LocalDate TODAY = LocalDate.of(2027, 6, 4);

    /** The sample's practice of the day before, and today's stops. */
    private static EventData with(PracticeStop... today) {
        EventData before = Sample.practiced(5, 3);
        List<PracticeStop> stops = new ArrayList<>(before.stops());
        stops.addAll(List.of(today));
        return Sample.event(before.event(), before.spots(), stops);
    }

    private static EveningReview review(EventData event) {
        return EveningReview.of(event, TODAY, 1, 4, Assumptions.DEFAULTS);
    }

    private static Bite[] bites(int count, FishSize size) {
        return IntStream.range(0, count)
                .mapToObj(i -> Sample.bite(null, Outcome.LANDED, size))
                .toArray(Bite[]::new);
    }

    @Test
    void aGoodHourGainsAndABlankOneLoses() {
        EveningReview review = review(with(
                Sample.stop("good", "ledge-1", "06-04T08:00", "06-04T09:00", List.of("swim-jig"), bites(9, null)),
                Sample.stop("blank", "grass-1", "06-04T09:30", "06-04T10:30", List.of("walker"))));

        assertThat(review.patterns())
                .extracting(EveningReview.Change::of)
                .containsExactlyInAnyOrder(
                        new Pattern("channel-ledge", "swim-jig"), new Pattern("grass-edge", "walker"));
        assertThat(review.cells())
                .anySatisfy(c -> {
                    assertThat(c.of()).isEqualTo(new Cell("ledge-1", "swim-jig"));
                    assertThat(c.gain()).isPositive();
                    assertThat(c.bites()).isEqualTo(9);
                    assertThat(c.anglerHours()).isCloseTo(1, within(1e-9));
                })
                .anySatisfy(c -> {
                    assertThat(c.of()).isEqualTo(new Cell("grass-1", "walker"));
                    assertThat(c.gain()).isNegative();
                });
        assertThat(review.cells())
                .isSortedAccordingTo((a, b) -> Double.compare(Math.abs(b.gain()), Math.abs(a.gain())));
    }

    /** Grass 2 and 3 are of the class of grass 1, where the day was fished: nine bites in an hour, or none in three. */
    @Test
    void aChangeNamesTheFishingBehindItAndAPatternThatGaveNothingDied() {
        EventData event =
                with(Sample.stop("good", "grass-1", "06-04T08:00", "06-04T09:00", List.of("swim-jig"), bites(9, null)));
        EveningReview review = review(event);
        List<Cell> kin = event.spots().stream()
                .filter(s -> s.spotType().equals("grass-edge") && !s.id().equals("grass-1"))
                .map(s -> new Cell(s.id(), "swim-jig"))
                .toList();
        EveningReview.Effort hour = new EveningReview.Effort(new Cell("grass-1", "swim-jig"), 1, 9);

        assertThat(kin).isNotEmpty();
        assertThat(review.cells())
                .filteredOn(c -> kin.contains(c.of()))
                .isNotEmpty()
                .allSatisfy(c -> {
                    assertThat(c.fished()).isFalse();
                    assertThat(c.isNews()).isTrue();
                    assertThat(c.gain()).isPositive();
                    assertThat(c.by()).containsExactly(hour);
                });
        assertThat(review.cells())
                .filteredOn(EveningReview.Change::fished)
                .singleElement()
                .satisfies(c -> {
                    assertThat(c.by()).containsExactly(hour);
                    assertThat(c.rankAfter()).isEqualTo(1);
                });
        EveningReview blank =
                review(with(Sample.stop("blank", "grass-1", "06-04T08:00", "06-04T11:00", List.of("swim-jig"))));
        assertThat(blank.patterns()).singleElement().satisfies(c -> {
            assertThat(c.before() * 3).as("bites expected").isGreaterThan(2);
            assertThat(c.died()).isTrue();
        });
        assertThat(review.patterns()).noneMatch(EveningReview.Change::died);
    }

    @Test
    void theEveningsRankingsAreTheModelsOwnAndTomorrowIsNotKnownYet() {
        EventData event =
                with(Sample.stop("good", "ledge-1", "06-04T08:00", "06-04T09:00", List.of("swim-jig"), bites(4, null)));
        FittedDayModel model = new FittedDayModel(event, 1, Assumptions.DEFAULTS);
        EveningReview.Change<Pattern> change = review(event).patterns().getFirst();
        assertThat(change.after()).isEqualTo(model.rates(4).patternMean(change.of()));

        List<PracticeStop> later = new ArrayList<>(event.stops());
        later.add(
                Sample.stop("tomorrow", "ledge-1", "06-05T05:00", "06-05T05:30", List.of("swim-jig"), bites(20, null)));
        assertThat(review(Sample.event(event.event(), event.spots(), later))
                        .patterns()
                        .getFirst())
                .isEqualTo(change);
    }

    @Test
    void bitesWithoutSizesAndGuessesAgainstTheScaleAreTold() {
        FishSize guessed = new FishSize(FishSize.How.SCALE, 1000.0, null, null, null, 1200.0, null);
        EveningReview review = review(with(
                Sample.stop("a", "point-1", "06-04T08:00", "06-04T09:00", List.of("swim-jig"), bites(3, null)),
                Sample.stop("b", "grass-1", "06-04T10:00", "06-04T11:00", List.of("swim-jig"), bites(2, guessed))));

        assertThat(review.unsized()).containsExactly("point-1");
        assertThat(review.guesses())
                .containsExactly(new EveningReview.Guess(1200, 1000), new EveningReview.Guess(1200, 1000));
        assertThat(review.guessBias().mean()).isPositive();
    }

    @Test
    void aDayNotFishedTeachesNothing() {
        EveningReview review = review(with());

        assertThat(review.patterns()).isEmpty();
        assertThat(review.cells()).isEmpty();
        assertThat(review.guesses()).isEmpty();
    }
}
