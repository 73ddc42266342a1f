package org.hiddenclerk.core.job;

/** Colours of insulation with their letter codes (IEC 60757), so that colour is never the only carrier. */
public enum CoreColour {
    BROWN("BN"),
    BLACK("BK"),
    GREY("GY"),
    BLUE("BU"),
    GREEN_YELLOW("GNYE"),
    RED("RD"),
    YELLOW("YE"),
    WHITE("WH"),
    ORANGE("OG"),
    VIOLET("VT"),
    GREEN("GN"),
    BARE("BARE");

    private final String letters;

    CoreColour(String letters) {
        this.letters = letters;
    }

    public String letters() {
        return letters;
    }

    public String words() {
        return name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }
}
