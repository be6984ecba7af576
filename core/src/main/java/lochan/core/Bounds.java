package lochan.core;

import java.util.Map;

/**
 * How much may come in from outside, whatever way it comes. Everything that reads a request, a file or an answer of a service takes its bounds
 * from here, before it allocates anything for it.
 */
public final class Bounds {

    /** Of an uploaded file. */
    public static final long UPLOAD_BYTES = 50_000_000;
    /** Of a form, and of what scripts and phones send, by those who are signed in. */
    public static final long FORM_BYTES = 1_000_000;
    /** Of a form that anybody may send. */
    public static final long PUBLIC_FORM_BYTES = 16_000;
    /** From the first byte of a form to its last. */
    public static final int FORM_SECONDS = 30;
    /** Of all files that a zip unpacks to. */
    public static final long UNPACKED_BYTES = 200_000_000;

    public static final int ZIP_FILES = 200;
    /** Of an answer of a service. */
    public static final int ANSWER_BYTES = 4_000_000;

    public static final int ANSWER_SECONDS = 15;

    /** Of one event: a lake fished for years has some hundred spots, a season some thousand stops. */
    private static final Map<String, Integer> OF_A_LIST = Map.of(
            "spots", 2_000,
            "presentations", 300,
            "waypoints", 20_000,
            "stops", 10_000,
            "plans", 200,
            "forecast", 5_000,
            "competition", 20_000,
            "runs", 20_000);

    private static final int OF_ANOTHER_LIST = 20_000;

    /** Beyond the first bytes, what is unpacked may be so many times what was packed: grids that are mostly land come near it. */
    private static final int UNPACKED_TIMES = 200;

    private static final long FREELY_UNPACKED = 5_000_000;
    /** What one file may take of the heap while it is read; one is read at a time. */
    private static final double SHARE_OF_HEAP = 0.3;

    private Bounds() {}

    /** Returns the bytes that one file may take in memory while it is read, by the heap there is. */
    public static long workBytes() {
        return (long) (SHARE_OF_HEAP * Runtime.getRuntime().maxMemory());
    }

    /** Returns how many things of a size may be held while a file is read, and no more than a number. */
    public static int most(int bytesEach, int most) {
        return (int) Math.min(most, workBytes() / bytesEach);
    }

    /** Returns how many elements a list of an event's file may have, by its name there. */
    public static int ofList(String name) {
        return OF_A_LIST.getOrDefault(name, OF_ANOTHER_LIST);
    }

    /** Returns how many bytes may come out of so many packed ones. */
    public static long unpacked(long packed) {
        return Math.min(UNPACKED_BYTES, Math.max(FREELY_UNPACKED, UNPACKED_TIMES * Math.max(0, packed)));
    }
}
