package lochan.eventformat;

import java.io.IOException;
import java.io.Reader;
import java.io.UncheckedIOException;
import java.util.Iterator;
import java.util.NoSuchElementException;
import org.jspecify.annotations.Nullable;

/** The lines of a text, none longer than some characters: a file without line breaks never comes into memory whole. */
public final class BoundedLines implements Iterator<String> {

    /** A row of 2000 depths has room for 250 characters each. */
    private static final int LONGEST = 500_000;

    private final Reader reader;
    private @Nullable String next;
    private int number;
    private boolean ended;

    /** @param reader one that buffers */
    public BoundedLines(Reader reader) {
        this.reader = reader;
        advance();
    }

    @Override
    public boolean hasNext() {
        return next != null;
    }

    /** @throws UncheckedIOException for a line that is too long, or when the text cannot be read */
    @Override
    public String next() {
        if (next == null) {
            throw new NoSuchElementException();
        }
        String line = next;
        advance();
        return line;
    }

    private void advance() {
        try {
            StringBuilder line = new StringBuilder();
            int c = ended ? -1 : reader.read();
            ended = c < 0;
            if (ended) {
                next = null;
                return;
            }
            number++;
            while (c >= 0 && c != '\n') {
                if (line.length() == LONGEST) {
                    throw new IOException("line " + number + " has more than " + LONGEST
                            + " characters: write each row on a line of its own");
                }
                line.append((char) c);
                c = reader.read();
            }
            ended = c < 0;
            int length = line.length();
            next = length > 0 && line.charAt(length - 1) == '\r' ? line.substring(0, length - 1) : line.toString();
        } catch (IOException e) {
            throw new UncheckedIOException(e.getMessage(), e);
        }
    }
}
