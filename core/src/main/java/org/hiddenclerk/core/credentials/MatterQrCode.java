package org.hiddenclerk.core.credentials;

import java.math.BigInteger;
import java.util.Locale;

/**
 * What the square code of a Matter device says: {@code MT:} and 88 bits in base 38 (Matter Core Specification, 5.1). Parts that may
 * follow are kept off.
 *
 * @param flow          0 standard, 1 by the user's deed, 2 by the maker's own way
 * @param capabilities  bits of the ways in which it can be found: 1 its own access point, 2 Bluetooth, 4 on the network
 * @param discriminator 12 bits
 */
public record MatterQrCode(
        int version, int vendor, int product, int flow, int capabilities, int discriminator, int passcode) {
    private static final String PREFIX = "MT:";
    private static final String ALPHABET = "0123456789ABCDEFGHIJKLMNOPQRSTUVWXYZ-.";
    private static final int BASE = 38;
    private static final int BYTES = 11;
    private static final int[] WIDTHS = {3, 16, 16, 2, 8, 12, 27, 4};

    /** Letter case counts; the alphabet has no lower case. */
    public static Checked<MatterQrCode> read(String typed) {
        String text = typed.strip();
        if (!text.startsWith(PREFIX)) {
            return Checked.bad(
                    Violation.Rule.LAYOUT, text.substring(0, Math.min(3, text.length())), PREFIX + " at the beginning");
        }
        String digits = text.substring(PREFIX.length());
        for (int i = 0; i < digits.length(); i++) {
            if (ALPHABET.indexOf(digits.charAt(i)) < 0) {
                return Checked.bad(
                        Violation.Rule.CHARACTER,
                        "\"" + digits.charAt(i) + "\"",
                        "0 to 9, A to Z, hyphen and point; no lower case");
            }
        }
        BigInteger bits = BigInteger.ZERO;
        int bytes = 0;
        for (int at = 0; at < digits.length(); at += 5) {
            String group = digits.substring(at, Math.min(at + 5, digits.length()));
            int taken =
                    switch (group.length()) {
                        case 5 -> 3;
                        case 4 -> 2;
                        case 2 -> 1;
                        default -> 0;
                    };
            long value = 0;
            for (int i = group.length() - 1; i >= 0; i--) {
                value = value * BASE + ALPHABET.indexOf(group.charAt(i));
            }
            if (taken == 0) {
                return Checked.bad(
                        Violation.Rule.LENGTH, digits.length() + " characters", "groups of 5, and 4 or 2 at the end");
            }
            if (value >= 1L << 8 * taken) {
                return Checked.bad(Violation.Rule.GROUP, group, "at most " + 8 * taken + " bits");
            }
            bits = bits.or(BigInteger.valueOf(value).shiftLeft(8 * bytes));
            bytes += taken;
        }
        if (bytes < BYTES) {
            return Checked.bad(Violation.Rule.LENGTH, digits.length() + " characters", "19 or more behind " + PREFIX);
        }
        int[] fields = new int[WIDTHS.length];
        int at = 0;
        for (int i = 0; i < WIDTHS.length; i++) {
            fields[i] = bits.shiftRight(at).intValue() & (1 << WIDTHS[i]) - 1;
            at += WIDTHS[i];
        }
        return judged(fields);
    }

    private static Checked<MatterQrCode> judged(int[] fields) {
        if (fields[0] != 0) {
            return Checked.bad(Violation.Rule.VERSION, String.valueOf(fields[0]), "0");
        }
        if (fields[3] > 2) {
            return Checked.bad(Violation.Rule.GROUP, "flow " + fields[3], "0, 1 or 2");
        }
        if (fields[7] != 0) {
            return Checked.bad(Violation.Rule.LAYOUT, "padding " + fields[7], "zero");
        }
        if (!Passcodes.isAllowed(fields[6])) {
            return Checked.bad(
                    Violation.Rule.FORBIDDEN,
                    "passcode " + String.format(Locale.ROOT, "%08d", fields[6]),
                    "1 to 99999998, and none that " + "everybody tries");
        }
        return new Checked.Good<>(
                new MatterQrCode(fields[0], fields[1], fields[2], fields[3], fields[4], fields[5], fields[6]));
    }

    /** The text of its square code. */
    public String text() {
        int[] fields = {version, vendor, product, flow, capabilities, discriminator, passcode, 0};
        BigInteger bits = BigInteger.ZERO;
        int at = 0;
        for (int i = 0; i < fields.length; i++) {
            bits = bits.or(BigInteger.valueOf(fields[i]).shiftLeft(at));
            at += WIDTHS[i];
        }
        StringBuilder text = new StringBuilder(PREFIX);
        for (int done = 0; done < BYTES; done += 3) {
            int taken = Math.min(3, BYTES - done);
            long value = bits.shiftRight(8 * done).longValue() & (1L << 8 * taken) - 1;
            for (int i = 0; i < (taken == 3 ? 5 : taken * 2); i++) {
                text.append(ALPHABET.charAt((int) (value % BASE)));
                value /= BASE;
            }
        }
        return text.toString();
    }

    /** What can be typed instead: with vendor and product where the flow asks for it. */
    public MatterManualCode manual() {
        return new MatterManualCode(
                discriminator >> 8,
                passcode,
                flow == 0
                        ? java.util.Optional.empty()
                        : java.util.Optional.of(new MatterManualCode.Product(vendor, product)));
    }
}
