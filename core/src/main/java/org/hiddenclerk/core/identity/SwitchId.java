package org.hiddenclerk.core.identity;

/** What a hand works: a switch at the wall, or a control that has none, such as the button of a remote. */
public record SwitchId(String text) implements HouseId {
    /** The control that it is, where it is no switch at the wall: see {@link ControlId#itself()}. */
    public ControlId control() {
        return new ControlId(text);
    }

    @Override
    public String toString() {
        return text;
    }
}
