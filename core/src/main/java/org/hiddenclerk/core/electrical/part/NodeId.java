package org.hiddenclerk.core.electrical.part;

/** A place where pins meet: a terminal, a connector, an end. */
public record NodeId(String value) {
    public NodeId {
        if (value.isBlank()) {
            throw new IllegalArgumentException("A node's name must not be blank.");
        }
    }

    @Override
    public String toString() {
        return value;
    }
}
