package lochan.instruments.link;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.io.InputStream;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetAddress;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Random;
import java.util.function.BooleanSupplier;
import lochan.core.eventdata.EventData;
import lochan.eventformat.EventFileReader;
import lochan.instruments.nmea.BoatReadings;
import lochan.instruments.scale.ScaleReadings;
import lochan.instruments.standin.DrivenDay;
import lochan.instruments.standin.LineServer;
import lochan.instruments.standin.WeighedFish;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;

/** A boat's instruments and a scale by their stand-ins, well and with faults. */
class DevicesTest {

    private static final Clock CLOCK = Clock.systemUTC();
    private static EventData event;
    private static DrivenDay day;

    @BeforeAll
    static void read() throws Exception {
        try (InputStream in =
                Files.newInputStream(Path.of("../web/src/main/resources/demo/two-arms-open.event.json"))) {
            event = EventFileReader.read(in).data();
        }
        day = new DrivenDay(event, 1);
    }

    private static void until(BooleanSupplier holds) {
        long end = System.nanoTime() + Duration.ofSeconds(20).toNanos();
        while (!holds.getAsBoolean()) {
            assertThat(System.nanoTime()).as("in time").isLessThan(end);
            Thread.onSpinWait();
        }
    }

    @Test
    void theBoatOfTheDayIsReadAsItDrives() {
        BoatReadings readings = new BoatReadings();
        int depths = 0;
        for (Instant t = day.start(); t.isBefore(day.end()); t = t.plusSeconds(20)) {
            for (String s : day.sentences(t)) {
                assertThat(readings.take(s, t)).as(s).isTrue();
            }
            BoatReadings.Now now = readings.now(t);
            assertThat(now.position().metresTo(day.position(t))).as("at " + t).isLessThan(1);
            assertThat(now.speedMps()).isBetween(0.0, 25.0);
            depths += now.depthM() != null && now.depthM() >= 0.9 ? 1 : 0;
        }
        assertThat(depths).isGreaterThan(1000);
        BoatReadings.Now last = readings.now(day.end());
        assertThat(last.windMps())
                .isCloseTo(
                        event.forecast().stream()
                                .filter(f -> f.holds(day.end().minusSeconds(20)))
                                .findFirst()
                                .orElseThrow()
                                .windMps(),
                        within(0.06));
        assertThat(readings.now(day.end().plusSeconds(60)).isEmpty())
                .as("a minute later")
                .isTrue();
        assertThat(readings.soundings()).isPositive();
        String log = readings.log();
        assertThat(log).contains("$SDDPT").contains("$GPRMC").doesNotContain("MTW");
        day.sentences(day.end()).forEach(s -> readings.take(s, day.end()));
        readings.forget((int) log.lines().count());
        assertThat(readings.soundings()).as("what came since").isEqualTo(1);
    }

    @Test
    void rubbishIsPassedOverAndNoJumpIsBelievedAtOnce() {
        BoatReadings readings = new BoatReadings();
        Instant now = day.start().plusSeconds(3600);
        day.sentences(now).forEach(s -> readings.take(s, now));
        BoatReadings.Now before = readings.now(now);
        Random random = new Random(3);
        for (int i = 0; i < 5000; i++) {
            List<String> lines = day.sentences(now);
            StringBuilder spoilt = new StringBuilder(lines.get(random.nextInt(lines.size())));
            for (int k = 0; k <= random.nextInt(3); k++) {
                spoilt.setCharAt(1 + random.nextInt(spoilt.length() - 1), (char) (32 + random.nextInt(95)));
            }
            readings.take(spoilt.substring(0, 1 + random.nextInt(spoilt.length())), now);
        }
        assertThat(readings.now(now).position()).isEqualTo(before.position());
        assertThat(readings.now(now).depthM()).isCloseTo(before.depthM(), within(1e-9));

        readings.take(day.sentences(now).getFirst(), now);
        String jump = new LatitudeChanged(day.sentences(now).getFirst()).sentence();
        readings.take(jump, now.plusSeconds(1));
        assertThat(readings.now(now.plusSeconds(1)).position())
                .as("one fix from elsewhere")
                .isEqualTo(before.position());
        readings.take(jump, now.plusSeconds(2));
        readings.take(jump, now.plusSeconds(3));
        assertThat(readings.now(now.plusSeconds(3)).position().lat())
                .as("three of them")
                .isCloseTo(10.5, within(1e-6));
    }

    /** A sentence at 10° 30' N, with its sum corrected. */
    private record LatitudeChanged(String from) {

        String sentence() {
            String body = from.substring(1, from.indexOf('*')).replaceFirst("\\d{4}\\.\\d{4},N", "1030.0000,N");
            int sum = body.chars().reduce(0, (a, b) -> a ^ b);
            return String.format("$%s*%02X", body, sum);
        }
    }

    @Test
    void aDeviceThatStopsStuttersTalksRubbishAndComesBackIsToldAndHarmsNothing() throws IOException {
        BoatReadings readings = new BoatReadings();
        Instant[] now = {day.start().plusSeconds(3600)};
        LineServer boat = new LineServer(0);
        int port = boat.port();
        try (LineLink link = new LineLink(LineLink.Address.of("tcp:127.0.0.1:" + port), readings::take, CLOCK)) {
            until(() -> boat.clients() == 1);
            assertThat(link.status().state()).isEqualTo(LineLink.State.QUIET);
            for (String s : day.sentences(now[0])) {
                // In pieces, as a slow line brings them.
                boat.raw(s.substring(0, 9));
                boat.raw(s.substring(9) + "\r\n");
            }
            until(() -> link.status().state() == LineLink.State.RECEIVING);
            until(() -> readings.now(CLOCK.instant()).waterTempC() != null);
            for (int i = 0; i < 30; i++) {
                boat.line("#" + "x".repeat(i * 40));
            }
            until(() -> link.status().state() == LineLink.State.RUBBISH);
            boat.line(day.sentences(now[0]).getFirst());
            until(() -> link.status().state() == LineLink.State.RECEIVING);
            boat.hangUp();
            until(() -> boat.clients() == 1);
            boat.line(day.sentences(now[0]).getFirst());
            until(() -> link.status().state() == LineLink.State.RECEIVING);
            boat.stop();
            until(() -> link.status().state() == LineLink.State.AWAY);
            assertThat(link.status().trouble()).isNotNull();
            try (LineServer back = new LineServer(port)) {
                until(() -> back.clients() == 1);
                back.line(day.sentences(now[0]).getFirst());
                until(() -> link.status().state() == LineLink.State.RECEIVING);
            }
        }
    }

    @Test
    void sentencesComeByDatagramsToo() throws IOException {
        int port;
        try (DatagramSocket free = new DatagramSocket(0)) {
            port = free.getLocalPort();
        }
        BoatReadings readings = new BoatReadings();
        try (LineLink link = new LineLink(LineLink.Address.of("udp:" + port), readings::take, CLOCK);
                DatagramSocket sender = new DatagramSocket()) {
            byte[] lines = String.join("\r\n", day.sentences(day.start().plusSeconds(600)))
                    .getBytes(StandardCharsets.US_ASCII);
            until(() -> {
                try {
                    sender.send(new DatagramPacket(lines, lines.length, InetAddress.getLoopbackAddress(), port));
                } catch (IOException e) {
                    throw new IllegalStateException(e);
                }
                return readings.now(CLOCK.instant()).depthM() != null;
            });
            assertThat(link.status().state()).isEqualTo(LineLink.State.RECEIVING);
        }
    }

    @Test
    void eachFishOnTheScaleIsOneWeighing() {
        WeighedFish fish = new WeighedFish(event);
        ScaleReadings scale = new ScaleReadings();
        Instant now = Instant.EPOCH;
        for (int i = 0; i < fish.count(); i++) {
            for (String line : fish.lines(i)) {
                assertThat(scale.take(line, now)).as(line).isTrue();
            }
            assertThat(scale.last().number()).isEqualTo(i + 1);
        }
        ScaleReadings.Weighing last = scale.last();
        for (String rubbish :
                List.of("", "S", "S g", "S 12", "1543 g", "S 1e9 g", "S 99999 kg", "S -400 g", "U 900 g", "\u0000")) {
            scale.take(rubbish, now);
        }
        assertThat(scale.last()).isEqualTo(last);
        scale.take("ST, 3 lb 6.5 oz", now);
        assertThat(scale.last().grams()).isCloseTo(1545.0, within(1.0));
        scale.take("S 3.40 lb", now);
        assertThat(scale.last().number()).as("the same fish in other units").isEqualTo(last.number() + 1);
    }

    @Test
    void anAddressThatIsNoneIsRefused() {
        for (String none : List.of("", "tcp:10110", "udp:x", "http:host:1", "tcp:host:70000", "tcp::5")) {
            assertThatThrownBy(() -> LineLink.Address.of(none))
                    .as(none)
                    .isInstanceOf(IllegalArgumentException.class)
                    .hasMessageContaining("expected tcp:HOST:PORT");
        }
    }
}
