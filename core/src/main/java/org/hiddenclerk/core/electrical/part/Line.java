package org.hiddenclerk.core.electrical.part;

/** What a supply delivers. */
public enum Line {
    L1("L1"),
    L2("L2"),
    L3("L3"),
    N("N"),
    PE("PE"),
    ELV_PLUS("ELV+"),
    ELV_MINUS("ELV-");

    private final String label;

    Line(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** A mains line conductor: the only thing called live. */
    public boolean isLive() {
        return this == L1 || this == L2 || this == L3;
    }

    public boolean isElv() {
        return this == ELV_PLUS || this == ELV_MINUS;
    }

    public static Line ofLabel(String label) {
        for (Line line : values()) {
            if (line.label.equals(label)) {
                return line;
            }
        }
        throw new IllegalArgumentException("The line (" + label + ") must be one of L1 L2 L3 N PE ELV+ ELV-.");
    }
}
