package org.hiddenclerk.app.stage.papers;

/** Sizes of paper. */
public enum PaperSize {
    A4("A4", 180, 267),
    LETTER("letter", 186, 249);

    private static final double HEADINGS = 150;

    private final String css;
    private final int widthMm;
    private final int heightMm;

    PaperSize(String css, int widthMm, int heightMm) {
        this.css = css;
        this.widthMm = widthMm;
        this.heightMm = heightMm;
    }

    String css() {
        return css;
    }

    /** Between the margins, upright, in CSS pixels of 1/96 inch. */
    double width() {
        return widthMm * 96 / 25.4;
    }

    /** What two drawings have of a page beside their headings, in CSS pixels. */
    double heightForTwo() {
        return heightMm * 96 / 25.4 - HEADINGS;
    }

    /** Between the margins when it lies on its side. */
    double widthOnItsSide() {
        return heightMm * 96 / 25.4;
    }
}
