package lochan.core.quantity;

/** Numbers of things in words. */
public final class Count {

    private Count() {}

    /** As "1 bite" and "3 bites". */
    public static String of(long number, String thing) {
        return number + " " + thing + (number == 1 ? "" : "s");
    }
}
