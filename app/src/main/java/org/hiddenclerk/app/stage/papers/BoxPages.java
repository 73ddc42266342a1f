package org.hiddenclerk.app.stage.papers;

import j2html.tags.DomContent;
import java.util.List;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.BoxDrawing;
import org.hiddenclerk.core.wiring.paper.Papers;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** A box with its plan worked out: drawings and tables before and after. */
record BoxPages(WiringPlan plan, BoxDrawing before, BoxDrawing after, List<Papers> places) {
    /** A drawing wider than this, in its own units, gets a page on its side. */
    private static final int WIDE = 1_000;
    /** On its side a page holds one, in CSS pixels. */
    private static final double WIDE_HEIGHT = 520;

    private static final double LARGEST = 0.9;
    /** The tables of a box of a run stand on the same page. */
    private static final double OF_SEVERAL = 0.62;

    static BoxPages of(HouseFacts.Box box, HouseContext house) {
        WiringPlan plan = box.plan().get();
        return new BoxPages(
                plan,
                BoxDrawing.of(plan, false, house),
                BoxDrawing.of(plan, true, house),
                plan.placesOfWork().stream()
                        .map(place -> Papers.of(plan, place, house.region()))
                        .toList());
    }

    boolean isWide() {
        return Math.max(before.width(), after.width()) > WIDE;
    }

    boolean hasSeveralPlaces() {
        return before.boxes().size() > 1;
    }

    /**
     * Before above after in one size, so that both find room on a page.
     *
     * @param place of a run of several whose box is shown; empty for the whole
     */
    List<DomContent> drawn(Figures figures, PaperSize size, String title, String place) {
        Drawing found = drawing(before, title + " as found", place);
        Drawing built = drawing(after, title + " as planned", place);
        double width = isWide() ? size.widthOnItsSide() : size.width();
        double scale = isWide()
                ? LARGEST
                : Math.min(
                        place.isEmpty() ? LARGEST : OF_SEVERAL,
                        size.heightForTwo() / (found.height() + built.height()));
        double height = isWide() ? WIDE_HEIGHT : size.heightForTwo();
        double fitting = Math.min(scale, Math.min(width / found.width(), width / built.width()));
        return List.of(figures.place(found, width, height, fitting), figures.place(built, width, height, fitting));
    }

    private static Drawing drawing(BoxDrawing drawing, String title, String place) {
        Drawing whole = Drawing.of(title, Artwork.of(drawing, Artwork.Insulations.LETTERS));
        return place.isEmpty() ? whole : whole.only(place);
    }
}
