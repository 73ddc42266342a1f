package org.hiddenclerk.core.testing;

import static org.hiddenclerk.core.electrical.part.Mechanism.INTERMEDIATE;
import static org.hiddenclerk.core.electrical.part.Mechanism.ONE_WAY;
import static org.hiddenclerk.core.electrical.part.Mechanism.TWO_WAY;
import static org.hiddenclerk.core.job.BoxKind.JUNCTION;
import static org.hiddenclerk.core.job.BoxKind.LUMINAIRE;
import static org.hiddenclerk.core.job.BoxKind.WALL;
import static org.hiddenclerk.core.job.Role.EARTH;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.PERMANENT_LIVE;
import static org.hiddenclerk.core.job.Role.SPARE;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.job.Role.TRAVELLER;
import static org.hiddenclerk.core.testing.Circuits.wire;

import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;

/** The circuits that one meets: where the feed comes in, where the lamp hangs, what runs between the switches. */
public final class Topologies {
    private Topologies() {}

    /** Runs by what they are; the lead is box A, its gang 1 the switch that is looked at. */
    public static Map<String, ConnectedBoxes> all(RegionProfile region) {
        Map<String, ConnectedBoxes> runs = new LinkedHashMap<>();
        runs.put("one-way, feed at the switch", oneWay(region));
        runs.put("one-way, lamp cable with a spare core", oneWayWithSpare(region));
        runs.put("one-way, switch loop", loop(region));
        runs.put("one-way, feed at a junction box", junction(region));
        runs.put("one-way, loop-in at the lamp place", loopIn(region));
        runs.put("two-way, feed at A, lamp from B, neutral through", twoWayThrough(region, 0));
        runs.put("two-way, feed and lamp at A", twoWayFeedAndLampAtA(region, 0));
        runs.put("two-way, feed and lamp at A, neutral in B", twoWayNeutralInBoth(region));
        runs.put("two-way, feed at the lamp", twoWayFeedAtLamp(region));
        runs.put("two-way, feed between", twoWayFeedBetween(region));
        runs.put("two-way, lamp fed at A, feed at B", twoWayFeedAtFarSwitch(region));
        runs.put("three-strapper, feed and lamp at A", threeStrapper(region));
        runs.put("one intermediate, lamp from B, neutral through", twoWayThrough(region, 1));
        runs.put("two intermediates, lamp from B, neutral through", twoWayThrough(region, 2));
        runs.put("one intermediate, feed and lamp at A", twoWayFeedAndLampAtA(region, 1));
        runs.put("two intermediates, feed and lamp at A", twoWayFeedAndLampAtA(region, 2));
        runs.put("two-way, another circuit in B", twoWayOtherCircuitInB(region));
        return runs;
    }

    private static ConnectedBoxes oneWay(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .gang("A", ONE_WAY, "4")
                .load("A", "2 LED 7", 1)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes oneWayWithSpare(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .gang("A", ONE_WAY, "4")
                .load("A", "2 LED 7", 1)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(SPARE, "cap"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes loop(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .gang("A", ONE_WAY, "4")
                .load("A", "2 LED 7", 1)
                .cable(
                        "A",
                        new Leads.ToLoadWithFeed(1, new org.hiddenclerk.core.job.CircuitId("4")),
                        wire(PERMANENT_LIVE, "1.COM"),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes junction(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("J", JUNCTION)
                .box("X", LUMINAIRE)
                .gang("A", ONE_WAY, "4")
                .load("X", "2 LED 7", 0)
                .feed("J", "4", "j.l", "j.n")
                .cable(
                        "J",
                        "A",
                        wire(PERMANENT_LIVE, "j.l", "1.COM"),
                        wire(SWITCHED_LIVE, "j.sl", "1.L1"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "J",
                        "X",
                        wire(SWITCHED_LIVE, "j.sl", "x1.L"),
                        wire(NEUTRAL, "j.n", "x1.N"),
                        wire(EARTH, "j.earth", "x1.PE"))
                .from("A");
    }

    private static ConnectedBoxes loopIn(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("X", LUMINAIRE)
                .gang("A", ONE_WAY, "4")
                .load("X", "2 LED 7", 0)
                .feed("X", "4", "j.l", "x1.N")
                .cable(
                        "X",
                        "A",
                        wire(PERMANENT_LIVE, "j.l", "1.COM"),
                        wire(SWITCHED_LIVE, "x1.L", "1.L1"),
                        wire(EARTH, "j.earth", "j.earth"))
                .from("A");
    }

    /** Feed at A, lamp from B; with intermediates between them. */
    private static ConnectedBoxes twoWayThrough(RegionProfile region, int intermediates) {
        Circuits run = new Circuits(region).box("A", WALL);
        for (int i = 1; i <= intermediates; i++) {
            run.box("I" + i, WALL).gang("I" + i, INTERMEDIATE, "4");
        }
        run.box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("B", "2 LED 7", 1)
                .feed("A", "4", "1.COM", "j.n");
        for (int i = 0; i <= intermediates; i++) {
            String from = i == 0 ? "A" : "I" + i;
            String to = i == intermediates ? "B" : "I" + (i + 1);
            String out = i == 0 ? "1.L" : "1.B";
            String in = i == intermediates ? "1.L" : "1.A";
            run.cable(
                    from,
                    to,
                    wire(TRAVELLER, out + "1", in + "1"),
                    wire(TRAVELLER, out + "2", in + "2"),
                    wire(NEUTRAL, "j.n", "j.n"),
                    wire(EARTH, "j.earth", "j.earth"));
        }
        return run.cable(
                        "B",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.COM"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    /** Feed and lamp at A; the switched live comes back from B beside the travellers. */
    private static ConnectedBoxes twoWayFeedAndLampAtA(RegionProfile region, int intermediates) {
        Circuits run = new Circuits(region).box("A", WALL);
        for (int i = 1; i <= intermediates; i++) {
            run.box("I" + i, WALL).gang("I" + i, INTERMEDIATE, "4");
        }
        run.box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("A", "2 LED 7", 1)
                .feed("A", "4", "1.COM", "j.n");
        for (int i = 0; i <= intermediates; i++) {
            String from = i == 0 ? "A" : "I" + i;
            String to = i == intermediates ? "B" : "I" + (i + 1);
            String out = i == 0 ? "1.L" : "1.B";
            String in = i == intermediates ? "1.L" : "1.A";
            run.cable(
                    from,
                    to,
                    wire(TRAVELLER, out + "1", in + "1"),
                    wire(TRAVELLER, out + "2", in + "2"),
                    wire(SWITCHED_LIVE, "j.back", i == intermediates ? "1.COM" : "j.back"),
                    wire(EARTH, "j.earth", "j.earth"));
        }
        return run.cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "j.back"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes twoWayNeutralInBoth(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("A", "2 LED 7", 1)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        "B",
                        wire(TRAVELLER, "1.L1", "1.L1"),
                        wire(TRAVELLER, "1.L2", "1.L2"),
                        wire(SWITCHED_LIVE, "j.back", "1.COM"),
                        wire(NEUTRAL, "j.n", "cap"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "j.back"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes twoWayFeedAtLamp(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("B", WALL)
                .box("X", LUMINAIRE)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("X", "2 LED 7", 0)
                .feed("X", "4", "j.l", "x1.N")
                .cable(
                        "X",
                        "A",
                        wire(PERMANENT_LIVE, "j.l", "1.COM"),
                        wire(TRAVELLER, "j.t1", "1.L1"),
                        wire(TRAVELLER, "j.t2", "1.L2"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "X",
                        "B",
                        wire(SWITCHED_LIVE, "x1.L", "1.COM"),
                        wire(TRAVELLER, "j.t1", "1.L1"),
                        wire(TRAVELLER, "j.t2", "1.L2"),
                        wire(EARTH, "j.earth", "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes twoWayFeedBetween(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("J", JUNCTION)
                .box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("B", "2 LED 7", 1)
                .feed("J", "4", "j.l", "j.n")
                .cable(
                        "J",
                        "A",
                        wire(PERMANENT_LIVE, "j.l", "1.COM"),
                        wire(TRAVELLER, "j.t1", "1.L1"),
                        wire(TRAVELLER, "j.t2", "1.L2"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "J",
                        "B",
                        wire(NEUTRAL, "j.n", "j.n"),
                        wire(TRAVELLER, "j.t1", "1.L1"),
                        wire(TRAVELLER, "j.t2", "1.L2"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "B",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.COM"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes twoWayFeedAtFarSwitch(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("A", "2 LED 7", 1)
                .feed("B", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        "B",
                        wire(TRAVELLER, "1.L1", "1.L1"),
                        wire(TRAVELLER, "1.L2", "1.L2"),
                        wire(NEUTRAL, "j.n", "j.n"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.COM"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes threeStrapper(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .load("A", "2 LED 7", 1)
                .feed("A", "4", "1.L1", "j.n")
                .cable(
                        "A",
                        "B",
                        wire(TRAVELLER, "1.COM", "1.COM"),
                        wire(TRAVELLER, "1.L1", "1.L1"),
                        wire(TRAVELLER, "1.L2", "1.L2"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.L2"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    private static ConnectedBoxes twoWayOtherCircuitInB(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .box("B", WALL)
                .gang("A", TWO_WAY, "4")
                .gang("B", TWO_WAY, "4")
                .gang("B", ONE_WAY, "6")
                .load("A", "2 LED 7", 1)
                .load("B", "LED 30", 2)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        "B",
                        wire(TRAVELLER, "1.L1", "1.L1"),
                        wire(TRAVELLER, "1.L2", "1.L2"),
                        wire(SWITCHED_LIVE, "j.back", "1.COM"),
                        wire(EARTH, "j.earth", "j.earth"))
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "j.back"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .feed("B", "6", "2.COM", "j.n6")
                .cable(
                        "B",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "2.L1"),
                        wire(NEUTRAL, "j.n6"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }
}
