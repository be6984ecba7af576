package lochan.core.model.evidence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import lochan.core.Assumptions;
import lochan.core.Sample;
import lochan.core.eventdata.EventData;
import lochan.core.lake.Sighting;
import lochan.core.lake.Spot;
import lochan.core.lake.Zone;
import lochan.core.lures.advice.Light;
import lochan.core.lures.advice.Situation;
import lochan.core.lures.advice.SituationBuilder;
import lochan.core.lures.advice.TempTrend;
import lochan.core.practice.Bite;
import lochan.core.practice.BiteNotes;
import lochan.core.practice.BiteNotesBuilder;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Conditions;
import lochan.core.practice.ForecastPeriod;
import lochan.core.practice.Outcome;
import lochan.core.practice.PracticeStop;
import lochan.core.practice.Signs;
import lochan.core.practice.Sky;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;
import lochan.core.tackle.Cover;
import lochan.core.tackle.Mood;
import lochan.core.tackle.SeasonStage;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SituationsTest {

    private static final Spot SPOT = Sample.spot("brush-1", "brush-pile", Zone.MID, 1);

    private static Bite bite(double depthM, TakenOn takenOn) {
        return new Bite(
                null,
                Outcome.LANDED,
                null,
                null,
                null,
                BiteNotesBuilder.builder(BiteNotes.NONE)
                        .seen(new Sighting(null, depthM, null, null, null))
                        .takenOn(takenOn)
                        .build());
    }

    private static PracticeStop stop(String id, String day, double tempC, int follows, Bite... bites) {
        Conditions c = new Conditions(
                tempC,
                0.9,
                null,
                null,
                null,
                new Signs(ClarityTrend.CLEARING, null, null, null, null, null, null, null, Sighting.NONE),
                Map.of());
        return Sample.stop(id, SPOT.id(), day + "T07:00", day + "T09:00", List.of("swim-jig"), bites)
                .withConditions(c)
                .withFollows(follows);
    }

    private static EventData event(List<PracticeStop> stops, ForecastPeriod... forecast) {
        EventData e = Sample.event(Sample.tournament(5, List.of(Sample.LARGEMOUTH)), List.of(SPOT), stops);
        return e.toBuilder().forecast(List.of(forecast)).build();
    }

    private static Situation at(EventData event, String time) {
        return new Situations(event, Assumptions.DEFAULTS).at(SPOT, Sample.at("06-05T" + time));
    }

    @Test
    void practiceAndForecastTellTheSituation() {
        EventData event = event(
                List.of(
                        stop(
                                "a",
                                "06-01",
                                19,
                                0,
                                bite(3, TakenOn.SUSPENDED),
                                bite(4, TakenOn.FALL),
                                bite(5, TakenOn.SUSPENDED)),
                        stop("b", "06-03", 22, 5)),
                new ForecastPeriod(
                        Sample.at("06-05T06:00"), Sample.at("06-05T15:00"), 5.0, null, Sky.CLEAR, 23.0, null, null));
        Situation noon = at(event, "12:00");
        assertThat(noon.waterTempC()).isEqualTo(23);
        assertThat(noon.tempTrend()).isEqualTo(TempTrend.WARMING);
        assertThat(noon.visibilityM()).isEqualTo(0.9);
        assertThat(noon.clarity()).isEqualTo(ClarityTrend.CLEARING);
        assertThat(noon.light()).isEqualTo(Light.BRIGHT);
        assertThat(noon.surface()).isEqualTo(Surface.CHOP);
        assertThat(noon.stage()).isEqualTo(SeasonStage.POST_SPAWN);
        assertThat(noon.fishDepthM()).isEqualTo(4);
        assertThat(noon.takenOn()).isEqualTo(TakenOn.SUSPENDED);
        assertThat(noon.cover()).isEqualTo(Cover.BRUSH);
        assertThat(noon.mood()).isEqualTo(Mood.INACTIVE);
        assertThat(at(event, "06:05").light()).isEqualTo(Light.LOW);
    }

    @Test
    void withoutPracticeOrForecastMostIsUnknown() {
        Situation s = at(event(new ArrayList<>()), "12:00");
        assertThat(s).isEqualTo(SituationBuilder.builder().cover(Cover.BRUSH).build());
    }

    @ParameterizedTest
    @CsvSource({
        "5, 06-05, WINTER",
        "12, 04-05, PRE_SPAWN",
        "17, 05-05, SPAWN",
        "22, 06-05, POST_SPAWN",
        "26, 06-05, SUMMER",
        "22, 07-15, SUMMER",
        "18, 10-05, AUTUMN",
        "25, 09-15, SUMMER",
        "7, 11-20, WINTER"
    })
    void temperatureAndHalfOfTheYearTellTheStage(double tempC, String day, SeasonStage stage) {
        assertThat(new Situations(event(List.of()), Assumptions.DEFAULTS).stage(tempC, Sample.at(day + "T09:00")))
                .isEqualTo(stage);
        assertThat(new Situations(event(List.of()), Assumptions.DEFAULTS).stage(null, Sample.at(day + "T09:00")))
                .isNull();
    }
}
