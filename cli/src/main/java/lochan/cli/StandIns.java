package lochan.cli;

import java.io.IOException;
import java.io.PrintStream;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import lochan.core.eventdata.EventData;
import lochan.instruments.standin.DrivenDay;
import lochan.instruments.standin.LineServer;
import lochan.instruments.standin.WeatherService;
import lochan.instruments.standin.WeighedFish;

/** Stand-ins for what is outside, on loopback, until the process must end. */
final class StandIns {

    static final int NMEA_PORT = 10_110;
    static final int SCALE_PORT = 10_111;
    static final int WEATHER_PORT = 10_112;
    private static final long SECOND_MILLIS = 1000;
    private static final long LINE_MILLIS = 400;
    private static final long FISH_SECONDS = 30;

    private final PrintStream out;
    private final CountDownLatch ended = new CountDownLatch(1);

    StandIns(PrintStream out) {
        this.out = out;
    }

    private void say(String words) {
        out.println(words);
        out.flush();
    }

    /** Waits; says whether to go on. */
    private boolean after(long millis) throws IOException {
        try {
            return !ended.await(millis, TimeUnit.MILLISECONDS);
        } catch (InterruptedException e) {
            throw new IOException("ended", e);
        }
    }

    int weather(int port) throws IOException {
        try (WeatherService service = new WeatherService(port, Clock.systemUTC())) {
            say("A made-up weather service answers at " + service.address() + "/periods, /series and /columns");
            while (after(Duration.ofDays(1).toMillis())) {}
        }
        return 0;
    }

    /**
     * A boat that fishes the plan of the first day.
     *
     * @param speed how many seconds of the day pass in each
     */
    int nmea(EventData event, int port, double speed) throws IOException, UsageException {
        DrivenDay day;
        try {
            day = new DrivenDay(event, 1);
        } catch (IllegalArgumentException e) {
            throw new UsageException(e.getMessage() + ": add one under /plans");
        }
        try (LineServer server = new LineServer(port)) {
            say("A boat's instruments speak at tcp:127.0.0.1:" + server.port());
            long begun = System.nanoTime();
            do {
                long passed = (long) ((System.nanoTime() - begun) / 1e6 * speed);
                long whole = Duration.between(day.start(), day.end()).toMillis();
                Instant now = day.start().plusMillis(passed % Math.max(1, whole));
                day.sentences(now).forEach(server::line);
            } while (after(SECOND_MILLIS));
        }
        return 0;
    }

    int scale(EventData event, int port) throws IOException {
        WeighedFish fish = new WeighedFish(event);
        try (LineServer server = new LineServer(port)) {
            say("A scale speaks at tcp:127.0.0.1:" + server.port());
            int next = 0;
            boolean on = true;
            while (on) {
                for (String line : fish.lines(next)) {
                    server.line(line);
                    on = on && after(LINE_MILLIS);
                }
                next++;
                on = on && after(FISH_SECONDS * SECOND_MILLIS);
            }
        }
        return 0;
    }
}
