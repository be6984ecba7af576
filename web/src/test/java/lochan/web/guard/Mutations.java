package lochan.web.guard;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;

/** Spoils texts of any kind, always in the same way for the same seed. */
final class Mutations {

    private static final String LONG = "x".repeat(12_000);

    /** What has broken programs before: sizes, signs, times, characters and shapes that nobody types. */
    private static final List<String> NASTY = List.of(
            "1e999999999",
            "-1e400",
            "9".repeat(400),
            "-0",
            "1e-400",
            "NaN",
            "Infinity",
            "0",
            "-1",
            "2147483648",
            "0.000000000000001",
            "1e9",
            "null",
            "true",
            "[]",
            "{}",
            "[[[[[[[[[[[[[[[[]]]]]]]]]]]]]]]]",
            "\"\"",
            "\" \"",
            "\"a \"",
            "\"\\ud800\"",
            "\"\\u0000\\u0007\\u202e\"",
            "\"+999999999-12-31T23:59:59Z\"",
            "\"-999999999-01-01T00:00:00Z\"",
            "\"9999-12-31T23:59:59+18:00\"",
            "\"0000-01-01\"",
            "\"<script>alert(1)</script>\"",
            "\"${7*7}\"",
            "\"' OR 1=1 --\"",
            "\"../../etc/passwd\"",
            "\"" + LONG + "\"",
            "\"🎣\"",
            "\"\\n\\n\"",
            "=1+1",
            "&amp;",
            "]]>",
            "\t");

    private static final Pattern VALUE = Pattern.compile(
            "\"[^\"\\\\]*+(?:\\\\.[^\"\\\\]*+)*+\"|-?\\d+(?:\\.\\d+)?(?:[eE][-+]?\\d+)?|true|false|null|[A-Za-z]+");

    private final Random random;

    Mutations(Random random) {
        this.random = random;
    }

    String nasty() {
        return NASTY.get(random.nextInt(NASTY.size()));
    }

    /** A value as a form's field carries it. */
    String nastyField() {
        return nasty().replaceAll("^\"|\"$", "")
                .replace("\\u0000", "\u0000")
                .replace("\\u0007", "\u0007")
                .replace("\\u202e", "\u202e")
                .replace("\\ud800", "\ud800");
    }

    /** A text with one to four places spoilt. */
    byte[] spoilt(String text) {
        String spoilt = text;
        for (int i = 1 + random.nextInt(4); i > 0; i--) {
            spoilt = once(spoilt);
        }
        byte[] bytes = spoilt.getBytes(StandardCharsets.UTF_8);
        if (random.nextInt(8) == 0 && bytes.length > 0) {
            bytes[random.nextInt(bytes.length)] = (byte) random.nextInt(256);
        }
        return bytes;
    }

    private String once(String text) {
        int length = text.length();
        if (length < 2) {
            return nasty();
        }
        int at = random.nextInt(length);
        int to = Math.min(length, at + 1 + random.nextInt(60));
        return switch (random.nextInt(10)) {
            case 0 -> text.substring(0, at) + text.substring(to);
            case 1 -> text.substring(0, to) + text.substring(at, to) + text.substring(to);
            case 2 -> text.substring(0, at);
            case 3 -> text.substring(0, at) + nasty() + text.substring(at);
            default -> value(text);
        };
    }

    /** One value in the place of another, of the same text or a nasty one. */
    private String value(String text) {
        List<MatchResult> values = new ArrayList<>(VALUE.matcher(text).results().toList());
        if (values.isEmpty()) {
            return text + nasty();
        }
        MatchResult one = values.get(random.nextInt(values.size()));
        String other = random.nextInt(3) == 0
                ? values.get(random.nextInt(values.size())).group()
                : nasty();
        return text.substring(0, one.start()) + other + text.substring(one.end());
    }
}
