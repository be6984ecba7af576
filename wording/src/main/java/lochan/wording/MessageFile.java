package lochan.wording;

import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Properties;

/** Reads one message file. The phone's modules have its messages compiled in: see {@link PhoneMessages}. */
final class MessageFile {

    private MessageFile() {}

    /**
     * Returns the messages of a file by their keys, without the file's name.
     *
     * @throws IllegalArgumentException when there is no such file
     */
    static Map<String, String> read(String file) {
        Properties messages = new Properties();
        try (InputStream in = MessageFile.class.getResourceAsStream("/messages/" + file + ".properties")) {
            if (in == null) {
                throw new IllegalArgumentException("no message file " + file + ".properties");
            }
            messages.load(new InputStreamReader(in, StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        Map<String, String> read = new HashMap<>();
        messages.stringPropertyNames().forEach(key -> read.put(key, messages.getProperty(key)));
        return read;
    }
}
