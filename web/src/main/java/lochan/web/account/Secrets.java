package lochan.web.account;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.HexFormat;
import java.util.Locale;

/** Random secrets that are handed out once, and the hashes by which they are known again. */
final class Secrets {

    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int TOKEN_BYTES = 24;
    /** Letters and digits that are not mistaken for one another. */
    private static final String ALPHABET = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

    private static final int GROUPS = 3;
    private static final int GROUP_LETTERS = 4;

    private Secrets() {}

    /** 192 random bits. */
    static String token() {
        byte[] bytes = new byte[TOKEN_BYTES];
        RANDOM.nextBytes(bytes);
        return HexFormat.of().formatHex(bytes);
    }

    /** A code to be typed from paper, as "7KQM-2RXA-9TWC": 59 random bits. */
    static String code() {
        StringBuilder code = new StringBuilder();
        for (int i = 0; i < GROUPS * GROUP_LETTERS; i++) {
            code.append(i > 0 && i % GROUP_LETTERS == 0 ? "-" : "")
                    .append(ALPHABET.charAt(RANDOM.nextInt(ALPHABET.length())));
        }
        return code.toString();
    }

    /** A code as typed, without what people leave out or add. */
    static String plain(String code) {
        return code.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
    }

    /** SHA-256, 64 hexadecimal digits. Enough for random secrets; passwords are hashed by another function. */
    static String hash(String secret) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(secret.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
