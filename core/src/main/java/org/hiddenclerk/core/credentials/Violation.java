package org.hiddenclerk.core.credentials;

/**
 * A rule that a typed credential breaks.
 *
 * @param found    what stands there
 * @param expected what the rule asks for
 */
public record Violation(Rule rule, String found, String expected) {
    /** Rules of codes, addresses and networks. */
    public enum Rule {
        LENGTH("wrong length"),
        CHARACTER("a character that cannot be"),
        SEPARATOR("separators are mixed"),
        CHECKSUM("the check does not come out"),
        GROUP("a group is out of range"),
        VERSION("an unknown version"),
        FORBIDDEN("never allowed"),
        LAYOUT("a part is missing or out of place"),
        NOT_A_DEVICE("no address of a single device");

        private final String words;

        Rule(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    @Override
    public String toString() {
        return rule.words() + ": " + found + "; wanted is " + expected;
    }
}
