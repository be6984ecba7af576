package lochan.web.practice;

import java.util.List;
import lochan.core.practice.ClarityTrend;
import lochan.core.practice.Current;
import lochan.core.practice.LevelTrend;
import lochan.core.practice.LossWay;
import lochan.core.practice.Sky;
import lochan.core.practice.Surface;
import lochan.core.practice.TakenOn;

/** The choices that the forms of practice offer. */
record Choices(
        List<ClarityTrend> clarity,
        List<Sky> skies,
        List<Surface> surfaces,
        List<LevelTrend> levels,
        List<Current> currents,
        List<TakenOn> takenOn,
        List<LossWay> lossWays) {

    static final Choices ALL = new Choices(
            List.of(ClarityTrend.values()),
            List.of(Sky.values()),
            List.of(Surface.values()),
            List.of(LevelTrend.values()),
            List.of(Current.values()),
            List.of(TakenOn.values()),
            List.of(LossWay.values()));
}
