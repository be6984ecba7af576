package lochan.core.live;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.competition.Bag;
import lochan.core.competition.BagLog;
import lochan.core.competition.Entry;
import lochan.core.competition.EntryCatchBuilder;
import lochan.core.event.Format;
import lochan.core.event.Species;
import lochan.core.eventdata.EventData;
import lochan.core.model.rate.Cell;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.scenario.FittedDayModel;
import lochan.core.model.size.KeeperWeight;
import lochan.core.planning.runs.DayRuns;
import lochan.core.practice.ForecastPeriod;
import org.junit.jupiter.api.Test;

class MoveAdviceTest {

    private static final Assumptions A = Assumptions.DEFAULTS;
    private static final EventData EVENT = Sample.practiced(5, 1);
    private static final Cell HERE = new Cell("grass-1", "walker");

    private static Instant at(String time) {
        return Sample.at("06-05T" + time);
    }

    private static MoveAdvice of(EventData event) {
        return new MoveAdvice(new FittedDayModel(event, 1, A), DayRuns.of(event, A.planning()));
    }

    private static Bag bag(EventData event, double... grams) {
        BagLog log = new BagLog(event.event());
        IntStream.range(0, grams.length).forEach(i -> log.append(Sample.fish("f" + i, grams[i])));
        return log.bag(1);
    }

    private static MoveAdvice.Answer ask(EventData event, String now, Today today, double... bag) {
        return of(event)
                .ask(new MoveAdvice.State(
                        at(now), null, today.efforts().isEmpty() ? null : HERE, today, bag(event, bag)));
    }

    private static Today fished(String from, String to, String... bites) {
        List<Today.Bite> had = new ArrayList<>();
        for (String s : bites) {
            had.add(new Today.Bite(HERE, at(s)));
        }
        return new Today(List.of(new Today.Effort(HERE, at(from), at(to))), had);
    }

    private static List<double[]> table() throws IOException {
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(
                MoveAdviceTest.class.getResourceAsStream("next-hour.csv"), StandardCharsets.UTF_8))) {
            return lines.lines()
                    .filter(l -> !l.startsWith("#"))
                    .map(l -> Arrays.stream(l.replace("given,", "").split(","))
                            .mapToDouble(Double::parseDouble)
                            .toArray())
                    .toList();
        }
    }

    /** With every fish counting V is linear: what the hour is worth was computed outside the program from what its model says of the only cell there is. */
    @Test
    void whereEveryFishCountsTheGainIsBitesTimesLandingTimesKeepers() throws IOException {
        EventData event = Sample.event(
                Sample.tournament(Format.EVERY_FISH, null, List.of(Sample.LARGEMOUTH, Sample.SPOTTED), null),
                EVENT.spots().stream().filter(s -> s.id().equals(HERE.spotId())).toList(),
                EVENT.stops().stream()
                        .filter(s -> s.spotId().equals(HERE.spotId())
                                && s.presentations().stream()
                                        .allMatch(p -> p.presentationId().equals(HERE.presentationId())))
                        .toList());
        FittedDayModel model = new FittedDayModel(event, 1, A);
        assertThat(model.cells()).containsExactly(HERE);
        List<GammaRate> rates = IntStream.range(0, model.bins().size())
                .mapToObj(i -> model.rates(i).rate(HERE, model.pattern(HERE)))
                .toList();
        KeeperWeight keepers =
                KeeperWeight.of(event, model.sizes(), model.mix(), model.pattern(HERE), HERE.spotId(), A.size());
        List<double[]> table = table();
        assertThat(table.getFirst())
                .as("the table is of this cell")
                .containsExactly(
                        new double[] {
                            rates.get(2).mean(),
                            (rates.get(3).mean() + rates.get(4).mean()) / 2,
                            rates.get(rates.size() / 2).shape() - 0.7,
                            model.landing("walker").mean(),
                            keepers.legalShare(),
                            keepers.meanGrams()
                        },
                        within(1e-9));

        for (double[] row : table.subList(1, table.size())) {
            String[] bites = Collections.nCopies((int) row[0], "07:29").toArray(String[]::new);
            MoveAdvice.Answer found = ask(event, "07:30", fished("07:00", "07:30", bites));

            assertThat(found.stay()).as("after " + row[0] + " bites").isCloseTo(row[1], within(0.002 * row[1]));
        }
    }

    /** What one spot shows teaches of its like: bites raise, a blank lowers what an hour of the pattern elsewhere is worth. */
    @Test
    void bitesHereRaiseWhatItsLikeIsWorthAndHeavyFishDoToo() {
        Cell like = new Cell("grass-2", "walker");
        Today blank = fished("07:00", "08:00");
        Today bites = fished("07:00", "08:00", "07:10", "07:20", "07:40");
        List<Today.Bite> heavy = bites.bites().stream()
                .map(b -> new Today.Bite(b.cell(), b.at(), new Today.Landed(Species.LARGEMOUTH, 3000)))
                .toList();
        DayLearner learner = new DayLearner(
                new FittedDayModel(EVENT, 1, A),
                new FittedDayModel(EVENT, 1, A).cells(),
                new ExpectedBites(new FittedDayModel(EVENT, 1, A)));
        assertThat(learner.of(bites).rate(like)).isGreaterThan(1);
        assertThat(learner.of(blank).rate(like)).isLessThan(1);
        assertThat(learner.of(bites).shift(like)).isZero();
        DayLearner.Beliefs big = learner.of(bites.with(heavy));
        assertThat(big.shift(like)).isPositive().isLessThan(big.shift(HERE));
        assertThat(ask(EVENT, "08:00", bites.with(heavy)).stay())
                .isGreaterThan(ask(EVENT, "08:00", bites).stay());
        MoveAdvice.Lesson lesson = ask(EVENT, "08:00", bites.with(heavy)).lesson();
        assertThat(lesson.subject()).isEqualTo(MoveAdvice.Subject.SIZE);
        assertThat(lesson.ratio()).isGreaterThan(1);
        assertThat(lesson.gramsAnHour()).isPositive();
        assertThat(ask(EVENT, "08:00", blank).lesson().gramsAnHour()).isNegative();
    }

    /** Learning in two pieces is learning in one. */
    @Test
    void anEffortInPiecesTeachesWhatItTeachesWhole() {
        FittedDayModel model = new FittedDayModel(EVENT, 1, A);
        DayLearner learner = new DayLearner(model, model.cells(), new ExpectedBites(model));
        DayLearner.Beliefs whole = learner.of(fished("07:00", "08:00", "07:10"));
        DayLearner.Beliefs pieces =
                learner.of(fished("07:00", "07:30", "07:10")).fishedOn(HERE, at("07:30"), at("08:00"));
        assertThat(model.cells()).allSatisfy(c -> assertThat(pieces.rate(c)).isCloseTo(whole.rate(c), within(1e-9)));
    }

    @Test
    void bitesMakeItWorthStayingAndABlankMakesItWorthGoing() {
        double none = ask(EVENT, "08:00", fished("07:00", "08:00")).stay();
        double three = ask(EVENT, "08:00", fished("07:00", "08:00", "07:10", "07:30", "07:50"))
                .stay();
        double fresh = ask(EVENT, "07:00", fished("07:00", "07:00")).stay();
        assertThat(three).isGreaterThan(none);
        assertThat(fresh).isGreaterThan(none);
        MoveAdvice.Answer blank = ask(EVENT, "10:00", fished("07:00", "10:00"));
        assertThat(blank.go()).isTrue();
        assertThat(blank.best().leaveAt()).isEqualTo(at("10:00"));
    }

    @Test
    void theBestMoveIsNeverGoingOnHereAndItsPriceIsPaid() {
        MoveAdvice.Answer found = ask(EVENT, "08:00", fished("07:30", "08:00", "07:40", "07:45", "07:50", "07:55"));
        assertThat(found.best().cell()).isNotEqualTo(HERE);
        assertThat(found.go()).isEqualTo(found.best().gainGrams() > found.stay());
        if (!found.go()) {
            assertThat(found.stayUntil()).isAfter(at("08:00"));
            assertThat(Duration.between(at("08:00"), found.best().leaveAt()).toMinutes() % 15 == 0
                            || found.best().leaveAt().equals(found.leaveBy().at()))
                    .isTrue();
        }
    }

    @Test
    void beforeTheFirstStopThereIsNoStaying() {
        MoveAdvice.Answer found = ask(EVENT, "06:00", Today.NOTHING);
        assertThat(found.stay()).isNull();
        assertThat(found.stayUntil()).isNull();
        assertThat(found.best().gainGrams()).isPositive();
    }

    @Test
    void leaveByIsCheckInLessTheRoughRunAndTheMargin() {
        MoveAdvice.Answer found = ask(EVENT, "09:00", fished("08:00", "09:00"));
        Duration run = DayRuns.of(EVENT, A.planning())
                .between(EVENT.spot("grass-1").orElseThrow().position(), Sample.LAUNCH, at("09:00"))
                .orElseThrow()
                .time();
        double slower = EVENT.boat().runMps() / EVENT.boat().roughMps();
        assertThat(Duration.between(found.leaveBy().at(), at("15:00")).toMillis() / 60_000.0)
                .isCloseTo(15 + run.toMillis() / 60_000.0 * slower, within(0.02));
        MoveAdvice.Answer late = ask(EVENT, "14:50", fished("14:00", "14:50"));
        assertThat(late.best()).isNull();
        assertThat(late.stay()).isZero();
    }

    @Test
    void aBagThatNothingBeatsGainsNothing() {
        MoveAdvice.Answer found = ask(EVENT, "08:00", fished("07:00", "08:00", "07:10"), 9000, 9000, 9000, 9000, 9000);
        assertThat(found.stay()).isCloseTo(0, within(0.5));
        assertThat(found.best().gainGrams()).isCloseTo(0, within(0.5));
    }

    @Test
    void noHourInLightningIsAMove() {
        ForecastPeriod storm = new ForecastPeriod(at("08:00"), at("15:00"), 3.0, null, null, null, null, true);
        EventData stormy = EVENT.toBuilder()
                .lake(null)
                .forecast(List.of(storm))
                .plans(List.of())
                .competition(List.of())
                .build();
        assertThat(ask(stormy, "08:30", fished("07:00", "08:30")).best()).isNull();
    }

    @Test
    void onlyBitesThatStandAndNameTheirCellCount() {
        List<Entry> log = List.of(
                EntryCatchBuilder.builder()
                        .id("a")
                        .at(at("07:00"))
                        .grams(900.0)
                        .spotId("grass-1")
                        .presentationId("walker")
                        .alive(true)
                        .build(),
                new Entry.Bite("b", at("07:10"), "grass-1", "walker", null),
                new Entry.Bite("c", at("07:20"), "grass-1", null, null),
                new Entry.Void("d", at("07:30"), "a"),
                new Entry.Bite("e", Sample.at("06-06T07:00"), "grass-1", "walker", null));
        assertThat(Today.bites(BagLog.replay(EVENT.event(), log), 1))
                .containsExactly(new Today.Bite(HERE, at("07:10")));
        assertThat(Today.bites(BagLog.replay(EVENT.event(), log), 2)).hasSize(1);
    }
}
