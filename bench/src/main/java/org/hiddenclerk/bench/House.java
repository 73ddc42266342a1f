package org.hiddenclerk.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.electrical.part.Wiring;

/** Wirings as a house has them: one-gang and two-gang boxes with modules, and stairs with several switches. */
final class House {
    private House() {}

    /** As many positions as asked: of ten, three stand alone, six are in two-gang boxes, one is a stair with three switches. */
    static List<Wiring> of(int positions) {
        List<Wiring> wirings = new ArrayList<>();
        for (int left = positions; left > 0; left -= 10) {
            for (int i = 0; i < 3; i++) {
                wirings.add(TwoGangs.plan(1).wiring());
                wirings.add(TwoGangs.plan(2).wiring());
            }
            wirings.add(chain(3));
        }
        return wirings;
    }

    /** Switches on one lamp: two-ways at the ends, intermediates between. */
    static Wiring chain(int switches) {
        List<Part> parts = new ArrayList<>();
        parts.add(new Part.Supply(
                new PartId("F"), Line.L1, "4", OptionalDouble.of(10), OptionalDouble.empty(), pins("out", "l")));
        parts.add(new Part.Supply(
                new PartId("N"), Line.N, "4", OptionalDouble.empty(), OptionalDouble.empty(), pins("out", "n")));
        List<PartId> controls = new ArrayList<>();
        for (int i = 1; i <= switches; i++) {
            PartId id = new PartId("S" + i);
            controls.add(id);
            String in = "t" + (i - 1) + ".";
            String out = "t" + i + ".";
            if (i == 1 || i == switches) {
                String common = i == 1 ? "l" : "x";
                String throwsAt = i == 1 ? out : in;
                parts.add(new Part.Switch(
                        id, Mechanism.TWO_WAY, pins("COM", common, "L1", throwsAt + 1, "L2", throwsAt + 2)));
            } else {
                parts.add(new Part.Switch(
                        id,
                        Mechanism.INTERMEDIATE,
                        pins("A1", in + 1 + "b", "A2", in + 2 + "b", "B1", out + 1, "B2", out + 2)));
            }
            if (i > 1 && i < switches) {
                parts.add(conductor(i + ".1", in + 1, in + 1 + "b"));
                parts.add(conductor(i + ".2", in + 2, in + 2 + "b"));
            }
        }
        parts.add(new Part.Load(
                new PartId("X1"),
                LoadKind.LED_LAMP,
                18,
                0.9,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                false,
                pins("L", "x", "N", "n")));
        return new Wiring(
                new SupplySystem(230, 50, SupplySystem.Arrangement.THREE_PHASE),
                parts,
                List.of(new Intent(new PartId("X1"), controls, false)));
    }

    private static Part conductor(String id, String a, String b) {
        return new Part.Conductor(new PartId("W" + id), "c", "black", OptionalDouble.of(1.5), pins("a", a, "b", b));
    }

    private static Map<String, NodeId> pins(String... pins) {
        Map<String, NodeId> map = new LinkedHashMap<>();
        for (int i = 0; i < pins.length; i += 2) {
            map.put(pins[i], new NodeId(pins[i + 1]));
        }
        return map;
    }
}
