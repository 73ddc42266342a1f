package org.hiddenclerk.core.credentials;

import java.util.Locale;

/**
 * The hardware address of one device: EUI-48 or EUI-64 (IEEE 802).
 *
 * @param digits upper-case hex without separators
 */
public record DeviceAddress(String digits) {
    private static final int SHORT = 12;
    private static final int LONG = 16;

    /** One separator throughout, or none. */
    public static Checked<DeviceAddress> read(String typed) {
        String text = typed.strip();
        boolean colons = text.contains(":");
        if (colons && text.contains("-")) {
            return Checked.bad(Violation.Rule.SEPARATOR, text, "colons or hyphens, not both");
        }
        String digits = text.replaceAll("[:-]", "").toUpperCase(Locale.ROOT);
        for (char each : digits.toCharArray()) {
            if (TypingError.HEX.indexOf(each) < 0) {
                return Checked.bad(Violation.Rule.CHARACTER, "\"" + each + "\"", "0 to 9 and A to F");
            }
        }
        if (digits.length() != SHORT && digits.length() != LONG) {
            return Checked.bad(Violation.Rule.LENGTH, digits.length() / 2 + " octets", "6 or 8");
        }
        if (text.length() != digits.length() && !text.matches("([0-9A-Fa-f]{2}[:-])+[0-9A-Fa-f]{2}")) {
            return Checked.bad(Violation.Rule.SEPARATOR, text, "a separator behind every second digit");
        }
        if ((Integer.parseInt(digits.substring(0, 2), 16) & 1) == 1) {
            return Checked.bad(
                    Violation.Rule.NOT_A_DEVICE,
                    digits.matches("F+") ? "the address of all devices" : "the address of a group",
                    "the address of one device");
        }
        return new Checked.Good<>(new DeviceAddress(digits));
    }

    /** Whether somebody gave it by hand rather than its maker. */
    public boolean isLocal() {
        return (Integer.parseInt(digits.substring(0, 2), 16) & 2) == 2;
    }

    /** The modified EUI-64 of an EUI-48 (RFC 4291, Appendix A), in upper-case hex. */
    public String modified() {
        String first = String.format(Locale.ROOT, "%02X", Integer.parseInt(digits.substring(0, 2), 16) ^ 2);
        return digits.length() == LONG
                ? first + digits.substring(2)
                : first + digits.substring(2, 6) + "FFFE" + digits.substring(6);
    }

    /** Pairs with colons. */
    public String text() {
        return digits.replaceAll("(..)(?!$)", "$1:");
    }
}
