package org.hiddenclerk.app.stage.papers;

import org.hiddenclerk.core.wiring.drawing.Artwork;

/**
 * An artwork, or a part of it, as it stands on paper: at rest, with nothing energised.
 *
 * @param title  what it says of itself to those who cannot see it
 * @param top    where what is shown begins, in units of the artwork
 * @param height of what is shown
 */
record Drawing(String title, Artwork artwork, int top, int height) {
    static Drawing of(String title, Artwork artwork) {
        return new Drawing(title, artwork, 0, artwork.height());
    }

    /** One box of a run alone, by its label; the whole when there is no such box. */
    Drawing only(String label) {
        return artwork.excerpts().stream()
                .filter(part -> part.label().equals(label))
                .findFirst()
                .map(part -> new Drawing(title, artwork, part.top(), part.height()))
                .orElse(this);
    }

    int width() {
        return artwork.width();
    }

    void on(Canvas canvas) {
        for (Artwork.Group group : artwork.groups()) {
            group.strokes().stream().filter(s -> s.showing().still()).forEach(canvas::stroke);
            group.words().stream().filter(w -> w.showing().still()).forEach(canvas::words);
        }
    }

    String svg() {
        SvgCanvas canvas = new SvgCanvas(top, width(), height, title);
        on(canvas);
        return canvas.finish();
    }
}
