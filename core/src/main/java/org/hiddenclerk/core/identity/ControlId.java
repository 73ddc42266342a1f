package org.hiddenclerk.core.identity;

/** An input of a device with the switches that it reads, or a button of a remote. */
public record ControlId(String text) implements HouseId {
    /** Where a hand works it when no switch at the wall is known to reach it: it is its own. */
    public SwitchId itself() {
        return new SwitchId(text);
    }

    @Override
    public String toString() {
        return text;
    }
}
