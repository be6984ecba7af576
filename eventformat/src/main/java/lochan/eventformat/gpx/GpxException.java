package lochan.eventformat.gpx;

/** A file isn't a track; the message says where and what was expected. */
public final class GpxException extends Exception {

    private static final long serialVersionUID = 1L;

    GpxException(String message) {
        super(message);
    }
}
