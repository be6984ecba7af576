package lochan.instruments.link;

import java.io.IOException;
import java.io.InputStream;
import java.net.DatagramPacket;
import java.net.DatagramSocket;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.net.SocketTimeoutException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.function.BiPredicate;
import org.jspecify.annotations.Nullable;

/**
 * A device that sends lines of text: at an address over TCP, which is connected to again and again, or to a port over
 * UDP. Whatever it does, it is reported by its
 * {@link Status} and nothing else: it may stop, stutter, send rubbish, and come back.
 */
public final class LineLink implements AutoCloseable {

    /** Longer lines are none. */
    private static final int LONGEST_LINE = 400;

    private static final int LARGEST_DATAGRAM = 4096;
    private static final int LARGEST_PORT = 65_535;
    private static final Duration CONNECT = Duration.ofSeconds(3);
    private static final int READ_MILLIS = 500;
    private static final long FIRST_WAIT_MILLIS = 500;
    private static final long LONGEST_WAIT_MILLIS = 15_000;
    /** Without a good line for so long, a device is quiet. */
    private static final Duration QUIET = Duration.ofSeconds(10);

    private static final int RUBBISH_LINES = 10;

    private final Address address;
    private final BiPredicate<String, Instant> lines;
    private final Clock clock;
    private final CountDownLatch closed = new CountDownLatch(1);
    private final Thread thread;
    private volatile boolean connected;
    private volatile @Nullable String trouble;
    private volatile @Nullable Instant lastGood;
    private volatile int badInARow;
    private long goodLines;

    /**
     * Where a device is.
     *
     * @param host null: it sends to the port over UDP
     */
    public record Address(@Nullable String host, int port) {

        /**
         * Reads an address as {@code tcp:HOST:PORT} or {@code udp:PORT}.
         *
         * @throws IllegalArgumentException when it is none, in words
         */
        public static Address of(String text) {
            String[] parts = text.strip().split(":");
            boolean tcp = parts.length == 3 && parts[0].equals("tcp") && !parts[1].isBlank();
            boolean udp = parts.length == 2 && parts[0].equals("udp");
            String port = parts[parts.length - 1];
            if ((!tcp && !udp) || !port.matches("\\d{1,5}") || Integer.parseInt(port) > LARGEST_PORT) {
                throw new IllegalArgumentException("“" + text + "”: expected tcp:HOST:PORT or udp:PORT");
            }
            return new Address(tcp ? parts[1] : null, Integer.parseInt(port));
        }

        @Override
        public String toString() {
            return host == null ? "udp:" + port : "tcp:" + host + ":" + port;
        }
    }

    /** How it goes with a device. */
    public enum State {
        /** It cannot be reached, or went away. */
        AWAY,
        /** It is there and says nothing. */
        QUIET,
        /** Its message is not understood. */
        RUBBISH,
        RECEIVING
    }

    /**
     * How it goes.
     *
     * @param trouble  why it cannot be reached; null: it can, or nothing is known
     * @param lastGood when it last said something; null: never
     */
    public record Status(
            String address,
            State state,
            @Nullable String trouble,
            @Nullable Instant lastGood) {}

    /** @param lines takes each line with its time, and says whether it was understood */
    public LineLink(Address address, BiPredicate<String, Instant> lines, Clock clock) {
        this.address = address;
        this.lines = lines;
        this.clock = clock;
        this.thread = Thread.ofVirtual().name("device " + address).start(this::run);
    }

    public Status status() {
        Instant good = lastGood;
        boolean fresh = good != null && Duration.between(good, clock.instant()).compareTo(QUIET) < 0;
        State state = !connected
                ? State.AWAY
                : badInARow >= RUBBISH_LINES ? State.RUBBISH : fresh ? State.RECEIVING : State.QUIET;
        return new Status(address.toString(), state, connected ? null : trouble, good);
    }

    private void run() {
        long wait = FIRST_WAIT_MILLIS;
        while (closed.getCount() > 0) {
            long before = goodLines;
            try {
                if (address.host() == null) {
                    listen();
                } else {
                    connect(address.host());
                }
                trouble = "it ended the connection";
            } catch (IOException e) {
                trouble = e instanceof SocketTimeoutException ? "no answer" : String.valueOf(e.getMessage());
            }
            connected = false;
            wait = goodLines > before ? FIRST_WAIT_MILLIS : Math.min(2 * wait, LONGEST_WAIT_MILLIS);
            try {
                if (closed.await(wait, TimeUnit.MILLISECONDS)) {
                    return;
                }
            } catch (InterruptedException e) {
                return;
            }
        }
    }

    private void connect(String host) throws IOException {
        try (Socket socket = new Socket()) {
            socket.connect(new InetSocketAddress(host, address.port()), (int) CONNECT.toMillis());
            socket.setSoTimeout(READ_MILLIS);
            connected = true;
            badInARow = 0;
            Lines into = new Lines();
            InputStream in = socket.getInputStream();
            byte[] bytes = new byte[LARGEST_DATAGRAM];
            while (closed.getCount() > 0) {
                try {
                    int count = in.read(bytes);
                    if (count < 0) {
                        return;
                    }
                    into.add(bytes, count);
                } catch (SocketTimeoutException e) {
                    // It says nothing for the moment: the status tells after a while.
                }
            }
        }
    }

    private void listen() throws IOException {
        try (DatagramSocket socket = new DatagramSocket(address.port())) {
            socket.setSoTimeout(READ_MILLIS);
            connected = true;
            byte[] bytes = new byte[LARGEST_DATAGRAM];
            while (closed.getCount() > 0) {
                DatagramPacket packet = new DatagramPacket(bytes, bytes.length);
                try {
                    socket.receive(packet);
                    // Each datagram has whole lines.
                    Lines into = new Lines();
                    into.add(bytes, packet.getLength());
                    into.end();
                } catch (SocketTimeoutException e) {
                    // As above.
                }
            }
        }
    }

    /** Lines put together from what comes, in whatever pieces. */
    private final class Lines {

        private final StringBuilder line = new StringBuilder();
        private boolean tooLong;

        void add(byte[] bytes, int count) {
            String text = new String(bytes, 0, count, StandardCharsets.ISO_8859_1);
            for (int i = 0; i < text.length(); i++) {
                char c = text.charAt(i);
                if (c == '\n' || c == '\r') {
                    end();
                } else if (line.length() < LONGEST_LINE) {
                    line.append(c);
                } else {
                    tooLong = true;
                }
            }
        }

        void end() {
            if (!line.isEmpty()) {
                Instant now = clock.instant();
                if (!tooLong && lines.test(line.toString(), now)) {
                    lastGood = now;
                    badInARow = 0;
                    goodLines++;
                } else {
                    badInARow = Math.min(badInARow + 1, 2 * RUBBISH_LINES);
                }
            }
            line.setLength(0);
            tooLong = false;
        }
    }

    @Override
    public void close() {
        closed.countDown();
        thread.interrupt();
        try {
            thread.join(CONNECT);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
