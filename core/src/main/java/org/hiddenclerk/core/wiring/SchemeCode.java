package org.hiddenclerk.core.wiring;

/** Wiring schemes. */
public enum SchemeCode {
    BEHIND_SWITCH_N("Behind the switch, with neutral"),
    BEHIND_SWITCH_NO_N("Behind the switch, without neutral");

    private final String label;

    SchemeCode(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }
}
