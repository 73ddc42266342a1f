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
