package org.hiddenclerk.core.credentials;

import java.util.ArrayList;
import java.util.List;
import java.util.function.Predicate;

/**
 * A slip of the hand that would explain a code whose check does not come out.
 *
 * @param corrected the code without it
 * @param words     where it is, and what would stand there
 */
public record TypingError(String corrected, String words) {
    static final String DECIMAL = "0123456789";
    static final String HEX = "0123456789ABCDEF";

    /**
     * Every single wrong digit and every pair of neighbours the wrong way round that would make a code right.
     *
     * @param digits which characters may stand in it
     * @param right  tells a right code
     */
    static List<TypingError> of(String code, String digits, Predicate<String> right) {
        List<TypingError> slips = new ArrayList<>();
        for (int at = 0; at < code.length(); at++) {
            for (char digit : digits.toCharArray()) {
                String other = code.substring(0, at) + digit + code.substring(at + 1);
                if (digit != code.charAt(at) && right.test(other)) {
                    slips.add(
                            new TypingError(other, "digit " + (at + 1) + " is " + digit + ", not " + code.charAt(at)));
                }
            }
        }
        for (int at = 0; at + 1 < code.length(); at++) {
            String other = code.substring(0, at) + code.charAt(at + 1) + code.charAt(at) + code.substring(at + 2);
            if (!other.equals(code) && right.test(other)) {
                slips.add(
                        new TypingError(other, "digits " + (at + 1) + " and " + (at + 2) + " are the other way round"));
            }
        }
        return slips;
    }
}
