package org.hiddenclerk.app.stage.papers;

import static j2html.TagCreator.div;

import j2html.tags.DomContent;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.wiring.drawing.Way;

/** Drawings of a paper, by the places that the text keeps free for them. */
final class Figures {
    static final String ID = "figure-";
    private static final double POINTS_PER_PIXEL = 0.75;

    private final List<Placed> placed = new ArrayList<>();

    /** @param scale points for one unit of the drawing */
    record Placed(Drawing drawing, double scale) {}

    /**
     * Keeps a place free, as large as the drawing is at most.
     *
     * @param width  at most, in CSS pixels
     * @param height at most, in CSS pixels
     * @param scale  pixels for one unit of the drawing, at most
     */
    DomContent place(Drawing drawing, double width, double height, double scale) {
        double fitting = Math.min(scale, Math.min(width / drawing.width(), height / drawing.height()));
        placed.add(new Placed(drawing, fitting * POINTS_PER_PIXEL));
        return div(div().withId(ID + (placed.size() - 1))
                        .withStyle("width: " + Way.figure(drawing.width() * fitting) + "px; height: "
                                + Way.figure(drawing.height() * fitting) + "px"))
                .withClass("figure");
    }

    List<Placed> placed() {
        return placed;
    }
}
