package org.hiddenclerk.core.wiring.scheme;

import static org.hiddenclerk.core.electrical.part.Mechanism.DOUBLE_POLE;
import static org.hiddenclerk.core.electrical.part.Mechanism.ONE_WAY;
import static org.hiddenclerk.core.electrical.part.Mechanism.PUSH_MAKE;
import static org.hiddenclerk.core.job.BoxKind.CANOPY;
import static org.hiddenclerk.core.job.BoxKind.JUNCTION;
import static org.hiddenclerk.core.job.BoxKind.SOCKET;
import static org.hiddenclerk.core.job.BoxKind.WALL;
import static org.hiddenclerk.core.job.Role.EARTH;
import static org.hiddenclerk.core.job.Role.ELV_MINUS;
import static org.hiddenclerk.core.job.Role.ELV_PLUS;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.PERMANENT_LIVE;
import static org.hiddenclerk.core.job.Role.SPARE;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.testing.Circuits.wire;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Volts;
import org.hiddenclerk.core.testing.AsBuilt;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** Circuits of what is not a plain lamp, with the plans that suit them. */
public final class SpecialRuns {
    private SpecialRuns() {}

    /** One plan of each, in each region where it makes a difference. */
    public static Map<String, WiringPlan> plans() {
        Map<String, WiringPlan> plans = new LinkedHashMap<>();
        for (RegionProfile region : RegionProfile.values()) {
            plans(region).forEach((kind, plan) -> plans.put(region + " " + kind, plan));
        }
        return plans;
    }

    /** By kind. */
    public static Map<String, WiringPlan> plans(RegionProfile region) {
        Map<String, WiringPlan> plans = new LinkedHashMap<>();
        plans.put("heater", plan(region, heater(region, ONE_WAY), SchemeCode.HEAVY_DUTY, Modules.heavy()));
        plans.put(
                "heater, double-pole",
                plan(region, heater(region, DOUBLE_POLE), SchemeCode.HEAVY_DUTY, Modules.heavy()));
        plans.put(
                "four loads",
                plan(
                        region,
                        fourGangs(region),
                        SchemeCode.FOUR_CHANNEL,
                        Modules.withElvInputs(4, Modules.generous()),
                        1,
                        2,
                        3,
                        4));
        plans.put("free channel", freeChannel(region));
        plans.put("blind", blind(region, Modules.blind()));
        plans.put(
                "canopy, read", plan(region, canopy(region, true), SchemeCode.CANOPY_FAN_LIGHT, Modules.fanAndLight()));
        plans.put(
                "canopy, blanked",
                plan(region, canopy(region, false), SchemeCode.CANOPY_FAN_LIGHT, Modules.fanAndLight()));
        plans.put("socket", socket(region));
        plans.put("gate", plan(region, gate(region), SchemeCode.VOLT_FREE, Modules.voltFree()));
        plans.put("strip", plan(region, strip(region), SchemeCode.ELV_DC, Modules.direct(10, 28)));
        return plans;
    }

    public static ConnectedBoxes heater(RegionProfile region, Mechanism mechanism) {
        boolean two = mechanism == DOUBLE_POLE;
        return new Circuits(region)
                .box("A", WALL)
                .gang("A", mechanism, "4")
                .load("A", "heater 1500", 1)
                .feed("A", "4", two ? "1.L-IN" : "1.COM", two ? "1.N-IN" : "j.n")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, two ? "1.L-OUT" : "1.L1"),
                        wire(NEUTRAL, two ? "1.N-OUT" : "j.n"),
                        wire(EARTH, "j.earth"))
                .from("A");
    }

    public static ConnectedBoxes fourGangs(RegionProfile region) {
        Circuits box = new Circuits(region).box("A", WALL);
        for (int gang = 1; gang <= 4; gang++) {
            box.gang("A", ONE_WAY, "4").load("A", "LED 9", gang);
            if (gang > 1) {
                box.jumper("A", (gang - 1) + ".COM", gang + ".COM");
            }
        }
        box.feed("A", "4", "1.COM", "j.n");
        for (int gang = 1; gang <= 4; gang++) {
            box.cable(
                    "A",
                    new Leads.ToLoad(gang),
                    wire(SWITCHED_LIVE, gang + ".L1"),
                    wire(NEUTRAL, "j.n"),
                    wire(EARTH, "j.earth"));
        }
        return box.from("A");
    }

    /** Four gangs of which one was given to a module with four channels long ago, and two more now. */
    static WiringPlan freeChannel(RegionProfile region) {
        ModuleModel model = Modules.withNeutral(4, 2, Modules.generous());
        WiringPlan before = plan(region, fourGangs(region), SchemeCode.BEHIND_SWITCH_N, model, 1);
        return plan(region, AsBuilt.surveyed(before, region).orElseThrow(), SchemeCode.FREE_CHANNEL, model, 2, 3);
    }

    static WiringPlan blind(RegionProfile region, ModuleModel model) {
        ConnectedBoxes run = new Circuits(region)
                .box("A", WALL)
                .gang("A", PUSH_MAKE, "4")
                .gang("A", PUSH_MAKE, "4")
                .load("A", "blind 140", 1, Optional.of(new Drive("loft", Drive.Direction.UP)))
                .load("A", "blind 140", 2, Optional.of(new Drive("loft", Drive.Direction.DOWN)))
                .feed("A", "4", "1.COM", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        wire(SWITCHED_LIVE, "1.L1"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"))
                .cable("A", new Leads.ToLoad(2), wire(SWITCHED_LIVE, "2.L1"), wire(NEUTRAL, "j.n"))
                .from("A");
        return WiringPlan.of(
                house(region),
                run,
                List.of(new Assignment(
                        SchemeCode.BLIND_PAIR,
                        model,
                        List.of(1, 2),
                        List.of(),
                        Map.of(1, InputBehaviour.UP_DOWN, 2, InputBehaviour.UP_DOWN),
                        Optional.empty(),
                        Optional.empty())));
    }

    /** A wall switch and a canopy; with a spare core between them or without. */
    public static ConnectedBoxes canopy(RegionProfile region, boolean spare) {
        Circuits.Wire live = wire(SWITCHED_LIVE, "1.L1", "j.sl");
        Circuits.Wire neutral = wire(NEUTRAL, "j.n", "j.n");
        Circuits.Wire earth = wire(EARTH, "j.earth", "j.earth");
        return new Circuits(region)
                .box("A", WALL)
                .box("X", CANOPY)
                .gang("A", ONE_WAY, "4")
                .load("X", "fan 45 pf 0.7", 0)
                .load("X", "3 LED 8", 0)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        "X",
                        spare
                                ? new Circuits.Wire[] {live, wire(SPARE, "cap", "cap"), neutral, earth}
                                : new Circuits.Wire[] {live, neutral, earth})
                .jumper("X", "j.sl", "x1.L")
                .jumper("X", "j.sl", "x2.L")
                .jumper("X", "j.n", "x1.N")
                .jumper("X", "j.n", "x2.N")
                .renamedJumpers("X", "w")
                .from("A");
    }

    /** A switch for the fan and one for the light, and one core more than they need; or none more. */
    public static ConnectedBoxes canopyOfTwo(RegionProfile region, boolean spare) {
        Circuits.Wire fan = wire(SWITCHED_LIVE, "1.L1", "x1.L");
        Circuits.Wire light = wire(SWITCHED_LIVE, "2.L1", "x2.L");
        Circuits.Wire neutral = wire(NEUTRAL, "j.n", "j.n");
        Circuits.Wire earth = wire(EARTH, "j.earth", "j.earth");
        return new Circuits(region)
                .box("A", WALL)
                .box("X", CANOPY)
                .gang("A", ONE_WAY, "4")
                .gang("A", ONE_WAY, "4")
                .load("X", "fan 45 pf 0.7", 0)
                .load("X", "3 LED 8", 0)
                .feed("A", "4", "1.COM", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .cable(
                        "A",
                        "X",
                        spare
                                ? new Circuits.Wire[] {fan, light, wire(SPARE, "cap", "cap"), neutral, earth}
                                : new Circuits.Wire[] {fan, light, neutral, earth})
                .jumper("X", "j.n", "x1.N")
                .jumper("X", "j.n", "x2.N")
                .renamedJumpers("X", "w")
                .from("A");
    }

    static WiringPlan socket(RegionProfile region) {
        ConnectedBoxes run = new Circuits(region)
                .box("A", SOCKET)
                .load("A", "socket 1500", 0)
                .cable(
                        "A",
                        new Leads.FromSupply(new CircuitId("4")),
                        wire(PERMANENT_LIVE, "x1.L"),
                        wire(NEUTRAL, "x1.N"),
                        wire(EARTH, "x1.PE"))
                .from("A");
        return WiringPlan.of(
                house(region),
                run,
                List.of(new Assignment(
                        SchemeCode.SOCKET,
                        Modules.heavy(),
                        List.of(),
                        List.of(1),
                        Map.of(),
                        Optional.empty(),
                        Optional.empty())));
    }

    public static ConnectedBoxes gate(RegionProfile region) {
        return new Circuits(region)
                .box("A", JUNCTION)
                .gang("A", PUSH_MAKE, "gate")
                .load("A", "gate 3", 1)
                .feed("A", "4", "cap", "cap")
                .cable(
                        "A",
                        new Leads.ToLoadWithFeed(1, new CircuitId("gate")),
                        wire(ELV_PLUS, "1.COM"),
                        wire(SWITCHED_LIVE, "1.L1"))
                .from("A");
    }

    public static ConnectedBoxes strip(RegionProfile region) {
        return new Circuits(region)
                .box("A", WALL)
                .gang("A", ONE_WAY, "gate")
                .load("A", "strip 30", 1)
                .cable(
                        "A",
                        new Leads.FromSupply(new CircuitId("gate")),
                        wire(ELV_PLUS, "1.COM"),
                        wire(ELV_MINUS, "j.minus"))
                .cable("A", new Leads.ToLoad(1), wire(SWITCHED_LIVE, "1.L1"), wire(ELV_MINUS, "j.minus"))
                .from("A");
    }

    static WiringPlan plan(
            RegionProfile region, ConnectedBoxes run, SchemeCode scheme, ModuleModel model, Integer... gangs) {
        return WiringPlan.of(house(region), run, List.of(SchemeMatrix.assigned(scheme, model, gangs)));
    }

    /** Circuit 4 for 20 A, and the gate's own 24 V. */
    public static HouseContext house(RegionProfile region) {
        Map<CircuitId, Circuit> circuits = new LinkedHashMap<>();
        circuits.put(new CircuitId("4"), new Circuit(new CircuitId("4"), "4", Amps.of(20), Line.L1, false));
        circuits.put(new CircuitId("gate"), Circuit.elv(new CircuitId("gate"), "gate", Amps.of(5), Volts.of(24)));
        return new HouseContext(region, circuits);
    }
}
