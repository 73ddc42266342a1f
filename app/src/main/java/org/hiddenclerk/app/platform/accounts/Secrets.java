package org.hiddenclerk.app.platform.accounts;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.util.Base64;
import java.util.HexFormat;

/** Texts that open something for whoever holds them: made by chance, and kept as a hash only. */
final class Secrets {
    private static final SecureRandom RANDOM = new SecureRandom();
    private static final int RANDOM_BYTES = 32;

    private Secrets() {}

    /** 256 bits of chance behind a prefix by which it is recognised where it does not belong. */
    static String fresh(String prefix) {
        return prefix + Base64.getUrlEncoder().withoutPadding().encodeToString(bytes(RANDOM_BYTES));
    }

    static byte[] bytes(int count) {
        byte[] bytes = new byte[count];
        RANDOM.nextBytes(bytes);
        return bytes;
    }

    /** SHA-256 is enough: nobody guesses 256 bits, so that nothing slow is needed. */
    static String hash(String text) {
        try {
            return HexFormat.of()
                    .formatHex(MessageDigest.getInstance("SHA-256").digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every Java has SHA-256.", e);
        }
    }
}
