package org.hiddenclerk.app.stage.papers;

import java.util.List;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Gang;

/** The plate of a box as one sees it on the wall, its switches numbered from the left. */
final class PlateDrawing implements Drawing {
    private static final int PITCH = 71;
    private static final int EDGE = 14;
    private static final int KEY = 56;
    private static final int CAPTION = 22;

    private final List<Gang> gangs;

    PlateDrawing(List<Gang> gangs) {
        this.gangs = gangs;
    }

    @Override
    public int width() {
        return gangs.size() * PITCH + EDGE;
    }

    @Override
    public int height() {
        return PITCH + EDGE + CAPTION;
    }

    @Override
    public String title() {
        return "Plate with " + gangs.size() + (gangs.size() == 1 ? " switch" : " switches");
    }

    @Override
    public void on(Canvas canvas) {
        Canvas.Pen pen = Canvas.Pen.of(Canvas.INK, 1.8);
        canvas.shape(Way.rectangle(1, 1, width() - 2.0, PITCH + EDGE - 2.0, 7), "#f3f1ec", pen);
        for (int i = 0; i < gangs.size(); i++) {
            double x = EDGE / 2.0 + i * PITCH + (PITCH - KEY) / 2.0;
            double y = (PITCH + EDGE - KEY) / 2.0;
            Mechanism mechanism = gangs.get(i).mechanism();
            canvas.shape(Way.rectangle(x, y, KEY, KEY, 3), Canvas.PAPER, pen);
            if (mechanism.isPush()) {
                canvas.line(Way.circle(x + KEY / 2.0, y + KEY / 2.0, 9), pen);
            } else if (mechanism != Mechanism.FIXED_ON) {
                canvas.line(Way.from(x, y + KEY / 2.0).line(x + KEY, y + KEY / 2.0), pen);
            }
            canvas.words(
                    x + KEY / 2.0,
                    PITCH + EDGE + 16,
                    Canvas.Hand.plain(15).strong(),
                    Canvas.Anchor.MIDDLE,
                    String.valueOf(i + 1));
        }
    }
}
