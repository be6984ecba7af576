package lochan.core.competition;

import static lochan.core.Sample.at;
import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import java.util.List;
import lochan.core.Sample;
import lochan.core.event.CompetitionDay;
import lochan.core.event.Event;
import lochan.core.event.Format;
import lochan.core.event.Penalties;
import lochan.core.event.Rules;
import lochan.core.event.Scoring;
import lochan.core.event.Species;
import lochan.core.event.TieBreak;
import org.junit.jupiter.api.Test;

class EventResultTest {

    private static final double DEAD = 100;
    private static final double LATE = 400;
    private static final double SHORT = 500;
    private static final double OVER = 700;

    private static Event event(Format format, Scoring scoring) {
        Event b = Sample.tournament(format, 2, List.of(Sample.LARGEMOUTH), null);
        CompetitionDay second = new CompetitionDay(LocalDate.parse("2027-06-06"), at("06-06T06:00"), at("06-06T15:00"));
        return b.withDays(List.of(b.day(1), second))
                .withRules(new Rules(
                        format,
                        2,
                        null,
                        null,
                        b.rules().species(),
                        scoring,
                        new Penalties(DEAD, LATE, 15.0, SHORT, OVER),
                        b.rules().gear()));
    }

    private static final Event CUT = event(
            Format.LIMIT_WEIGHT,
            new Scoring(true, false, null, TieBreak.BIGGEST_FISH, new Scoring.Cut(1, 10), List.of()));

    private static Entry.Official official(
            String day, Double grams, Integer dead, Double late, Integer shorts, Integer over, Integer place) {
        return EntryOfficialBuilder.builder()
                .id("o" + day)
                .at(at("06-0" + day + "T16:00"))
                .grams(grams)
                .deadFish(dead)
                .lateMinutes(late)
                .shortFish(shorts)
                .overLimit(over)
                .place(place)
                .biggestGrams(2000.0)
                .build();
    }

    private static EventResult of(Event event, Entry... entries) {
        return EventResult.of(event, BagLog.replay(event, List.of(entries)));
    }

    @Test
    void beforeTheWeighInTheBagIsCountedAndADayWithoutFishCountsNothing() {
        EventResult result =
                of(CUT, Sample.fish("a", 1000), Sample.fish("b", 1500), new Entry.Died("d", at("06-05T09:00"), "a"));
        assertThat(result.days()).extracting(EventResult.Day::counted).containsExactly(2500 - DEAD, null);
        assertThat(result.counted()).isEqualTo(2500 - DEAD);
        assertThat(result.biggest()).isEqualTo(1500);
        assertThat(result.cut()).isNull();
    }

    @Test
    void everyPenaltyComesOffTheOfficialWeightAndAMinuteBegunCountsWhole() {
        EventResult.Day day =
                of(CUT, official("5", 6000.0, 1, 2.5, 1, 2, 12)).days().getFirst();
        assertThat(day.penalty()).isEqualTo(DEAD + 3 * LATE + SHORT + 2 * OVER);
        assertThat(day.counted()).isEqualTo(6000 - day.penalty());
        assertThat(of(CUT, official("5", 900.0, 1, 2.5, 1, 2, 12))
                        .days()
                        .getFirst()
                        .counted())
                .as("never below nothing")
                .isZero();
    }

    @Test
    void soLateThatNothingCounts() {
        assertThat(of(CUT, official("5", 6000.0, 0, 15.0, 0, 0, null)).days().getFirst())
                .matches(EventResult.Day::disqualified)
                .extracting(EventResult.Day::counted)
                .isEqualTo(0.0);
        assertThat(of(CUT, official("5", 6000.0, 0, 14.9, 0, 0, null)).days().getFirst())
                .matches(d -> !d.disqualified());
    }

    @Test
    void daysAddUpAndTheCutIsByThePlaceAfterItsDay() {
        EventResult result = of(
                CUT,
                official("5", 6000.0, null, null, null, null, 10),
                official("6", 5000.0, null, null, null, null, 3));
        assertThat(result.counted()).isEqualTo(11_000);
        assertThat(result.cut()).isTrue();
        assertThat(of(CUT, official("5", 6000.0, null, null, null, null, 11)).cut())
                .isFalse();
    }

    @Test
    void aLengthEventCountsTheLongestRoundedDownAndKeepsTheFirstOfEqualOnes() {
        Event length = event(Format.LIMIT_LENGTH, new Scoring(true, false, 6.35, TieBreak.NONE, null, List.of()));
        BagLog log = new BagLog(length);
        assertThat(log.append(Sample.fish("none", Species.LARGEMOUTH, 900.0, null))
                        .orElseThrow()
                        .reason()
                        .code())
                .isEqualTo(LogProblem.LENGTH_MISSING);
        for (double[] inches : new double[][] {{1, 16.3}, {2, 15.0}, {3, 15.2}, {4, 15.5}, {5, 13}}) {
            assertThat(log.append(Sample.fish("c" + (int) inches[0], Species.LARGEMOUTH, null, 25.4 * inches[1])))
                    .isEmpty();
        }
        assertThat(log.rows())
                .extracting(r -> r.verdict().decision())
                .containsExactly(Decision.KEEP, Decision.KEEP, Decision.RELEASE, Decision.CULL, Decision.RELEASE);
        assertThat(log.bag(1).fish())
                .extracting(f -> f.mm() / 25.4)
                .usingComparatorForType((a, b) -> Math.abs(a - b) < 1e-9 ? 0 : Double.compare(a, b), Double.class)
                .containsExactly(16.25, 15.5);
        assertThat(log.bag(1).length().needs()).isEqualTo(15.5 * 25.4);
        assertThat(log.bag(1).totalGrams()).isNull();
        assertThat(EventResult.of(length, log).counted())
                .isEqualTo(log.bag(1).length().total());
    }

    @Test
    void readingsAreCorrectedByTheLastCheckOfTheScaleUnlessItIsVoid() {
        BagLog log = BagLog.replay(
                CUT,
                List.of(
                        Sample.fish("a", 1000),
                        new Entry.ScaleCheck("s1", at("06-05T08:00"), 1000, 1030),
                        Sample.fish("b", 1030),
                        new Entry.ScaleCheck("s2", at("06-05T09:00"), 1000, 990),
                        new Entry.Correct("k", at("06-05T09:10"), "a", 1090.0, null, null)));
        assertThat(log.bag(1).fish()).extracting(Fish::grams).containsExactly(1100.0, 1000.0);
        log.append(new Entry.Void("v", at("06-05T10:00"), "s1"));
        assertThat(log.bag(1).fish()).extracting(Fish::grams).containsExactly(1100.0, 1030.0);
        log.append(new Entry.Void("w", at("06-05T10:00"), "v"));
        assertThat(log.bag(1).totalGrams()).isEqualTo(2100);
        assertThat(log.append(new Entry.ScaleCheck("s3", at("06-05T11:00"), 1000, 100))
                        .orElseThrow()
                        .reason()
                        .code())
                .isEqualTo(LogProblem.SCALE_FAR_OFF);
    }

    @Test
    void ownTagsAreGivenOutFirstAndAFishFoundShortIsMarked() {
        Event own = event(Format.LIMIT_WEIGHT, new Scoring(true, false, null, TieBreak.NONE, null, List.of("Pine")));
        BagLog log = BagLog.replay(
                own,
                List.of(
                        Sample.fish("a", 1000),
                        Sample.fish("b", 1500),
                        new Entry.Correct("k", at("06-05T09:00"), "a", null, 300.0, null)));
        assertThat(log.bag(1).fish()).extracting(Fish::tag).containsExactly("Pine", "Red");
        assertThat(log.bag(1).fish()).extracting(Fish::isShort).containsExactly(true, false);
        assertThat(log.bag(1).netGrams()).isEqualTo(2500 - SHORT);
    }
}
