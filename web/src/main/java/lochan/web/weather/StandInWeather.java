package lochan.web.weather;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.time.Clock;
import lochan.instruments.standin.WeatherService;
import lochan.web.eventbook.EventKey;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.stereotype.Component;

/** The made-up weather service of the demo, on loopback. */
@Component
@ConditionalOnProperty(name = "lochan.weather.stand-in")
public class StandInWeather {

    private static final int EVERY_MINUTES = 30;

    private final WeatherSources sources;
    private final WeatherService service;

    StandInWeather(WeatherSources sources, WeatherFetcher fetcher, Clock clock) {
        this.sources = sources;
        try {
            this.service = new WeatherService(0, clock);
        } catch (IOException e) {
            throw new UncheckedIOException("the demo's weather service cannot be started", e);
        }
        fetcher.allow(service.address());
    }

    /** Asks it for an event from now on. */
    public void tell(EventKey key) {
        sources.put(
                key, WeatherSource.fresh(service.address() + "/series?lat={lat}&lon={lon}&hours=96", EVERY_MINUTES));
    }

    @PreDestroy
    void close() {
        service.close();
    }
}
