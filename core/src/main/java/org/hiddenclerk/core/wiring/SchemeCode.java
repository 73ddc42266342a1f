package org.hiddenclerk.core.wiring;

/** Wiring schemes, in the order in which they are offered. */
public enum SchemeCode {
    BEHIND_SWITCH_N("Behind the switch, with neutral"),
    BEHIND_SWITCH_NO_N("Behind the switch, without neutral"),
    FOUR_CHANNEL("Several loads on one module, switches at extra-low voltage"),
    HEAVY_DUTY("Heavy module, the switch gives the command only"),
    BLIND_PAIR("Blind, up and down locked against each other"),
    MULTI_ONE_MODULE("One module for several switches"),
    MULTI_SECOND_UNLOADED("A module behind each switch, one carries the lamp"),
    AT_LAMP_SPARE("At the lamp, the switch reports over its old cable"),
    AT_LAMP_BLINK("At the lamp, each flip is a short break of its supply"),
    SPLIT_PAIR("Relay at the lamp, sender behind each switch"),
    AT_JUNCTION("In the junction box"),
    CANOPY_FAN_LIGHT("Fan and light from the canopy"),
    SOCKET("Ahead of a socket outlet"),
    VOLT_FREE("A contact without volts of its own"),
    ELV_DC("On direct current at extra-low voltage"),
    NO_SWITCH("Without a wall switch"),
    SWITCH_UPSTREAM("The wall switch feeds the module");

    private final String label;

    SchemeCode(String label) {
        this.label = label;
    }

    /** Whether the module that carries the load sits where the load hangs. */
    public boolean isAtLoad() {
        return switch (this) {
            case AT_LAMP_SPARE, AT_LAMP_BLINK, SPLIT_PAIR, CANOPY_FAN_LIGHT -> true;
            case BEHIND_SWITCH_N, BEHIND_SWITCH_NO_N, FOUR_CHANNEL, HEAVY_DUTY, BLIND_PAIR, MULTI_ONE_MODULE, MULTI_SECOND_UNLOADED, AT_JUNCTION,
                    SOCKET, VOLT_FREE, ELV_DC, NO_SWITCH, SWITCH_UPSTREAM -> false;
        };
    }

    public String label() {
        return label;
    }
}
