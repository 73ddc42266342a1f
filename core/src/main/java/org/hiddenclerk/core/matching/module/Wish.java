package org.hiddenclerk.core.matching.module;

/**
 * What the household or the firm wants of every module of a house.
 *
 * @param must   whether a module that does not meet it is held back; otherwise it is said, and costs in the whole-house choice
 * @param detail the protocol or the feature of the firmware; empty for the others
 */
public record Wish(Kind kind, boolean must, String detail) {

    /** Kinds of wishes. */
    public enum Kind {
        PROTOCOL("it talks"),
        WITHOUT_INTERNET("it works without internet"),
        METERING("it measures what it switches"),
        KEEP_PLATES("plates and mechanisms stay"),
        UNNOTICED("every wall switch still works"),
        FIRMWARE_FEATURE("its firmware has");

        private final String label;

        Kind(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public String words() {
        return detail.isEmpty() ? kind.label() : kind.label() + " " + detail;
    }
}
