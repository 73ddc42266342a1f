package org.hiddenclerk.core.wiring.drawing;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.wiring.drawing.Artwork.Anchor;
import org.hiddenclerk.core.wiring.drawing.Artwork.Face;
import org.hiddenclerk.core.wiring.drawing.Artwork.Group;
import org.hiddenclerk.core.wiring.drawing.Artwork.Kind;
import org.hiddenclerk.core.wiring.drawing.Artwork.Lettering;
import org.hiddenclerk.core.wiring.drawing.Artwork.Pen;
import org.hiddenclerk.core.wiring.drawing.Artwork.Stroke;

/** Collects the marks of one group. */
public final class Marks {
    private final List<Stroke> strokes = new ArrayList<>();
    private final List<Lettering> words = new ArrayList<>();

    public Marks line(Way way, Pen pen) {
        return shape(way, Ink.NONE, pen);
    }

    Marks line(Showing showing, Way way, Pen pen) {
        return shape(showing, way, Ink.NONE, pen);
    }

    public Marks shape(Way way, Ink fill, Pen pen) {
        return shape(Showing.ALWAYS, way, fill, pen);
    }

    Marks shape(Showing showing, Way way, Ink fill, Pen pen) {
        strokes.add(new Stroke(showing, way, fill, pen));
        return this;
    }

    public Marks words(double x, double y, Anchor anchor, Face face, String text) {
        return words(Showing.ALWAYS, x, y, anchor, face, text);
    }

    /** Nothing is written where there are no words. */
    Marks words(Showing showing, double x, double y, Anchor anchor, Face face, String text) {
        if (!text.isEmpty()) {
            words.add(new Lettering(showing, x, y, anchor, face, text));
        }
        return this;
    }

    /** Together as something that has no name of its own. */
    public Group group() {
        return group(Kind.OTHER, "", "");
    }

    Group group(Kind kind, String subject, String name) {
        return new Group(kind, subject, name, strokes, words);
    }
}
