package org.hiddenclerk.core.electrical.part;

/** Identity of a part within one wiring. */
public record PartId(String value) implements Comparable<PartId> {
    public PartId {
        if (value.isBlank()) {
            throw new IllegalArgumentException("A part's id must not be blank.");
        }
    }

    @Override
    public int compareTo(PartId other) {
        return value.compareTo(other.value);
    }

    @Override
    public String toString() {
        return value;
    }
}
