package lochan.web.weather;

import java.util.List;
import java.util.Optional;
import lochan.core.practice.ForecastPeriod;
import lochan.web.eventbook.EventKey;
import lochan.web.eventbook.EventWrite;
import org.springframework.stereotype.Service;

/** Where the weather of events is asked, and what was answered. */
@Service
class WeatherSources {

    private final WeatherSourceRepository repository;
    private final ForecastRepository forecasts;

    WeatherSources(WeatherSourceRepository repository, ForecastRepository forecasts) {
        this.repository = repository;
        this.forecasts = forecasts;
    }

    Optional<WeatherSource> find(EventKey key) {
        return repository.find(key);
    }

    @EventWrite
    public void put(EventKey key, WeatherSource source) {
        repository.put(key, source);
    }

    @EventWrite
    public void remove(EventKey key) {
        repository.remove(key);
    }

    /** Keeps how a try went, unless the address was changed meanwhile; without hours the last good ones stay. */
    @EventWrite
    public void tried(EventKey key, WeatherSource tried, List<ForecastPeriod> hours) {
        boolean same = repository
                .find(key)
                .filter(s -> s.address().equals(tried.address()))
                .isPresent();
        if (same) {
            repository.put(key, tried);
            if (!hours.isEmpty()) {
                forecasts.refresh(key, hours);
            }
        }
    }
}
