package lochan.offline.plan;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import lochan.core.Assumptions;
import lochan.core.eventdata.EventData;
import lochan.core.lake.BankSide;
import lochan.core.lake.BankWind;
import lochan.core.lake.Spot;
import lochan.core.practice.ForecastPeriod;
import lochan.offline.bag.Times;
import org.jspecify.annotations.Nullable;

/** Says how the forecast wind meets the bank of a spot, hour by hour. */
public final class BankWords {

    private BankWords() {}

    /**
     * As "Bank blown 06:00–09:00, slick 09:00–12:00".
     *
     * @return null where the forecast, the lake or the bank says nothing between two times
     */
    public static @Nullable String of(Spot spot, EventData event, Instant from, Instant to, Assumptions.Bank a) {
        if (event.lake() == null) {
            return null;
        }
        BankWind banks = new BankWind(event.lake(), a);
        List<Stretch> stretches = new ArrayList<>();
        for (ForecastPeriod f : event.forecast()) {
            Instant begins = f.from().isBefore(from) ? from : f.from();
            Instant ends = f.to().isAfter(to) ? to : f.to();
            BankSide side = banks.side(spot.position(), f.windMps(), f.windFromDeg());
            if (side != null && ends.isAfter(begins)) {
                Stretch last = stretches.isEmpty() ? null : stretches.getLast();
                if (last != null && last.side == side && last.to.equals(begins)) {
                    stretches.set(stretches.size() - 1, new Stretch(last.from, ends, side));
                } else {
                    stretches.add(new Stretch(begins, ends, side));
                }
            }
        }
        return stretches.isEmpty()
                ? null
                : "Bank "
                        + String.join(
                                ", ",
                                stretches.stream()
                                        .map(s -> s.side.words() + " " + Times.clock(s.from, event.timeZone()) + "–"
                                                + Times.clock(s.to, event.timeZone()))
                                        .toList());
    }

    private record Stretch(Instant from, Instant to, BankSide side) {}
}
