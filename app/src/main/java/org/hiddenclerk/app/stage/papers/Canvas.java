package org.hiddenclerk.app.stage.papers;

/** What drawings are drawn on. Coordinates are in units of the drawing, origin top left; inks are written as {@code #rrggbb}. */
interface Canvas {
    String INK = "#1c1a17";
    String SOFT = "#4b4740";
    String PAPER = "#ffffff";
    String NONE = "";

    /** How words stand at their place. */
    enum Anchor {
        START,
        MIDDLE,
        END
    }

    /** How words are written. */
    record Hand(double size, boolean mono, boolean bold, String ink) {
        static Hand plain(double size) {
            return new Hand(size, false, false, INK);
        }

        static Hand mono(double size) {
            return new Hand(size, true, false, INK);
        }

        Hand soft() {
            return new Hand(size, mono, bold, SOFT);
        }

        Hand strong() {
            return new Hand(size, mono, true, ink);
        }
    }

    /** How a line is drawn. @param dash lengths of ink and gap; 0 for a whole line */
    record Pen(String ink, double width, boolean isRound, double dash, double gap) {
        static Pen of(String ink, double width) {
            return new Pen(ink, width, false, 0, 0);
        }

        Pen roundEnds() {
            return new Pen(ink, width, true, dash, gap);
        }

        Pen dashed(double inked, double gap) {
            return new Pen(ink, width, isRound, inked, gap);
        }
    }

    /** @param fill {@link #NONE} for a shape that one looks through; {@code pen} of width 0 for one without an edge */
    void shape(Way way, String fill, Pen pen);

    void words(double x, double y, Hand hand, Anchor anchor, String words);

    default void line(Way way, Pen pen) {
        shape(way, NONE, pen);
    }
}
