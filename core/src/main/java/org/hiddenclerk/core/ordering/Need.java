package org.hiddenclerk.core.ordering;

import java.math.BigDecimal;

/**
 * So much of one thing.
 *
 * @param thing  what it is
 * @param needed pieces, or metres of wire
 * @param spare  what is taken along beyond that
 */
public record Need(Thing thing, BigDecimal needed, BigDecimal spare) {

    /** Kinds of things, in the order of the list. */
    public enum Kind {
        MODULE,
        BYPASS,
        MECHANISM,
        BLANK_PLATE,
        SPACER,
        CONNECTOR,
        CAP,
        SLEEVE,
        WIRE,
        LABEL
    }

    /**
     * One thing, by what tells it from others of its kind.
     *
     * @param key   the module's code; the ports of a connector; watts; mm of a spacer; a colour; colour and mm² of wire
     * @param words as a person would ask for it
     */
    public record Thing(Kind kind, String key, String words) implements Comparable<Thing> {
        @Override
        public int compareTo(Thing other) {
            int byKind = kind.compareTo(other.kind);
            int byLength = Integer.compare(key.length(), other.key.length());
            return byKind != 0 ? byKind : kind == Kind.CONNECTOR && byLength != 0 ? byLength : key.compareTo(other.key);
        }
    }

    public BigDecimal total() {
        return needed.add(spare);
    }

    /** "m" for wire, "pcs" for all else. */
    public String unit() {
        return thing.kind() == Kind.WIRE ? "m" : "pcs";
    }
}
