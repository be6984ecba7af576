package lochan.core.model.learning;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.event.Event;
import lochan.core.event.Position;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Zone;
import lochan.core.model.rate.GammaRate;
import lochan.core.model.rate.LandingChance;
import lochan.core.notebook.Notebook;
import lochan.core.notebook.SetupChange;
import lochan.core.notebook.Trial;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.BiteNotesBuilder;
import lochan.core.practice.Conditions;
import lochan.core.practice.Hooks;
import lochan.core.practice.LossWay;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.tackle.Family;
import lochan.core.tackle.Lure;
import lochan.core.tackle.LureBuilder;
import lochan.core.tackle.SampleTackle;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;

class LearningTest {

    private static final Assumptions A = Assumptions.DEFAULTS;
    private static final double EXACT = 1e-9;

    static Stream<String[]> sums() throws IOException {
        try (BufferedReader in = new BufferedReader(new InputStreamReader(
                LearningTest.class.getResourceAsStream("better-chance.csv"), StandardCharsets.UTF_8))) {
            return in.lines().filter(l -> !l.startsWith("#")).map(l -> l.split(",")).toList().stream();
        }
    }

    @ParameterizedTest
    @MethodSource("sums")
    void theChanceOfBetterIsTheExactSum(String kind, double a1, double a2, double b1, double b2, double expected) {
        double found = kind.equals("rates")
                ? BetterChance.ofRates(new GammaRate(a1, a2), new GammaRate(b1, b2))
                : BetterChance.ofChances(new LandingChance(a1, a2), new LandingChance(b1, b2));
        assertThat(found).isCloseTo(expected, within(EXACT));
    }

    private static Trial trial(int minutes, int first, int second) {
        return new Trial(
                "t",
                Trial.Subject.COLOUR,
                "green",
                "black",
                List.of(
                        new Trial.Round(Sample.at("06-03T07:00"), true, minutes, first, first),
                        new Trial.Round(Sample.at("06-03T08:00"), false, minutes, second, 0)));
    }

    @Test
    void aTrialTellsWhoIsBetterAndWhatItTakesToKnow() {
        Contest clear = Contest.of(trial(120, 12, 1), A);
        assertThat(clear.firstBitesMore()).isGreaterThan(0.99);
        assertThat(clear.isKnown()).isTrue();
        Contest open = Contest.of(trial(60, 3, 2), A);
        assertThat(open.isKnown()).isFalse();
        assertThat(open.hoursToKnow()).isBetween(1.0, 25.0);
        Contest alike = Contest.of(trial(60, 2, 2), A);
        assertThat(alike.firstBitesMore()).isCloseTo(0.5, within(1e-9));
        assertThat(alike.hoursToKnow()).isNaN();
        assertThat(open.firstLandsMore()).isGreaterThan(0.8);
    }

    @Test
    void whatWasNotFishedIsNotCalledBetterOrWorse() {
        Contest one = Contest.of(new Contest.Side(2, 14, 14, 10), new Contest.Side(0, 0, 0, 0), A);
        assertThat(one.isKnown()).isFalse();
        assertThat(one.firstBitesMore()).isBetween(0.4, 0.89);
    }

    @Test
    void theTrialTurnedRoundSaysTheOpposite() {
        Contest one = Contest.of(trial(90, 5, 3), A);
        Contest other = Contest.of(trial(90, 3, 5), A);
        assertThat(one.firstBitesMore()).isCloseTo(1 - other.firstBitesMore(), within(EXACT));
        assertThat(one.hoursToKnow()).isEqualTo(other.hoursToKnow());
    }

    @Test
    void moreHoursAtTheSameRatesOnlyMakeItSurer() {
        double before = 0.5;
        for (int hours = 1; hours <= 16; hours *= 2) {
            double chance = Contest.of(trial(60 * hours, 3 * hours, hours), A).firstBitesMore();
            assertThat(chance).isGreaterThan(before);
            before = chance;
        }
    }

    private static EventData fished(Outcome... outcomes) {
        return fished(Stream.of(outcomes)
                .map(o -> Sample.bite("06-03T07:10", o, null))
                .toArray(Bite[]::new));
    }

    private static EventData fished(Bite... bites) {
        PracticeStop stop = Sample.stop("p1", "grass-1", "06-03T07:00", "06-03T08:00", List.of("walker"), bites);
        return Sample.event(
                Sample.tournament(5, List.of(Sample.LARGEMOUTH)),
                List.of(Sample.spot("grass-1", "grass-edge", Zone.SHALLOW, 1)),
                List.of(stop));
    }

    private static Outcome[] outcomes(int landed, int missed, int lost) {
        return Stream.of(
                        Stream.generate(() -> Outcome.LANDED).limit(landed),
                        Stream.generate(() -> Outcome.MISSED).limit(missed),
                        Stream.generate(() -> Outcome.LOST).limit(lost))
                .flatMap(s -> s)
                .toArray(Outcome[]::new);
    }

    @ParameterizedTest
    @CsvSource({"2, 6, 1, SHORT", "2, 1, 6, LOST_TREBLE"})
    void repeatedShortBitesOrLossesSuggestAChangeWithTheirEvidence(
            int landed, int missed, int lost, LossReason remedy) {
        assertThat(LossSigns.of(fished(outcomes(landed, missed, lost)), List.of(), A))
                .singleElement()
                .satisfies(s -> {
                    assertThat(s.remedies()).containsExactly(remedy.with());
                    assertThat(s.tried()).isEqualTo(9);
                    assertThat(s.chance()).isGreaterThan(0.8);
                });
    }

    @ParameterizedTest
    @CsvSource({
        "HOOK_OPENED, false, OPENED",
        "PULLED_OUT, false, PULLED",
        "JUMPED_OFF, true, JUMPED_METAL",
        "PULLED_OUT, true, PULLED_METAL",
        "SHORT_BITE, false, SHORT",
        "REAR_HOOK, false, REAR",
        "BROKE_OFF, false, BROKE_BOTTOM"
    })
    void theRemedyFollowsTheWayAndTheLure(LossWay way, boolean metal, LossReason remedy) {
        Lure lure = LureBuilder.builder(SampleTackle.WALKER)
                .family(metal ? Family.METAL : Family.CRANKBAIT)
                .build();
        List<Bite> bites = new ArrayList<>(Collections.nCopies(6, lostBy(way)));
        bites.add(lostBy(LossWay.SHORT_BITE));
        EventData event = fished(bites.toArray(Bite[]::new));
        assertThat(LossSigns.of(event, List.of(lure), A).getFirst().remedies())
                .as("the most frequent way first")
                .startsWith(remedy.with());
    }

    private static Bite lostBy(LossWay way) {
        return new Bite(
                null,
                Outcome.LOST,
                "walker",
                null,
                null,
                BiteNotesBuilder.builder(BiteNotes.NONE).lossWay(way).build());
    }

    @Test
    void aFewBadOnesAreNoSign() {
        assertThat(LossSigns.of(fished(outcomes(0, 2, 2)), List.of(), A)).isEmpty();
        assertThat(LossSigns.of(fished(outcomes(20, 3, 3)), List.of(), A)).isEmpty();
    }

    @Test
    void aChangeOfHooksBeginsAgainAndOldBitesCountHalf() {
        EventData event = fished(outcomes(2, 6, 0));
        SetupChange change = new SetupChange("c", "walker", Sample.at("06-03T09:00"), "one solid hook", Hooks.SINGLE);
        EventData changed = event.withNotebook(
                new Notebook(List.of(), List.of(), List.of(change), List.of(), Notebook.Priors.NONE));
        assertThat(LossSigns.of(changed, List.of(), A)).isEmpty();
        LandingChance before = LandingChance.of(Sample.PRESENTATIONS.get(1), event.stops(), A.landing());
        LandingChance after = LandingChance.of(
                Sample.PRESENTATIONS.get(1),
                event.stops(),
                List.of(change),
                A.landing(),
                A.notebook().rerigged());
        assertThat(before.mean()).isCloseTo((8 * 0.68 + 2) / 16, within(EXACT));
        assertThat(after.mean()).isCloseTo((8 * 0.80 + 1) / 12, within(EXACT));
        SetupChange other = new SetupChange("c", "swim-jig", Sample.at("06-03T09:00"), "leader", null);
        assertThat(LandingChance.of(Sample.PRESENTATIONS.get(1), event.stops(), List.of(other), A.landing(), 0.5))
                .isEqualTo(before);
    }

    @Test
    void historyComparesEachPresentationWithItsOwnEvents() {
        EventData poor = Sample.practiced(5, 1);
        History history = History.of(List.of(poor, fished(outcomes(9, 0, 0))), A);
        double bites =
                history.entries().stream().mapToDouble(History.Entry::bites).sum();
        assertThat(history.entries().stream()
                        .mapToDouble(History.Entry::expected)
                        .sum())
                .isCloseTo(bites, within(1e-6));
        assertThat(history.by(History.Entry::presentationId)).allSatisfy((id, line) -> assertThat(line.ratio())
                .isCloseTo((5 + line.bites()) / (5 + line.expected()), within(EXACT)));
        assertThat(History.carried(LikeEvent.of(poor, List.of(poor), A), A))
                .extracting(c -> c.presentationId())
                .containsExactlyInAnyOrder("swim-jig", "walker");
        assertThat(history.entries()).extracting(History.Entry::lake).containsOnly("Test Open");
        assertThat(history.by(History.Entry::stage)).isEmpty();
        assertThat(History.bestDays(List.of(poor), 3)).singleElement().satisfies(d -> assertThat(d.hours())
                .isCloseTo(8 * 50 / 60.0, within(1e-9)));
    }

    private static EventData in(double celsius, double visibilityM, double eastDeg) {
        EventData event = Sample.practiced(5, 1);
        List<PracticeStop> stops = event.stops().stream()
                .map(s -> s.withConditions(new Conditions(celsius, visibilityM, null, null, null)))
                .toList();
        Position launch = new Position(event.launch().lat(), event.launch().lon() + eastDeg);
        Event moved = new Event(
                event.name(),
                event.timeZone(),
                event.anglers(),
                event.event().practice(),
                event.days(),
                new Event.Ramp(launch, launch),
                event.rules(),
                Map.of());
        return Sample.event(moved, event.spots(), stops);
    }

    @Test
    void whatIsCarriedComesFromTheSameLakeAndSeasonNeverFromEverything() {
        EventData now = in(18, 1.2, 0);
        List<LikeEvent> like = LikeEvent.of(
                now, List.of(in(18, 1.2, 0), in(13, 1.2, 0), in(5, 1.2, 0), in(18, 1.2, 3), in(18, 6, 3)), A);
        assertThat(like).extracting(LikeEvent::weight).isSortedAccordingTo(java.util.Comparator.reverseOrder());
        assertThat(like.get(0).weight()).isEqualTo(1);
        assertThat(like.get(1).weight())
                .as("the season before, 5 °C colder")
                .isCloseTo(0.5 * Math.exp(-0.5), within(1e-9));
        assertThat(like.subList(2, 5)).as("another season, other lakes").noneMatch(LikeEvent::counts);
        double hours = History.of(List.of(now), A).entries().stream()
                .mapToDouble(History.Entry::hours)
                .sum();
        assertThat(History.carried(like, A).stream()
                        .mapToDouble(c -> c.anglerHours())
                        .sum())
                .isCloseTo(hours * (1 + like.get(1).weight()), within(1e-6));
    }
}
