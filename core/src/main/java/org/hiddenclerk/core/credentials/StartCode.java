package org.hiddenclerk.core.credentials;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/**
 * The start code of a Z-Wave device, as its square code holds it: digits only. {@code 90}, version, check, requested keys, DSK,
 * then parts of type, length and value; types 00 and 02 are always there. The layout is from memory, the rule of the check
 * reproduces a published example.
 *
 * @param version 0 for secure inclusion by hand, 1 for inclusion from a list
 */
public record StartCode(int version, Set<Key> keys, ZWaveKey key, ProductType type, ProductId product) {
    private static final String LEAD_IN = "90";
    private static final int CHECKED_FROM = 9;
    private static final int DSK_FROM = 12;
    private static final int PARTS_FROM = 52;
    private static final int KEYS_LARGEST = 255;

    /** Keys that a device asks for, by their bit. */
    public enum Key {
        UNAUTHENTICATED(0),
        AUTHENTICATED(1),
        ACCESS_CONTROL(2),
        LEGACY(7);

        private final int bit;

        Key(int bit) {
            this.bit = bit;
        }
    }

    public StartCode {
        keys = Set.copyOf(keys);
    }

    /** What it is, by the alliance's classes. */
    public record ProductType(int deviceClass, int icon) {}

    /** What it is, by its maker. */
    public record ProductId(int manufacturer, int type, int id, int version) {}

    /** Spaces and hyphens are only layout. */
    public static Checked<StartCode> read(String typed) {
        String code = typed.replaceAll("[\\s-]", "");
        if (!code.matches("\\d*")) {
            return Checked.bad(
                    Violation.Rule.CHARACTER, "\"" + code.replaceAll("\\d", "").charAt(0) + "\"", "digits only");
        }
        if (!code.startsWith(LEAD_IN)) {
            return Checked.bad(
                    Violation.Rule.LAYOUT,
                    code.isEmpty() ? "nothing" : code.substring(0, Math.min(2, code.length())),
                    "90 at the beginning");
        }
        if (code.length() < PARTS_FROM) {
            return Checked.bad(Violation.Rule.LENGTH, code.length() + " digits", "at least " + PARTS_FROM);
        }
        if (!isChecked(code)) {
            return new Checked.Bad<>(
                    new Violation(
                            Violation.Rule.CHECKSUM,
                            code.substring(4, CHECKED_FROM),
                            checkOf(code) + " for these digits"),
                    TypingError.of(
                            code,
                            TypingError.DECIMAL,
                            other -> other.startsWith(LEAD_IN)
                                    && isChecked(other)
                                    && parse(other) instanceof Checked.Good<StartCode>));
        }
        return parse(code);
    }

    private static boolean isChecked(String code) {
        return code.substring(4, CHECKED_FROM).equals(checkOf(code));
    }

    /** The first two bytes of SHA-1 over all digits behind the check. */
    private static String checkOf(String code) {
        try {
            byte[] hash = MessageDigest.getInstance("SHA-1")
                    .digest(code.substring(CHECKED_FROM).getBytes(StandardCharsets.US_ASCII));
            return String.format(Locale.ROOT, "%05d", (hash[0] & 0xFF) << 8 | hash[1] & 0xFF);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every Java platform has SHA-1.", e);
        }
    }

    private static Checked<StartCode> parse(String code) {
        int version = Integer.parseInt(code.substring(2, 4));
        if (version > 1) {
            return Checked.bad(Violation.Rule.VERSION, code.substring(2, 4), "00 or 01");
        }
        int bits = Integer.parseInt(code.substring(CHECKED_FROM, DSK_FROM));
        if (bits > KEYS_LARGEST) {
            return Checked.bad(Violation.Rule.GROUP, "keys " + bits, "at most " + KEYS_LARGEST);
        }
        Set<Key> keys = EnumSet.noneOf(Key.class);
        for (Key key : Key.values()) {
            if ((bits >> key.bit & 1) == 1) {
                keys.add(key);
            }
        }
        Checked<ZWaveKey> dsk = ZWaveKey.read(code.substring(DSK_FROM, PARTS_FROM));
        if (dsk instanceof Checked.Bad<ZWaveKey> bad) {
            return new Checked.Bad<>(bad.why(), List.of());
        }
        Map<Integer, String> parts = new LinkedHashMap<>();
        int at = PARTS_FROM;
        while (at < code.length()) {
            int end = at + 4 > code.length()
                    ? Integer.MAX_VALUE
                    : at + 4 + Integer.parseInt(code.substring(at + 2, at + 4));
            if (end > code.length()) {
                return Checked.bad(
                        Violation.Rule.LAYOUT,
                        "a part that begins at digit " + (at + 1) + " and is cut off",
                        "type, length and value");
            }
            parts.put(Integer.parseInt(code.substring(at, at + 2)) >> 1, code.substring(at + 4, end));
            at = end;
        }
        List<String> type = ZWaveKey.inFives(parts.getOrDefault(0, ""));
        List<String> product = ZWaveKey.inFives(parts.getOrDefault(1, ""));
        if (type.size() != 2 || product.size() != 4) {
            return Checked.bad(
                    Violation.Rule.LAYOUT, parts.size() + " parts", "product type (0010) and product id (0220)");
        }
        return dsk.map(key -> new StartCode(
                version,
                keys,
                key,
                new ProductType(number(type, 0), number(type, 1)),
                new ProductId(number(product, 0), number(product, 1), number(product, 2), number(product, 3))));
    }

    private static int number(List<String> fives, int index) {
        return Integer.parseInt(fives.get(index));
    }
}
