package lochan.web.instruments;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import java.util.function.BiPredicate;
import lochan.instruments.link.LineLink;
import lochan.instruments.nmea.BoatReadings;
import lochan.instruments.scale.ScaleReadings;
import lochan.offline.bag.Times;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Service;

/**
 * Listens to the instruments of the boat the server is aboard, and to its scale. The operator names their addresses
 * ({@code LOCHAN_NMEA},
 * {@code LOCHAN_SCALE}): no page can have the server connect to anything.
 */
@Service
public class Instruments {

    private final Clock clock;
    private final BoatReadings boat = new BoatReadings();
    private final ScaleReadings scale = new ScaleReadings();
    private final Device boatDevice;
    private final Device scaleDevice;

    /** A device that may be there; {@code trouble} says why its address is none. */
    private record Device(@Nullable LineLink link, @Nullable String trouble) {

        static Device of(String address, BiPredicate<String, Instant> lines, Clock clock) {
            if (address.isBlank()) {
                return new Device(null, null);
            }
            try {
                return new Device(new LineLink(LineLink.Address.of(address), lines, clock), null);
            } catch (IllegalArgumentException e) {
                return new Device(null, e.getMessage());
            }
        }

        void close() {
            if (link != null) {
                link.close();
            }
        }
    }

    /**
     * How it goes with a device.
     *
     * @param named whether it has an address
     * @param well  whether it is received
     * @param words how it goes
     */
    public record Health(boolean named, boolean well, String words) {}

    Instruments(@Value("${lochan.nmea:}") String nmea, @Value("${lochan.scale:}") String scaleAddress, Clock clock) {
        this.clock = clock;
        this.boatDevice = Device.of(nmea, boat::take, clock);
        this.scaleDevice = Device.of(scaleAddress, scale::take, clock);
    }

    public Health boatHealth() {
        return health(boatDevice);
    }

    public Health scaleHealth() {
        return health(scaleDevice);
    }

    private Health health(Device device) {
        if (device.trouble != null) {
            return new Health(true, false, "Its address is none: " + device.trouble + ".");
        }
        if (device.link == null) {
            return new Health(false, false, "None is named.");
        }
        LineLink.Status status = device.link.status();
        Instant last = status.lastGood();
        Duration since = last == null ? Duration.ZERO : Duration.between(last, clock.instant());
        String ago = last == null
                ? "Nothing was heard of it yet."
                : "Last heard " + Times.span(since.isNegative() ? Duration.ZERO : since) + " ago.";
        return switch (status.state()) {
            case RECEIVING -> new Health(true, true, "Received from " + status.address() + ".");
            case QUIET -> new Health(true, false, status.address() + " is connected and says nothing. " + ago);
            case RUBBISH -> new Health(true, false, "What " + status.address() + " sends is not understood. " + ago);
            case AWAY ->
                new Health(
                        true,
                        false,
                        status.address() + " cannot be reached"
                                + (status.trouble() == null ? "" : ": " + status.trouble())
                                + ". It is tried again and again. " + ago);
        };
    }

    public BoatReadings.Now boat() {
        return boat.now(clock.instant());
    }

    /** Depths that were kept and not taken into a map yet. */
    public int soundings() {
        return boat.soundings();
    }

    /** The log of positions and depths so far. */
    public String log() {
        return boat.log();
    }

    /** Forgets what of the log was imported: its beginning, so many lines. */
    public void forget(int lines) {
        boat.forget(lines);
    }

    /** The last weighing of the scale. */
    public Optional<ScaleReadings.Weighing> weighing() {
        return Optional.ofNullable(scale.last());
    }

    @PreDestroy
    void close() {
        boatDevice.close();
        scaleDevice.close();
    }
}
