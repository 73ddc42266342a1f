package org.hiddenclerk.core.credentials;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * The device-specific key of a Z-Wave device: 16 bytes as eight groups of five decimal digits.
 *
 * @param groups each 0 to 65 535
 */
public record ZWaveKey(List<Integer> groups) {
    static final int GROUPS = 8;
    static final int DIGITS = 5;
    private static final int LARGEST = 65_535;

    public ZWaveKey {
        groups = List.copyOf(groups);
    }

    /** Groups separated by hyphens or spaces, with or without "DSK" before them, or 40 digits in a row. */
    public static Checked<ZWaveKey> read(String typed) {
        String text = typed.strip().replaceFirst("(?i)^DSK[\\s:]*", "").strip();
        List<String> parts =
                text.matches("\\d{" + GROUPS * DIGITS + "}") ? inFives(text) : List.of(text.split("[\\s-]+"));
        for (String part : parts) {
            if (!part.matches("\\d+")) {
                return Checked.bad(Violation.Rule.CHARACTER, "\"" + part + "\"", "digits only");
            }
        }
        if (parts.size() != GROUPS) {
            return Checked.bad(
                    Violation.Rule.LENGTH, parts.size() + " groups", GROUPS + " groups of " + DIGITS + " digits");
        }
        List<Integer> groups = new ArrayList<>();
        for (int i = 0; i < GROUPS; i++) {
            if (parts.get(i).length() != DIGITS) {
                return Checked.bad(Violation.Rule.LENGTH, "group " + (i + 1) + ", " + parts.get(i), DIGITS + " digits");
            }
            int group = Integer.parseInt(parts.get(i));
            if (group > LARGEST) {
                return Checked.bad(Violation.Rule.GROUP, "group " + (i + 1) + ", " + group, "at most " + LARGEST);
            }
            groups.add(group);
        }
        return new Checked.Good<>(new ZWaveKey(groups));
    }

    static List<String> inFives(String digits) {
        List<String> fives = new ArrayList<>();
        for (int at = 0; at + DIGITS <= digits.length(); at += DIGITS) {
            fives.add(digits.substring(at, at + DIGITS));
        }
        return fives;
    }

    /** The part that is asked for by hand: the first group. */
    public String pin() {
        return five(groups.get(0));
    }

    /** Eight groups with hyphens. */
    public String text() {
        return String.join("-", groups.stream().map(ZWaveKey::five).toList());
    }

    private static String five(int group) {
        return String.format(Locale.ROOT, "%05d", group);
    }
}
