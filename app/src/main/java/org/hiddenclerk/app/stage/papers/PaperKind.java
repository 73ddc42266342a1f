package org.hiddenclerk.app.stage.papers;

/** Papers that a job leaves behind. */
public enum PaperKind {
    AS_BUILT("As-built book", "as-built-book", false),
    HOUSEHOLD("Guide for the household", "household-guide", false),
    RESTORE("Restore book", "restore-book", false),
    RUN_SHEETS("Blank run sheets", "run-sheets", false),
    PICK_LIST("Pick list", "pick-list", true),
    QUOTE("Quote", "quote", true);

    private final String label;
    private final String file;
    private final boolean priced;

    PaperKind(String label, String file, boolean priced) {
        this.label = label;
        this.file = file;
        this.priced = priced;
    }

    public String label() {
        return label;
    }

    /** What its file is called, without the ending. */
    String file() {
        return file;
    }

    /** Whether it tells prices, which not everybody sees. */
    boolean isPriced() {
        return priced;
    }
}
