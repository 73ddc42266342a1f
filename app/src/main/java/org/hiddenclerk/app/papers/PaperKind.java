package org.hiddenclerk.app.papers;

/** Papers that a job leaves behind. */
public enum PaperKind {
    AS_BUILT("As-built book", "as-built-book", true, false),
    HOUSEHOLD("Guide for the household", "household-guide", true, false),
    RESTORE("Restore book", "restore-book", true, false),
    RUN_SHEETS("Blank run sheets", "run-sheets", false, false),
    PICK_LIST("Pick list", "pick-list", false, true);

    private final String label;
    private final String file;
    private final boolean handedOver;
    private final boolean priced;

    PaperKind(String label, String file, boolean handedOver, boolean priced) {
        this.label = label;
        this.file = file;
        this.handedOver = handedOver;
        this.priced = priced;
    }

    public String label() {
        return label;
    }

    /** What its file is called, without the ending. */
    String file() {
        return file;
    }

    /** Whether it is a draft for as long as something is open. */
    boolean isHandedOver() {
        return handedOver;
    }

    /** Whether it tells prices, which not everybody sees. */
    boolean isPriced() {
        return priced;
    }
}
