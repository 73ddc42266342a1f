package org.hiddenclerk.app.stage.papers;

import org.hiddenclerk.core.wiring.drawing.Artwork;

/** What drawings are drawn on. Coordinates are in units of the drawing, origin top left. */
interface Canvas {
    void stroke(Artwork.Stroke stroke);

    void words(Artwork.Lettering words);
}
