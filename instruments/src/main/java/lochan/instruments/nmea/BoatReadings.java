package lochan.instruments.nmea;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.EnumMap;
import java.util.Map;
import lochan.core.event.Position;
import net.sf.marineapi.nmea.parser.DataNotAvailableException;
import net.sf.marineapi.nmea.parser.SentenceFactory;
import net.sf.marineapi.nmea.parser.UnsupportedSentenceException;
import net.sf.marineapi.nmea.sentence.DBTSentence;
import net.sf.marineapi.nmea.sentence.DPTSentence;
import net.sf.marineapi.nmea.sentence.GGASentence;
import net.sf.marineapi.nmea.sentence.MTWSentence;
import net.sf.marineapi.nmea.sentence.MWDSentence;
import net.sf.marineapi.nmea.sentence.MWVSentence;
import net.sf.marineapi.nmea.sentence.RMCSentence;
import net.sf.marineapi.nmea.sentence.Sentence;
import net.sf.marineapi.nmea.sentence.SentenceValidator;
import net.sf.marineapi.nmea.sentence.VTGSentence;
import net.sf.marineapi.nmea.util.DataStatus;
import net.sf.marineapi.nmea.util.GpsFixQuality;
import net.sf.marineapi.nmea.util.Units;
import org.jspecify.annotations.Nullable;

/**
 * What a boat's instruments say over NMEA 0183: the last of each value, as long as it is fresh. Lines whose sum is wrong, and values that cannot be, are passed
 * over. Safe for several threads.
 */
public final class BoatReadings {

    /** Older values are shown no more. */
    public static final Duration FRESH = Duration.ofSeconds(15);

    private static final double MPS_PER_KNOT = 1852 / 3600.0;
    private static final double KMH_PER_MPS = 3.6;
    private static final double FASTEST_MPS = 60;
    private static final double DEEPEST_M = 300;
    private static final double STRONGEST_WIND_MPS = 90;
    /** So many fixes in a row from elsewhere are believed: the receiver was wrong before. */
    private static final int BELIEVED = 3;
    /** Sentences with positions and depths that are kept for soundings: about three hours. */
    private static final int MOST_KEPT = 40_000;

    private enum Kind {
        SPEED,
        COURSE,
        DEPTH,
        WATER,
        WIND,
        WIND_FROM
    }

    private record Value(double value, Instant at) {}

    private final Map<Kind, Value> values = new EnumMap<>(Kind.class);
    private @Nullable Position position;
    private @Nullable Instant positionAt;
    private int elsewhere;
    private final Deque<String> kept = new ArrayDeque<>();
    private int soundings;
    /** When a depth with the transducer's offset last came. */
    private @Nullable Instant withOffset;

    /** Returns the readings that are fresh at a time; null for the others. */
    public record Now(
            @Nullable Position position,
            @Nullable Double speedMps,
            @Nullable Double courseDeg,
            @Nullable Double depthM,
            @Nullable Double waterTempC,
            @Nullable Double windMps,
            @Nullable Double windFromDeg) {

        public boolean isEmpty() {
            return position == null
                    && speedMps == null
                    && depthM == null
                    && waterTempC == null
                    && windMps == null
                    && windFromDeg == null;
        }
    }

    /** Takes a line; says whether it was a sentence, whatever is in it. */
    public synchronized boolean take(String line, Instant at) {
        int from = line.indexOf('$');
        String sentence = from < 0 ? "" : line.substring(from).strip();
        if (!SentenceValidator.isValid(sentence) || !sentence.contains("*")) {
            return false;
        }
        try {
            take(SentenceFactory.getInstance().createParser(sentence), sentence, at);
        } catch (DataNotAvailableException
                | UnsupportedSentenceException
                | IllegalArgumentException
                | IndexOutOfBoundsException e) {
            // What a sentence leaves open, or what nobody needs here.
        }
        return true;
    }

    private void take(Sentence parsed, String sentence, Instant at) {
        switch (parsed) {
            case RMCSentence rmc
            when rmc.getStatus() == DataStatus.ACTIVE -> {
                fix(rmc.getPosition().getLatitude(), rmc.getPosition().getLongitude(), at);
                keep(sentence);
                put(Kind.SPEED, rmc.getSpeed() * MPS_PER_KNOT, 0, FASTEST_MPS, at);
                put(Kind.COURSE, rmc.getCourse(), 0, 360, at);
            }
            case GGASentence gga
            when gga.getFixQuality() != GpsFixQuality.INVALID -> {
                fix(gga.getPosition().getLatitude(), gga.getPosition().getLongitude(), at);
                keep(sentence);
            }
            case VTGSentence vtg -> {
                put(Kind.SPEED, vtg.getSpeedKmh() / KMH_PER_MPS, 0, FASTEST_MPS, at);
                put(Kind.COURSE, vtg.getTrueCourse(), 0, 360, at);
            }
            case DPTSentence dpt -> {
                depth(dpt.getDepth() + Math.max(0, dpt.getOffset()), sentence, at);
                withOffset = at;
            }
            // Below the transducer alone: a depth with its offset comes first.
            case DBTSentence dbt
            when withOffset == null || !isFresh(withOffset, at) -> depth(dbt.getDepth(), sentence, at);
            case MTWSentence mtw -> put(Kind.WATER, mtw.getTemperature(), -2, 45, at);
            case MWDSentence mwd -> {
                put(Kind.WIND, mwd.getWindSpeed(), 0, STRONGEST_WIND_MPS, at);
                put(Kind.WIND_FROM, mwd.getTrueWindDirection(), 0, 360, at);
            }
            case MWVSentence mwv
            when mwv.isTrue() && mwv.getStatus() == DataStatus.ACTIVE -> {
                put(Kind.WIND, mps(mwv.getSpeed(), mwv.getSpeedUnit()), 0, STRONGEST_WIND_MPS, at);
                Double course = value(Kind.COURSE, at);
                if (course != null) {
                    put(Kind.WIND_FROM, (mwv.getAngle() + course) % 360, 0, 360, at);
                }
            }
            default -> {}
        }
    }

    private static double mps(double value, Units unit) {
        return switch (unit) {
            case NAUTICAL_MILES -> value * MPS_PER_KNOT;
            case KILOMETERS -> value / KMH_PER_MPS;
            default -> value;
        };
    }

    private void depth(double metres, String sentence, Instant at) {
        if (put(Kind.DEPTH, metres, 0.1, DEEPEST_M, at)) {
            keep(sentence);
            soundings++;
        }
    }

    private boolean put(Kind kind, double value, double least, double most, Instant at) {
        if (!(value >= least && value <= most)) {
            return false;
        }
        values.put(kind, new Value(value, at));
        return true;
    }

    /** A fix that no boat reaches from the last is taken for an error, unless the next ones say the same. */
    private void fix(double lat, double lon, Instant at) {
        if (!(Math.abs(lat) <= 90 && Math.abs(lon) <= 180)) {
            return;
        }
        Position there = new Position(lat, lon);
        if (position != null && positionAt != null) {
            double seconds = Math.max(1, Duration.between(positionAt, at).toMillis() / 1000.0);
            boolean jumps = Duration.between(positionAt, at).compareTo(FRESH) < 0
                    && position.metresTo(there) > FASTEST_MPS * seconds;
            if (jumps && ++elsewhere < BELIEVED) {
                return;
            }
        }
        elsewhere = 0;
        position = there;
        positionAt = at;
    }

    private void keep(String sentence) {
        if (kept.size() >= MOST_KEPT) {
            forget(1);
        }
        kept.addLast(sentence);
    }

    private @Nullable Double value(Kind kind, Instant now) {
        Value value = values.get(kind);
        return value != null && isFresh(value.at, now) ? Double.valueOf(value.value) : null;
    }

    private static boolean isFresh(Instant at, Instant now) {
        return Duration.between(at, now).compareTo(FRESH) < 0;
    }

    public synchronized Now now(Instant now) {
        return new Now(
                positionAt != null && isFresh(positionAt, now) ? position : null,
                value(Kind.SPEED, now),
                value(Kind.COURSE, now),
                value(Kind.DEPTH, now),
                value(Kind.WATER, now),
                value(Kind.WIND, now),
                value(Kind.WIND_FROM, now));
    }

    /** Depths in the log. */
    public synchronized int soundings() {
        return soundings;
    }

    /** The kept sentences, a line each. */
    public synchronized String log() {
        return String.join("\n", kept) + "\n";
    }

    /** Forgets the beginning of the log, so many lines; what came since stays. */
    public synchronized void forget(int lines) {
        for (int i = 0; i < lines && !kept.isEmpty(); i++) {
            soundings -= isDepth(kept.removeFirst()) ? 1 : 0;
        }
    }

    private static boolean isDepth(String sentence) {
        return sentence.startsWith("DPT", 3) || sentence.startsWith("DBT", 3);
    }
}
