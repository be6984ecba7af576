package lochan.mapfiles;

import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.time.DateTimeException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneOffset;
import lochan.core.event.Position;
import lochan.eventformat.BoundedLines;
import net.sf.marineapi.nmea.parser.DataNotAvailableException;
import net.sf.marineapi.nmea.parser.SentenceFactory;
import net.sf.marineapi.nmea.parser.UnsupportedSentenceException;
import net.sf.marineapi.nmea.sentence.DBTSentence;
import net.sf.marineapi.nmea.sentence.DPTSentence;
import net.sf.marineapi.nmea.sentence.DateSentence;
import net.sf.marineapi.nmea.sentence.GGASentence;
import net.sf.marineapi.nmea.sentence.GLLSentence;
import net.sf.marineapi.nmea.sentence.RMCSentence;
import net.sf.marineapi.nmea.sentence.Sentence;
import net.sf.marineapi.nmea.sentence.SentenceValidator;
import net.sf.marineapi.nmea.sentence.TimeSentence;
import net.sf.marineapi.nmea.util.DataStatus;
import net.sf.marineapi.nmea.util.GpsFixQuality;
import org.jspecify.annotations.Nullable;

/** A log of NMEA 0183 sentences: each depth (DBT, DPT) at the last fix before it. Lines that are none, or whose sum is wrong, are passed over. */
final class NmeaLog {

    /** Depths that follow so many lines after a fix lie somewhere else. */
    private static final int MOST_LINES = 30;

    private static final int CENTURY = 2000;

    private final Readings readings = new Readings();
    private @Nullable Position fix;
    private int sinceFix;
    private @Nullable LocalDate date;
    private @Nullable LocalTime time;

    private NmeaLog() {}

    static boolean looksLikeOne(String text) {
        return text.lines()
                        .limit(50)
                        .filter(l -> l.matches("[^$!]{0,40}[$!][A-Z]{5},.*"))
                        .count()
                >= 3;
    }

    static MapFile read(Source file) throws MapFileException {
        NmeaLog log = new NmeaLog();
        try (Reader reader = MapFiles.reader(file)) {
            new BoundedLines(reader).forEachRemaining(log::line);
        } catch (IOException | UncheckedIOException e) {
            throw new MapFileException("the log cannot be read (" + e.getMessage() + "): record it again");
        }
        if (log.readings.isEmpty()) {
            throw new MapFileException(
                    "the log has no depth with a position: expected GGA, RMC or GLL with DBT or DPT; switch both on where it is recorded");
        }
        return new MapFile.Readings("NMEA 0183 log" + log.readings.thinned(), log.readings.kept(), MapFile.Unit.METRES);
    }

    private void line(String line) {
        int from = Math.max(line.indexOf('$'), line.indexOf('!'));
        String sentence = from < 0 ? "" : line.substring(from).strip();
        sinceFix++;
        if (!SentenceValidator.isValid(sentence)) {
            return;
        }
        try {
            take(SentenceFactory.getInstance().createParser(sentence));
        } catch (DataNotAvailableException
                | UnsupportedSentenceException
                | DateTimeException
                | IndexOutOfBoundsException e) {
            // What a sentence leaves open or does not reach to, or what nobody needs here.
        }
    }

    private void take(Sentence sentence) {
        switch (sentence) {
            case RMCSentence rmc -> {
                date(rmc);
                if (rmc.getStatus() == DataStatus.ACTIVE) {
                    fix(rmc.getPosition(), rmc);
                }
            }
            case GGASentence gga -> {
                if (gga.getFixQuality() != GpsFixQuality.INVALID) {
                    fix(gga.getPosition(), gga);
                }
            }
            case GLLSentence gll -> {
                if (gll.getStatus() == DataStatus.ACTIVE) {
                    fix(gll.getPosition(), gll);
                }
            }
            case DPTSentence dpt -> depth(dpt.getDepth());
            case DBTSentence dbt -> depth(dbt.getDepth());
            default -> {}
        }
    }

    private void date(DateSentence sentence) {
        int year = sentence.getDate().getYear();
        date = LocalDate.of(
                year < CENTURY ? year + CENTURY : year,
                sentence.getDate().getMonth(),
                sentence.getDate().getDay());
    }

    private void fix(net.sf.marineapi.nmea.util.Position at, TimeSentence sentence) {
        fix = new Position(at.getLatitude(), at.getLongitude());
        sinceFix = 0;
        time = LocalTime.of(sentence.getTime().getHour(), sentence.getTime().getMinutes(), (int)
                sentence.getTime().getSeconds());
    }

    private void depth(double metres) {
        if (fix != null && sinceFix <= MOST_LINES) {
            Instant at = date == null || time == null ? null : date.atTime(time).toInstant(ZoneOffset.UTC);
            readings.add(new MapFile.Reading(fix, metres, at));
        }
    }
}
