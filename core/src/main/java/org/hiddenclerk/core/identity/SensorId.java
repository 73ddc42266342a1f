package org.hiddenclerk.core.identity;

/** One thing that a device senses. */
public record SensorId(String text) implements HouseId {
    @Override
    public String toString() {
        return text;
    }
}
