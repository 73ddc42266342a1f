package org.hiddenclerk.app.stage.planning;

import java.util.List;
import org.hiddenclerk.core.wiring.drawing.Artwork;
import org.hiddenclerk.core.wiring.drawing.Ink;
import org.hiddenclerk.core.wiring.drawing.Showing;

/** An artwork as a screen shows it, its ways written as the attribute {@code d} of an SVG path. */
record ArtworkView(int width, int height, List<Artwork.Excerpt> excerpts, List<GroupOfMarks> groups) {
    static ArtworkView of(Artwork artwork) {
        return new ArtworkView(
                artwork.width(),
                artwork.height(),
                artwork.excerpts(),
                artwork.groups().stream().map(GroupOfMarks::of).toList());
    }

    /** See {@link Artwork.Group}. */
    record GroupOfMarks(
            Artwork.Kind kind, String subject, String name, List<DrawnStroke> strokes, List<Artwork.Lettering> words) {
        static GroupOfMarks of(Artwork.Group group) {
            return new GroupOfMarks(
                    group.kind(),
                    group.subject(),
                    group.name(),
                    group.strokes().stream().map(DrawnStroke::of).toList(),
                    group.words());
        }
    }

    /** See {@link Artwork.Stroke}. */
    record DrawnStroke(Showing showing, String way, Ink fill, Artwork.Pen pen) {
        static DrawnStroke of(Artwork.Stroke stroke) {
            return new DrawnStroke(stroke.showing(), stroke.way().svg(), stroke.fill(), stroke.pen());
        }
    }
}
