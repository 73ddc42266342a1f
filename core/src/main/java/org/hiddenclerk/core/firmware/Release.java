package org.hiddenclerk.core.firmware;

import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.Set;

/**
 * A version of one line of firmware that can be had.
 *
 * @param kind     modules that it is for
 * @param sha256   of the file, in lower-case hex (FIPS 180-4)
 * @param features what modules can do with it
 */
public record Release(String kind, Version version, String sha256, Set<String> features, String notes) {
    public Release {
        features = Set.copyOf(features);
        if (!sha256.matches("[0-9a-f]{64}")) {
            throw new IllegalArgumentException("A SHA-256 has 64 hex digits, not \"" + sha256 + "\".");
        }
    }

    /** The SHA-256 of a file, in lower-case hex (FIPS 180-4). */
    public static String sumOf(byte[] file) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(file));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every Java platform has SHA-256.", e);
        }
    }

    /** Whether a file is the one of this release. */
    public boolean isOf(byte[] file) {
        return sumOf(file).equals(sha256);
    }
}
