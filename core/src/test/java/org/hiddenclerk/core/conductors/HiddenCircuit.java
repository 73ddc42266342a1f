package org.hiddenclerk.core.conductors;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.electrical.part.Wiring;

/**
 * A circuit that somebody has wired and nobody has seen, as conductors between places. It answers readings by walking along
 * its conductors and contacts, and can be had as a wiring for the electrical core.
 */
final class HiddenCircuit {
    private static final String[] COLOURS = {"brown", "black", "grey", "blue", "red", "violet", "pink"};
    private static final String SUPPLY_LIVE = "S.live";
    private static final String SUPPLY_NEUTRAL = "S.neutral";
    private static final String LAMP_L = "L.lamp";
    private static final String LAMP_N = "L.neutral";

    private record Conductor(String from, String to, String fromCore, String toCore) {}

    private final Random random;
    private final boolean singles;
    private final Map<String, Mechanism> mechanisms = new LinkedHashMap<>();
    private final Map<String, List<SeenCore>> cores = new LinkedHashMap<>();
    private final Map<String, ConductorRole> roles = new LinkedHashMap<>();
    private final List<Conductor> conductors = new ArrayList<>();
    private String topology = "";

    private HiddenCircuit(Random random) {
        this.random = random;
        singles = random.nextInt(4) == 0;
    }

    /** Any of the kinds of circuits, with cables or single cores, with and without neutral, spares and capped neutrals. */
    static HiddenCircuit any(Random random, int mostIntermediates) {
        HiddenCircuit circuit = new HiddenCircuit(random);
        switch (random.nextInt(8)) {
            case 0 -> circuit.oneWayFeedAtSwitch();
            case 1 -> circuit.oneWayLoop();
            case 2 -> circuit.threeStrapper();
            default -> circuit.changeOver(random.nextInt(mostIntermediates + 1));
        }
        return circuit;
    }

    Board board() {
        List<OpenedBox> boxes = new ArrayList<>();
        mechanisms.forEach(
                (id, mechanism) -> boxes.add(new OpenedBox(id, Optional.of(mechanism), false, cores.get(id))));
        return new Board(boxes);
    }

    String topology() {
        return topology;
    }

    Map<String, ConductorRole> roles() {
        return roles;
    }

    private void box(String id, Mechanism mechanism) {
        mechanisms.put(id, mechanism);
        cores.put(id, new ArrayList<>());
    }

    /** A conductor between two ends such as {@code A.COM}, {@code B.joint:1}, {@code S.live} or {@code L.lamp}. */
    private void wire(ConductorRole role, String from, String to) {
        conductors.add(new Conductor(from, to, seen(role, from, to), seen(role, to, from)));
    }

    private String seen(ConductorRole role, String end, String far) {
        String box = end.substring(0, end.indexOf('.'));
        if (!cores.containsKey(box)) {
            return "";
        }
        String id = box + (cores.get(box).size() + 1);
        String cable = singles ? "single " + id : "to " + far.substring(0, far.indexOf('.'));
        String at = end.substring(end.indexOf('.') + 1);
        cores.get(box)
                .add(new SeenCore(
                        id,
                        cable,
                        COLOURS[random.nextInt(COLOURS.length)],
                        Termination.read(at.startsWith("capped") ? "capped" : at)));
        roles.put(id, role);
        return id;
    }

    private void spares() {
        for (String box : cores.keySet()) {
            if (random.nextInt(4) == 0 && !cores.get(box).isEmpty()) {
                String id = box + (cores.get(box).size() + 1);
                cores.get(box).add(new SeenCore(id, cores.get(box).get(0).cable(), "grey", Termination.read("loose")));
                roles.put(id, ConductorRole.SPARE);
            }
        }
    }

    private void oneWayFeedAtSwitch() {
        topology = "ONE_WAY_FEED_AT_SWITCH";
        box("A", Mechanism.ONE_WAY);
        boolean onCommon = random.nextBoolean();
        wire(ConductorRole.PERMANENT_LIVE, SUPPLY_LIVE, onCommon ? "A.COM" : "A.L1");
        wire(ConductorRole.SWITCHED_LIVE, onCommon ? "A.L1" : "A.COM", LAMP_L);
        switch (random.nextInt(3)) {
            case 0 -> neutral(List.of("A"));
            case 1 -> wire(ConductorRole.NEUTRAL, SUPPLY_NEUTRAL, "A.capped1");
            default -> {}
        }
        spares();
    }

    private void oneWayLoop() {
        topology = "ONE_WAY_SWITCH_LOOP";
        box("A", Mechanism.ONE_WAY);
        boolean onCommon = random.nextBoolean();
        wire(ConductorRole.PERMANENT_LIVE, "L.live", onCommon ? "A.COM" : "A.L1");
        wire(ConductorRole.SWITCHED_LIVE, onCommon ? "A.L1" : "A.COM", LAMP_L);
        if (random.nextBoolean()) {
            wire(ConductorRole.NEUTRAL, LAMP_N, "A.capped1");
        }
        spares();
    }

    private void changeOver(int intermediates) {
        List<String> chain = new ArrayList<>(List.of("A"));
        box("A", Mechanism.TWO_WAY);
        for (int i = 1; i <= intermediates; i++) {
            box("I" + i, Mechanism.INTERMEDIATE);
            chain.add("I" + i);
        }
        box("B", Mechanism.TWO_WAY);
        chain.add("B");
        boolean turned = random.nextBoolean();
        List<String> way = new ArrayList<>(chain);
        if (turned) {
            java.util.Collections.reverse(way);
        }
        int kind = random.nextInt(4);
        if (kind == 3) {
            topology = "TWO_WAY_FEED_AT_LAMP";
            for (int link = 0; link + 1 < chain.size(); link++) {
                String[] ends = travellerEnds(chain, link);
                for (int t = 0; t < 2; t++) {
                    wire(ConductorRole.TRAVELLER, "L.t" + link + t, ends[t]);
                    wire(ConductorRole.TRAVELLER, "L.t" + link + t, ends[2 + t]);
                }
            }
            wire(ConductorRole.PERMANENT_LIVE, "L.live", way.get(0) + ".COM");
            wire(ConductorRole.SWITCHED_LIVE, way.get(way.size() - 1) + ".COM", LAMP_L);
        } else {
            for (int link = 0; link + 1 < chain.size(); link++) {
                String[] ends = travellerEnds(chain, link);
                wire(ConductorRole.TRAVELLER, ends[0], ends[2]);
                wire(ConductorRole.TRAVELLER, ends[1], ends[3]);
            }
            if (kind == 0) {
                topology = turned ? "TWO_WAY_FEED_B_LAMP_A" : "TWO_WAY_FEED_A_LAMP_B";
                wire(ConductorRole.PERMANENT_LIVE, SUPPLY_LIVE, way.get(0) + ".COM");
                wire(ConductorRole.SWITCHED_LIVE, way.get(way.size() - 1) + ".COM", LAMP_L);
                if (random.nextBoolean()) {
                    neutral(way);
                }
            } else {
                feedAndLampTogether(way, kind == 2);
                topology = kind == 2 ? "TWO_WAY_FEED_AT_LAMP" : "TWO_WAY_FEED_AND_LAMP_" + way.get(0);
            }
        }
        topology += intermediates > 0 ? "_WITH_INTERMEDIATE" : "";
        spares();
    }

    private void feedAndLampTogether(List<String> way, boolean fromLamp) {
        boolean liveNear = random.nextBoolean();
        String near = way.get(0);
        String at = near + ".joint:7";
        for (int i = 1; i < way.size(); i++) {
            String next = way.get(i) + (i == way.size() - 1 ? ".COM" : ".joint:7");
            wire(liveNear ? ConductorRole.SWITCHED_LIVE : ConductorRole.PERMANENT_LIVE, at, next);
            at = next;
        }
        wire(ConductorRole.SWITCHED_LIVE, liveNear ? near + ".joint:7" : near + ".COM", LAMP_L);
        wire(
                ConductorRole.PERMANENT_LIVE,
                fromLamp ? "L.live" : SUPPLY_LIVE,
                liveNear ? near + ".COM" : near + ".joint:7");
        if (!fromLamp && random.nextBoolean()) {
            neutral(List.of(near));
        }
    }

    private void threeStrapper() {
        topology = "THREE_STRAPPER";
        box("A", Mechanism.TWO_WAY);
        box("B", Mechanism.TWO_WAY);
        boolean crossed = random.nextBoolean();
        String[] atA = {"A.L1", "A.L2"};
        String[] atB = crossed ? new String[] {"B.L2", "B.L1"} : new String[] {"B.L1", "B.L2"};
        wire(ConductorRole.STRAP, "A.COM", "B.COM");
        wire(ConductorRole.TRAVELLER, atA[0], atB[0]);
        wire(ConductorRole.TRAVELLER, atA[1], atB[1]);
        int fed = random.nextInt(2);
        boolean feedAtA = random.nextBoolean();
        boolean lampAtA = random.nextBoolean();
        wire(ConductorRole.PERMANENT_LIVE, SUPPLY_LIVE, (feedAtA ? atA : atB)[fed]);
        wire(ConductorRole.SWITCHED_LIVE, (lampAtA ? atA : atB)[1 - fed], LAMP_L);
        if (random.nextBoolean()) {
            String feed = feedAtA ? "A" : "B";
            neutral(feedAtA == lampAtA ? List.of(feed) : List.of(feed, lampAtA ? "A" : "B"));
        }
        spares();
    }

    private String[] travellerEnds(List<String> chain, int link) {
        String near = chain.get(link);
        String far = chain.get(link + 1);
        String[] from =
                mechanisms.get(near) == Mechanism.TWO_WAY ? new String[] {".L1", ".L2"} : new String[] {".B1", ".B2"};
        String[] to =
                mechanisms.get(far) == Mechanism.TWO_WAY ? new String[] {".L1", ".L2"} : new String[] {".A1", ".A2"};
        int cross = random.nextInt(2);
        return new String[] {near + from[0], near + from[1], far + to[cross], far + to[1 - cross]};
    }

    private void neutral(List<String> way) {
        wire(ConductorRole.NEUTRAL, SUPPLY_NEUTRAL, way.get(0) + ".joint:1");
        for (int i = 0; i + 1 < way.size(); i++) {
            wire(ConductorRole.NEUTRAL, way.get(i) + ".joint:1", way.get(i + 1) + ".joint:1");
        }
        wire(ConductorRole.NEUTRAL, way.get(way.size() - 1) + ".joint:1", LAMP_N);
    }

    boolean answer(Reading reading) {
        if (reading instanceof Reading.Live live) {
            return reached(nodeOf(live.core()), live.with(), null).contains(SUPPLY_LIVE);
        }
        if (reading instanceof Reading.Lamp lamp) {
            return reached(LAMP_L, lamp.with(), null).contains(SUPPLY_LIVE);
        }
        if (reading instanceof Reading.Returns returns) {
            Conductor own = conductorOf(returns.core());
            if (own == null) {
                return false;
            }
            Set<String> reached =
                    reached(own.fromCore().equals(returns.core()) ? own.to() : own.from(), returns.with(), own);
            return !reached.contains(SUPPLY_LIVE)
                    && (reached.contains(SUPPLY_NEUTRAL) || reached.contains(LAMP_L) || reached.contains(LAMP_N));
        }
        return joined((Reading.Continuous) reading);
    }

    private boolean joined(Reading.Continuous pair) {
        Conductor one = conductorOf(pair.first());
        Conductor other = conductorOf(pair.second());
        if (one == null || other == null) {
            return false;
        }
        if (one == other) {
            return true;
        }
        String start = one.fromCore().equals(pair.first()) ? one.to() : one.from();
        String goal = other.fromCore().equals(pair.second()) ? other.to() : other.from();
        Set<String> seen = new HashSet<>(Set.of(start));
        Deque<String> open = new ArrayDeque<>(seen);
        while (!open.isEmpty()) {
            String at = open.pop();
            for (Conductor conductor : conductors) {
                if (conductor != one && conductor != other && !conductor.from().startsWith("S.")) {
                    String next = conductor.from().equals(at)
                            ? conductor.to()
                            : conductor.to().equals(at) ? conductor.from() : "";
                    if (!next.isEmpty() && seen.add(next)) {
                        open.push(next);
                    }
                }
            }
        }
        return !start.startsWith("S.") && seen.contains(goal);
    }

    private Conductor conductorOf(String core) {
        return conductors.stream()
                .filter(c -> c.fromCore().equals(core) || c.toCore().equals(core))
                .findFirst()
                .orElse(null);
    }

    private String nodeOf(String core) {
        Conductor own = conductorOf(core);
        return own == null ? "free " + core : own.fromCore().equals(core) ? own.from() : own.to();
    }

    private Set<String> reached(String start, Map<String, Integer> with, Conductor without) {
        Map<String, List<String>> ways = new HashMap<>();
        for (Conductor conductor : conductors) {
            if (conductor != without) {
                join(ways, conductor.from(), conductor.to());
            }
        }
        join(ways, "L.live", SUPPLY_LIVE);
        join(ways, LAMP_N, SUPPLY_NEUTRAL);
        with.forEach((box, position) -> mechanisms
                .get(box)
                .contacts(position)
                .forEach(contact -> join(ways, box + "." + contact.from(), box + "." + contact.to())));
        Set<String> seen = new HashSet<>(Set.of(start));
        Deque<String> open = new ArrayDeque<>(seen);
        while (!open.isEmpty()) {
            for (String next : ways.getOrDefault(open.pop(), List.of())) {
                if (seen.add(next)) {
                    open.push(next);
                }
            }
        }
        return seen;
    }

    private static void join(Map<String, List<String>> ways, String a, String b) {
        ways.computeIfAbsent(a, x -> new ArrayList<>()).add(b);
        ways.computeIfAbsent(b, x -> new ArrayList<>()).add(a);
    }

    /** Node of a core in {@link #wiring()}. */
    NodeId node(String core) {
        return new NodeId(nodeOf(core));
    }

    /** The circuit for the electrical core. */
    Wiring wiring() {
        List<Part> parts = new ArrayList<>();
        parts.add(new Part.Supply(
                new PartId("F"),
                Line.L1,
                "4",
                OptionalDouble.of(10),
                OptionalDouble.empty(),
                Map.of("out", new NodeId(SUPPLY_LIVE))));
        parts.add(new Part.Supply(
                new PartId("N"),
                Line.N,
                "4",
                OptionalDouble.of(10),
                OptionalDouble.empty(),
                Map.of("out", new NodeId(SUPPLY_NEUTRAL))));
        parts.add(link("at lamp, live", "L.live", SUPPLY_LIVE));
        parts.add(link("at lamp, neutral", LAMP_N, SUPPLY_NEUTRAL));
        parts.add(new Part.Load(
                new PartId("X"),
                LoadKind.LED_LAMP,
                9,
                1,
                OptionalDouble.empty(),
                Optional.empty(),
                Optional.empty(),
                false,
                Map.of("L", new NodeId(LAMP_L), "N", new NodeId(LAMP_N))));
        for (int i = 0; i < conductors.size(); i++) {
            parts.add(link("w" + i, conductors.get(i).from(), conductors.get(i).to()));
        }
        mechanisms.forEach((id, mechanism) -> {
            Map<String, NodeId> pins = new LinkedHashMap<>();
            mechanism.terminals().forEach(terminal -> pins.put(terminal, new NodeId(id + "." + terminal)));
            parts.add(new Part.Switch(new PartId(id), mechanism, pins));
        });
        return new Wiring(new SupplySystem(230, 50, SupplySystem.Arrangement.THREE_PHASE), parts, List.of());
    }

    private static Part link(String id, String a, String b) {
        return new Part.Link(new PartId(id), Map.of("a", new NodeId(a), "b", new NodeId(b)));
    }
}
