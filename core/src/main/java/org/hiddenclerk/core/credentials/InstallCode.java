package org.hiddenclerk.core.credentials;

import java.security.GeneralSecurityException;
import java.util.Arrays;
import java.util.HexFormat;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import javax.crypto.Cipher;
import javax.crypto.spec.SecretKeySpec;

/**
 * An install code of a Zigbee device: 6, 8, 12 or 16 bytes and their CRC-16/X-25, low byte first (Zigbee Base Device Behaviour,
 * 10.1). The link key is its AES-MMO hash (Zigbee specification, C.5).
 *
 * @param code code and check in upper-case hex, without layout
 */
public record InstallCode(String code) {
    private static final Set<Integer> LENGTHS = Set.of(6, 8, 12, 16);
    private static final int CRC_BYTES = 2;
    private static final int BLOCK = 16;
    private static final HexFormat HEX = HexFormat.of().withUpperCase();

    /** Spaces, hyphens and lower case are only layout. */
    public static Checked<InstallCode> read(String typed) {
        String code = typed.replaceAll("[\\s-]", "").toUpperCase(Locale.ROOT);
        for (int i = 0; i < code.length(); i++) {
            if (TypingError.HEX.indexOf(code.charAt(i)) < 0) {
                return Checked.bad(
                        Violation.Rule.CHARACTER,
                        "\"" + code.charAt(i) + "\" at digit " + (i + 1),
                        "0 to 9 and A to F; there is no " + "letter O");
            }
        }
        int bytes = code.length() / 2 - CRC_BYTES;
        if (code.length() % 2 != 0 || !LENGTHS.contains(bytes)) {
            return Checked.bad(
                    Violation.Rule.LENGTH,
                    code.length() + " digits",
                    "16, 20, 28 or 36 digits: 6, 8, 12 or 16 bytes and two of check");
        }
        if (isRight(code)) {
            return new Checked.Good<>(new InstallCode(code));
        }
        List<TypingError> slips =
                new java.util.ArrayList<>(TypingError.of(code, TypingError.HEX, InstallCode::isRight));
        String swapped = code.substring(0, code.length() - 4)
                + code.substring(code.length() - 2)
                + code.substring(code.length() - 4, code.length() - 2);
        if (isRight(swapped)) {
            slips.add(
                    0,
                    new TypingError(
                            swapped, "the two bytes of the check are the other way round: the low byte comes first"));
        }
        return new Checked.Bad<>(
                new Violation(
                        Violation.Rule.CHECKSUM, code.substring(code.length() - 4), "another check for these digits"),
                slips);
    }

    private static boolean isRight(String code) {
        byte[] all = HEX.parseHex(code);
        int crc = crc(Arrays.copyOf(all, all.length - CRC_BYTES));
        return (all[all.length - 2] & 0xFF) == (crc & 0xFF) && (all[all.length - 1] & 0xFF) == crc >> 8;
    }

    /** CRC-16/X-25: polynomial 0x1021 reflected, 0xFFFF before and after. */
    static int crc(byte[] bytes) {
        int crc = 0xFFFF;
        for (byte each : bytes) {
            crc ^= each & 0xFF;
            for (int bit = 0; bit < 8; bit++) {
                crc = (crc & 1) == 0 ? crc >> 1 : crc >> 1 ^ 0x8408;
            }
        }
        return crc ^ 0xFFFF;
    }

    /** The key that the network derives from it, in upper-case hex. */
    public String linkKey() {
        return HEX.formatHex(aesMmo(HEX.parseHex(code)));
    }

    /** The Matyas-Meyer-Oseas hash with AES-128; messages below 8 KiB. */
    static byte[] aesMmo(byte[] message) {
        int blocks = (message.length + 1 + 2 + BLOCK - 1) / BLOCK;
        byte[] padded = Arrays.copyOf(message, blocks * BLOCK);
        padded[message.length] = (byte) 0x80;
        padded[padded.length - 2] = (byte) (message.length * 8 >> 8);
        padded[padded.length - 1] = (byte) (message.length * 8);
        byte[] hash = new byte[BLOCK];
        try {
            for (int at = 0; at < padded.length; at += BLOCK) {
                byte[] block = Arrays.copyOfRange(padded, at, at + BLOCK);
                // The hash is defined by single blocks; no data is kept secret by this mode.
                Cipher cipher = Cipher.getInstance("AES/ECB/NoPadding");
                cipher.init(Cipher.ENCRYPT_MODE, new SecretKeySpec(hash, "AES"));
                byte[] next = cipher.doFinal(block);
                for (int i = 0; i < BLOCK; i++) {
                    hash[i] = (byte) (next[i] ^ block[i]);
                }
            }
        } catch (GeneralSecurityException e) {
            throw new IllegalStateException("Impossible state: every Java platform has AES with 128 bits.", e);
        }
        return hash;
    }
}
