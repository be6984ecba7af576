package lochan.web.competition;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.event.CompetitionDay;
import lochan.core.quantity.Units;
import lochan.core.review.DayProjection;
import lochan.core.review.DayReview;
import lochan.web.plan.Projections;
import org.junit.jupiter.api.Test;

class ReviewDrawingTest {

    private static final ZoneId ZONE = ZoneId.of("America/Boise");
    private static final Instant START = Instant.parse("2027-06-05T12:00:00Z");
    private static final CompetitionDay DAY =
            new CompetitionDay(LocalDate.parse("2027-06-05"), START, START.plus(Duration.ofHours(8)));
    private static final double POUND = 453.59237;

    private static DayReview review(double most, DayReview.Moment... bag) {
        List<DayReview.Hour> fan = IntStream.rangeClosed(0, 8)
                .mapToObj(h ->
                        new DayReview.Hour(START.plus(Duration.ofHours(h)), most * h / 32, most * h / 16, most * h / 8))
                .toList();
        return new DayReview(fan, List.of(bag), List.of(), 0, List.of(), null);
    }

    @Test
    void theBagStaysWhatItIsUntilTheNextFishAndRunsToCheckIn() {
        ReviewDrawing drawing = ReviewDrawing.of(
                review(
                        16 * POUND,
                        new DayReview.Moment(START.plus(Duration.ofHours(2)), 4 * POUND),
                        new DayReview.Moment(START.plus(Duration.ofHours(4)), 8 * POUND)),
                DAY,
                ZONE,
                Units.USUAL);
        assertThat(drawing.bag())
                .isEqualTo("M0.0,240.0 L150.0,240.0 L150.0,180.0 L300.0,180.0 L300.0,120.0 L600.0,120.0");
        assertThat(drawing.middle()).startsWith("M0.0,240.0 L").endsWith(" L600.0,120.0");
        assertThat(drawing.fan()).contains(" L600.0,0.0 L600.0,180.0 L").endsWith(" Z");
    }

    @Test
    void theTableSaysTheSameAsTheLines() {
        ReviewDrawing drawing = ReviewDrawing.of(
                review(16 * POUND, new DayReview.Moment(START.plus(Duration.ofHours(2)), 4 * POUND)),
                DAY,
                ZONE,
                Units.USUAL);
        assertThat(drawing.rows()).hasSize(9);
        assertThat(drawing.rows().get(1))
                .isEqualTo(new ReviewDrawing.Row("07:00", "0 lb 8 oz", "1 lb 0 oz", "2 lb 0 oz", "0 lb 0 oz"));
        assertThat(drawing.rows().getLast())
                .isEqualTo(new ReviewDrawing.Row("14:00", "4 lb 0 oz", "8 lb 0 oz", "16 lb 0 oz", "4 lb 0 oz"));
        assertThat(drawing.hours())
                .extracting(ReviewDrawing.Tick::label)
                .containsExactly("06:00", "08:00", "10:00", "12:00", "14:00");
    }

    @Test
    void theWeightAxisHasFewRoundMarksInTheAnglersUnits() {
        Units metric = Units.METRIC;
        for (double most : new double[] {900, 3000, 8000, 12_000, 20_000}) {
            for (Units units : List.of(Units.USUAL, metric)) {
                List<ReviewDrawing.Tick> marks =
                        ReviewDrawing.of(review(most), DAY, ZONE, units).weights();
                assertThat(marks.size()).isLessThanOrEqualTo(9);
                assertThat(marks.getFirst().at()).isCloseTo(ReviewDrawing.HEIGHT, within(1e-9));
                assertThat(marks)
                        .extracting(ReviewDrawing.Tick::label)
                        .allMatch(l -> l.endsWith(units == metric ? " kg" : " lb"))
                        .doesNotHaveDuplicates();
                assertThat(marks).allMatch(m -> m.at() >= 0);
            }
        }
    }

    @Test
    void finishedDaysLieOnTheDiagonalWhereTheyAreSpreadEvenly() {
        List<Projections.ScoredDay> even = IntStream.of(3, 0, 2, 1)
                .mapToObj(i -> new Projections.ScoredDay(
                        "Event " + i, 1, START, new DayProjection(0, 0, 0, 0, (i + 0.5) / 4, 0)))
                .toList();
        assertThat(ReviewDrawing.dots(even))
                .allSatisfy(d -> assertThat(d.x()).isCloseTo(200 - d.y(), within(1e-9)))
                .extracting(ReviewDrawing.Dot::label)
                .first()
                .isEqualTo("Event 0, day 1");
    }
}
