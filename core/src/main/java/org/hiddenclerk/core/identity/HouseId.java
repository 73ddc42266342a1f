package org.hiddenclerk.core.identity;

/**
 * Identity of something in a house; unique in it, whatever its kind. Its text is kept and sent, and told to nobody; it is printed as
 * its text, for what a test was made on is known by the print of the rules that spoke of it.
 */
public sealed interface HouseId extends Comparable<HouseId>
        permits DeviceId, OutputId, ControlId, SensorId, SwitchId, LampId {
    String text();

    /** What it is called within its device; a device, a switch or a lamp within its box. */
    default String within() {
        return text().substring(text().lastIndexOf('/') + 1);
    }

    @Override
    default int compareTo(HouseId other) {
        return text().compareTo(other.text());
    }
}
