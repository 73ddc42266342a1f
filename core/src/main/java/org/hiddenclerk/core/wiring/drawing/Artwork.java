package org.hiddenclerk.core.wiring.drawing;

import java.util.List;

/**
 * A drawing mark by mark, as every canvas shows it: screen, SVG and page. Coordinates and widths are in units of the drawing,
 * origin top left; what comes later is drawn over what came before, and within a group words over strokes.
 */
public record Artwork(int width, int height, List<Excerpt> excerpts, List<Group> groups) {
    public Artwork {
        excerpts = List.copyOf(excerpts);
        groups = List.copyOf(groups);
    }

    /** What conductors are told apart by: letters on black lines, for printers that know one ink, or their colours too. */
    public enum Insulations {
        LETTERS,
        COLOURS
    }

    /** A part of the drawing that can be shown alone, over its whole width. */
    public record Excerpt(String label, int top, int height) {}

    /** What a group of marks is. */
    public enum Kind {
        MECHANISM,
        LOAD,
        WIRE,
        /** Letters of a conductor, which its words say too. */
        TAG,
        OTHER
    }

    /**
     * Marks that are one thing.
     *
     * @param subject part id of a mechanism or load, key of a conductor; else empty
     * @param name    what it is called; empty where its words say it
     */
    public record Group(Kind kind, String subject, String name, List<Stroke> strokes, List<Lettering> words) {
        public Group {
            strokes = List.copyOf(strokes);
            words = List.copyOf(words);
        }
    }

    /** @param fill {@link Ink#NONE} for one that one looks through */
    public record Stroke(Showing showing, Way way, Ink fill, Pen pen) {}

    /**
     * How a line is drawn.
     *
     * @param width 0 for none
     * @param inked length of each dash; 0 for a whole line
     * @param gap   between two dashes
     */
    public record Pen(Ink ink, double width, boolean round, double inked, double gap) {
        public static Pen of(Ink ink, double width) {
            return new Pen(ink, width, false, 0, 0);
        }

        public Pen roundEnds() {
            return new Pen(ink, width, true, inked, gap);
        }

        public Pen dashed(double dash, double between) {
            return new Pen(ink, width, round, dash, between);
        }
    }

    /** Words at a place of their base line. */
    public record Lettering(Showing showing, double x, double y, Anchor anchor, Face face, String text) {}

    /** How words stand at their place. */
    public enum Anchor {
        START,
        MIDDLE,
        END
    }

    /** How words are written. */
    public record Face(double size, boolean mono, boolean bold, Ink ink) {
        public static Face plain(double size) {
            return new Face(size, false, false, Ink.TEXT);
        }

        public static Face mono(double size) {
            return new Face(size, true, false, Ink.TEXT);
        }

        public Face soft() {
            return in(Ink.SOFT);
        }

        public Face strong() {
            return new Face(size, mono, true, ink);
        }

        Face in(Ink other) {
            return new Face(size, mono, bold, other);
        }
    }

    /** A run as it was laid out. */
    public static Artwork of(BoxDrawing drawing, Insulations insulations) {
        return new BoxArtist(drawing, insulations).artwork();
    }
}
