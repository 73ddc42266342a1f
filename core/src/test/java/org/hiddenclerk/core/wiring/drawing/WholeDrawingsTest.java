package org.hiddenclerk.core.wiring.drawing;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.testing.WordForWord;
import org.hiddenclerk.core.wiring.WholePlans;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Drawings by what stands where, so that a change of the layout is seen and looked at. */
class WholeDrawingsTest {
    @ParameterizedTest
    @ValueSource(strings = {"SPLIT_PAIR", "AT_LAMP_SPARE", "four loads", "canopy, read"})
    void areAsTheyWereLookedAt(String name) {
        WordForWord.isAsRead("wiring/drawings", name, words(WholePlans.of(name)));
    }

    @ParameterizedTest
    @ValueSource(strings = {"AT_LAMP_SPARE", "canopy, read", "heater, double-pole", "gate", "socket", "strip"})
    void areDrawnAsTheyWereLookedAt(String name) {
        WholePlans.Whole whole = WholePlans.of(name);
        BoxDrawing drawing = BoxDrawing.of(whole.plan(), true, whole.house());
        WordForWord.isAsRead("wiring/artworks", name, marks(Artwork.of(drawing, Artwork.Insulations.COLOURS)));
    }

    private static String marks(Artwork artwork) {
        List<String> lines = new ArrayList<>(List.of(artwork.width() + " x " + artwork.height()));
        artwork.excerpts().forEach(excerpt -> lines.add(excerpt.toString()));
        for (Artwork.Group group : artwork.groups()) {
            lines.add("== " + group.kind() + " " + group.subject() + " " + group.name());
            group.strokes()
                    .forEach(stroke -> lines.add(words(stroke.showing()) + stroke.fill() + " " + words(stroke.pen())
                            + " " + stroke.way().svg()));
            group.words()
                    .forEach(words -> lines.add(words(words.showing()) + words.text() + " at " + Way.figure(words.x())
                            + " " + Way.figure(words.y()) + " " + words.anchor() + " " + words.face()));
        }
        return String.join("\n", lines) + "\n";
    }

    private static String words(Showing showing) {
        return showing.when()
                + (showing.of().isEmpty() ? "" : " " + showing.of())
                + (showing.still() ? " still: " : ": ");
    }

    private static String words(Artwork.Pen pen) {
        return pen.width() == 0
                ? "no line"
                : pen.ink() + " " + Way.figure(pen.width()) + (pen.round() ? " round" : "")
                        + (pen.inked() == 0 ? "" : " dashed " + Way.figure(pen.inked()) + " " + Way.figure(pen.gap()));
    }

    private static String words(WholePlans.Whole whole) {
        List<String> lines = new ArrayList<>();
        for (boolean planned : List.of(false, true)) {
            BoxDrawing drawing = BoxDrawing.of(whole.plan(), planned, whole.house());
            lines.add((planned ? "as planned " : "as found ") + drawing.width() + " x " + drawing.height());
            drawing.boxes().forEach(room -> lines.add("box " + room));
            drawing.trunks().forEach(trunk -> lines.add("between boxes " + trunk));
            drawing.cables().forEach(cable -> lines.add("cable " + cable));
            drawing.loads().forEach(load -> lines.add("load " + load));
            for (BoxDrawing.Device device : drawing.devices()) {
                lines.add(device.kind() + " " + device.partId() + " " + device.label() + ", " + device.detail() + ", "
                        + device.shape() + " " + device.contacts() + " " + device.inputs() + " " + device.frame());
                device.ports().forEach(port -> lines.add("  " + port));
            }
            for (BoxDrawing.Wire wire : drawing.wires()) {
                lines.add("wire " + wire.key() + " " + wire.letters() + " " + wire.node() + " " + wire.change() + ": "
                        + wire.words() + " at " + wire.tag());
                lines.add("  " + wire.points());
            }
        }
        return String.join("\n", lines).replaceAll("(Frame|Point)\\[|\\]", "") + "\n";
    }
}
