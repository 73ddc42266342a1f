package org.hiddenclerk.core.credentials;

import java.util.Locale;
import java.util.Optional;

/**
 * The manual code of a Matter device: 11 digits, or 21 with vendor and product (Matter Core Specification, 5.1).
 *
 * @param shortDiscriminator the top four bits of the discriminator; it cannot tell devices apart that share them
 */
public record MatterManualCode(int shortDiscriminator, int passcode, Optional<Product> product) {
    private static final int SHORT = 11;
    private static final int LONG = 21;
    private static final int LOW_BITS = 14;
    private static final int LARGEST_ID = 0xFFFF;

    /** Who made what. */
    public record Product(int vendor, int product) {}

    /** Hyphens and spaces are only layout. */
    public static Checked<MatterManualCode> read(String typed) {
        String code = typed.replaceAll("[\\s-]", "");
        if (!code.matches("\\d*")) {
            return Checked.bad(
                    Violation.Rule.CHARACTER, "\"" + code.replaceAll("\\d", "").charAt(0) + "\"", "digits only");
        }
        if (code.length() != SHORT && code.length() != LONG) {
            return Checked.bad(Violation.Rule.LENGTH, code.length() + " digits", SHORT + " or " + LONG);
        }
        if (code.charAt(0) > '7') {
            return Checked.bad(Violation.Rule.LAYOUT, "first digit " + code.charAt(0), "0 to 7");
        }
        boolean isLong = (code.charAt(0) - '0' & 4) != 0;
        if (isLong != (code.length() == LONG)) {
            return Checked.bad(
                    Violation.Rule.LENGTH,
                    code.length() + " digits",
                    "the first digit says " + (isLong ? LONG : SHORT));
        }
        if (!Verhoeff.isRight(code)) {
            return new Checked.Bad<>(
                    new Violation(
                            Violation.Rule.CHECKSUM,
                            "last digit " + code.charAt(code.length() - 1),
                            Verhoeff.checkDigit(code.substring(0, code.length() - 1)) + " for these digits"),
                    TypingError.of(
                            code,
                            TypingError.DECIMAL,
                            other -> Verhoeff.isRight(other)
                                    && (other.charAt(0) - '0' & 4) != 0 == isLong
                                    && other.charAt(0) <= '7'
                                    && parse(other) instanceof Checked.Good<MatterManualCode>));
        }
        return parse(code);
    }

    private static Checked<MatterManualCode> parse(String code) {
        int middle = Integer.parseInt(code.substring(1, 6));
        int high = Integer.parseInt(code.substring(6, 10));
        if (middle > LARGEST_ID || high >= 1 << 13) {
            return Checked.bad(
                    Violation.Rule.GROUP,
                    middle > LARGEST_ID ? "digits 2 to 6, " + middle : "digits 7 to 10, " + high,
                    "at most " + (middle > LARGEST_ID ? LARGEST_ID : (1 << 13) - 1));
        }
        int discriminator = (code.charAt(0) - '0' & 3) << 2 | middle >> LOW_BITS;
        long passcode = (long) high << LOW_BITS | middle & (1 << LOW_BITS) - 1;
        if (!Passcodes.isAllowed(passcode)) {
            return Checked.bad(
                    Violation.Rule.FORBIDDEN,
                    "passcode " + String.format(Locale.ROOT, "%08d", passcode),
                    "1 to 99999998, and none that " + "everybody tries");
        }
        Optional<Product> product = Optional.empty();
        if (code.length() == LONG) {
            int vendor = Integer.parseInt(code.substring(10, 15));
            int number = Integer.parseInt(code.substring(15, 20));
            if (vendor > LARGEST_ID || number > LARGEST_ID) {
                return Checked.bad(
                        Violation.Rule.GROUP, "vendor " + vendor + ", product " + number, "at most " + LARGEST_ID);
            }
            product = Optional.of(new Product(vendor, number));
        }
        return new Checked.Good<>(new MatterManualCode(discriminator, (int) passcode, product));
    }

    /** The digits without layout. */
    public String code() {
        String body = String.format(
                        Locale.ROOT,
                        "%d%05d%04d",
                        (product.isPresent() ? 4 : 0) | shortDiscriminator >> 2,
                        (shortDiscriminator & 3) << LOW_BITS | passcode & (1 << LOW_BITS) - 1,
                        passcode >> LOW_BITS)
                + product.map(p -> String.format(Locale.ROOT, "%05d%05d", p.vendor(), p.product()))
                        .orElse("");
        return body + Verhoeff.checkDigit(body);
    }
}
