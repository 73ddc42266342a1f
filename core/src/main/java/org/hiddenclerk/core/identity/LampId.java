package org.hiddenclerk.core.identity;

/** A lamp, or whatever else a load is. */
public record LampId(String text) implements HouseId {
    @Override
    public String toString() {
        return text;
    }
}
