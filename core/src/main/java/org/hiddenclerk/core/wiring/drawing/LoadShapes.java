package org.hiddenclerk.core.wiring.drawing;

import java.util.List;
import org.hiddenclerk.core.wiring.drawing.Artwork.Anchor;
import org.hiddenclerk.core.wiring.drawing.Artwork.Face;
import org.hiddenclerk.core.wiring.drawing.Artwork.Pen;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing.Shape;
import org.hiddenclerk.core.wiring.drawing.Showing.When;

/** The symbol of a load in circuit drawings about its centre, in each of its states. */
final class LoadShapes {
    static final double RADIUS = 15;
    private static final double DIAGONAL = RADIUS * Math.sqrt(0.5);
    private static final double LINE = 1.8;
    private static final Pen EDGE = Pen.of(Ink.TEXT, LINE);

    private final Marks marks;
    private final List<String> parts;
    private final double x;
    private final double y;

    LoadShapes(Marks marks, List<String> parts, double x, double y) {
        this.marks = marks;
        this.parts = parts;
        this.x = x;
        this.y = y;
    }

    void draw(Shape shape) {
        draw(shape, Showing.still(When.OFF, parts), Ink.PAPER, Ink.TEXT);
        draw(shape, Showing.live(When.DIM, parts), Ink.GLOW, Ink.TEXT);
        draw(shape, Showing.live(When.ON, parts), Ink.LIT, Ink.WITHIN_LIT);
    }

    private void draw(Shape shape, Showing showing, Ink fill, Ink within) {
        Pen inner = Pen.of(within, LINE);
        switch (shape) {
            case MOTOR ->
                marks.shape(showing, Way.circle(x, y, RADIUS), fill, EDGE)
                        .words(
                                showing,
                                x,
                                y + 6,
                                Anchor.MIDDLE,
                                Face.plain(16).strong().in(within),
                                "M");
            case HEATER -> {
                marks.shape(showing, Way.rectangle(x - RADIUS, y - 9, 2 * RADIUS, 18, 0), fill, EDGE);
                for (double at = -7.5; at <= 7.5; at += 7.5) {
                    marks.line(showing, Way.from(x + at, y - 9).line(x + at, y + 9), inner);
                }
            }
            case SOCKET ->
                marks.shape(showing, Way.dome(x, y + 9, 12), fill, EDGE)
                        .line(showing, Way.from(x, y - 3).line(x, y - 13), EDGE);
            case COIL -> marks.shape(showing, Way.rectangle(x - 10, y - RADIUS, 20, 2 * RADIUS, 0), fill, EDGE);
            case LAMP, NONE ->
                marks.shape(showing, Way.circle(x, y, RADIUS), fill, EDGE)
                        .line(
                                showing,
                                Way.from(x - DIAGONAL, y - DIAGONAL)
                                        .line(x + DIAGONAL, y + DIAGONAL)
                                        .move(x + DIAGONAL, y - DIAGONAL)
                                        .line(x - DIAGONAL, y + DIAGONAL),
                                inner);
        }
    }
}
