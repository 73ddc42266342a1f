package org.hiddenclerk.app.stage.papers;

import java.util.List;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.Ink;
import org.hiddenclerk.core.wiring.drawing.Marks;
import org.hiddenclerk.core.wiring.drawing.Way;

/** The plate of a box as one sees it on the wall, its switches numbered from the left. */
final class PlateDrawing {
    private static final int PITCH = 71;
    private static final int EDGE = 14;
    private static final int KEY = 56;
    private static final int CAPTION = 22;
    private static final Artwork.Pen PEN = Artwork.Pen.of(Ink.TEXT, 1.8);

    private PlateDrawing() {}

    static Drawing of(List<Gang> gangs) {
        int width = gangs.size() * PITCH + EDGE;
        Marks marks = new Marks().shape(Way.rectangle(1, 1, width - 2.0, PITCH + EDGE - 2.0, 7), Ink.BODY, PEN);
        for (int i = 0; i < gangs.size(); i++) {
            key(marks, i, gangs.get(i).mechanism());
        }
        String title = "Plate with " + gangs.size() + (gangs.size() == 1 ? " switch" : " switches");
        return Drawing.of(title, new Artwork(width, PITCH + EDGE + CAPTION, List.of(), List.of(marks.group())));
    }

    private static void key(Marks marks, int index, Mechanism mechanism) {
        double x = EDGE / 2.0 + index * PITCH + (PITCH - KEY) / 2.0;
        double y = (PITCH + EDGE - KEY) / 2.0;
        marks.shape(Way.rectangle(x, y, KEY, KEY, 3), Ink.PAPER, PEN);
        if (mechanism.isPush()) {
            marks.line(Way.circle(x + KEY / 2.0, y + KEY / 2.0, 9), PEN);
        } else if (mechanism != Mechanism.FIXED_ON) {
            marks.line(Way.from(x, y + KEY / 2.0).line(x + KEY, y + KEY / 2.0), PEN);
        }
        marks.words(
                x + KEY / 2.0,
                PITCH + EDGE + 16.0,
                Artwork.Anchor.MIDDLE,
                Artwork.Face.plain(15).strong(),
                String.valueOf(index + 1));
    }
}
