package org.hiddenclerk.core.identity;

/** A module, a remote control, a sensor with all that it senses. */
public record DeviceId(String text) implements HouseId {
    /** One of its controls. @param within what that is called in it, without a slash */
    public ControlId control(String within) {
        return new ControlId(text + "/" + within);
    }

    /** One of the things that it senses. @param within what that is called in it, without a slash */
    public SensorId sensor(String within) {
        return new SensorId(text + "/" + within);
    }

    @Override
    public String toString() {
        return text;
    }
}
