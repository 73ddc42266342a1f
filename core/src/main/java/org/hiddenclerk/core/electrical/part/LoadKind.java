package org.hiddenclerk.core.electrical.part;

/** Kinds of load, as far as a contact's rating tells them apart. */
public enum LoadKind {
    RESISTIVE("resistive load"),
    INCANDESCENT("incandescent"),
    HALOGEN("mains halogen"),
    LED_LAMP("LED lamp"),
    LED_DRIVER("LED driver"),
    FLUORESCENT("fluorescent"),
    ELECTRONIC_TRANSFORMER("electronic transformer"),
    WIRE_WOUND_TRANSFORMER("wire-wound transformer"),
    MOTOR("motor or fan"),
    BLIND_MOTOR("blind motor"),
    HEATER("heater"),
    SOCKET("socket outlet"),
    COIL("contactor coil"),
    ELV_STRIP("low-voltage strip"),
    DOOR_INPUT("gate or door input");

    private final String label;

    LoadKind(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** Whether electronics stand before the light, which a trickle of current may start. */
    public boolean isElectronicLamp() {
        return this == LED_LAMP || this == LED_DRIVER || this == FLUORESCENT || this == ELECTRONIC_TRANSFORMER;
    }

    /** Whether it turns. */
    public boolean isMotor() {
        return this == MOTOR || this == BLIND_MOTOR;
    }

    /** Whether one sees by it. A resistive load may be a heater, so it is not counted on. */
    public boolean isLight() {
        return switch (this) {
            case INCANDESCENT,
                    HALOGEN,
                    LED_LAMP,
                    LED_DRIVER,
                    FLUORESCENT,
                    ELECTRONIC_TRANSFORMER,
                    WIRE_WOUND_TRANSFORMER,
                    ELV_STRIP -> true;
            case RESISTIVE, MOTOR, BLIND_MOTOR, HEATER, SOCKET, COIL, DOOR_INPUT -> false;
        };
    }

    /** Whether it is worked as a finger works a button: a contact that stays closed would hold it, or be taken for a second press. */
    public boolean isPulsed() {
        return this == DOOR_INPUT;
    }

    /** Whether it is made for extra-low voltage, so that its volts must be stated. */
    public boolean isElv() {
        return name().startsWith("ELV_");
    }

    /** A heater is a resistive load: it may use that rating when it has none of its own. */
    public boolean mayUse(LoadKind rating) {
        return this == rating || this == HEATER && rating == RESISTIVE;
    }
}
