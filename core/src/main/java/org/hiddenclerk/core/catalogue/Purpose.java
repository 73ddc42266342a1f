package org.hiddenclerk.core.catalogue;

/** What a module is made for as it comes from the maker. */
public enum Purpose {
    LIGHTS("lights"),
    HEAVY_LOADS("heavy loads"),
    BLINDS("blinds"),
    FAN_AND_LIGHT("fan and light"),
    VOLT_FREE("volt-free switching"),
    EXTRA_LOW_VOLTAGE("extra-low voltage"),
    SENDER("reading a switch in the path of a receiver"),
    RECEIVER("the lamp end of a split pair");

    private final String label;

    Purpose(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
