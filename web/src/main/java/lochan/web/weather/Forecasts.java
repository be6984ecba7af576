package lochan.web.weather;

import java.time.Clock;
import java.util.List;
import lochan.core.eventdata.EventData;
import lochan.core.practice.ForecastPeriod;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventPart;
import lochan.web.eventbook.EventWrite;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Service;

/** The weather forecast of an event, as the angler typed it or a file brought it. */
@Service
@Order(EventPart.REST)
public class Forecasts implements EventPart {

    private final ForecastRepository repository;
    private final Clock clock;

    Forecasts(ForecastRepository repository, Clock clock) {
        this.repository = repository;
        this.clock = clock;
    }

    @Override
    public void read(EventKey key, EventData.Builder event) {
        event.forecast(forecast(key));
    }

    @Override
    @EventWrite
    public void write(EventKey key, EventData event) {
        repository.add(key, event.forecast());
    }

    public List<ForecastPeriod> forecast(EventKey key) {
        return repository.current(key);
    }

    @EventWrite
    public void replace(EventKey key, List<ForecastPeriod> forecast) {
        repository.replace(key, forecast, clock.instant());
    }

    /** Brings back the forecast before this one; a second time this one again. */
    @EventWrite
    public void undo(EventKey key) {
        repository.swap(key, clock.instant());
    }
}
