package org.hiddenclerk.core.identity;

/** What a channel of a device switches. */
public record OutputId(String text) implements HouseId {
    @Override
    public String toString() {
        return text;
    }
}
