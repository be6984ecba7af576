package lochan.core.practice.track;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import lochan.core.Sample;
import lochan.core.event.BoatRun;
import org.junit.jupiter.api.Test;

class RunSpeedsTest {

    private static BoatRun run(double metres, double mps, Double wind) {
        return new BoatRun(Sample.at("06-03T06:00"), Sample.at("06-03T06:10"), metres, mps, wind);
    }

    @Test
    void aClassOfWindHasTheMedianOfItsRunsByTheirWay() {
        RunSpeeds speeds = RunSpeeds.of(
                List.of(
                        run(4000, 19, 1.0),
                        run(3000, 18, 2.0),
                        run(600, 5, 1.5),
                        run(2000, 16, 5.0),
                        run(3000, 11, 8.0),
                        run(100, 3, 8.0),
                        run(9000, 25, null)),
                6.7);

        assertThat(speeds.classes()).extracting(RunSpeeds.WindClass::fromMps).containsExactly(0.0, 4.5, 6.7);
        assertThat(speeds.classes()).extracting(RunSpeeds.WindClass::mps).containsExactly(19.0, 16.0, 11.0);
        assertThat(speeds.calmMps()).isEqualTo(18);
        assertThat(speeds.roughMps()).isEqualTo(11);
    }

    @Test
    void withoutRunsInRoughWaterItsSpeedIsNotKnown() {
        assertThat(RunSpeeds.of(List.of(run(4000, 19, 1.0)), 6.7).roughMps()).isNull();
        assertThat(RunSpeeds.of(List.of(), 6.7)).isEqualTo(new RunSpeeds(List.of(), null, null));
    }
}
