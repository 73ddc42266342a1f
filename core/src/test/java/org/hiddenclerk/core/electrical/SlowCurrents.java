package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.FindingCode;

/**
 * What circuits and conductors carry, for the {@link SlowJudge}: every way of coming loose is tried where conductors
 * lie beside each other.
 */
final class SlowCurrents {
    /** Edges of a net up to which every set of them is let come loose. */
    private static final int MOST_EDGES = 12;

    private static final Map<Double, Double> CAPACITY = new TreeMap<>(
            Map.of(0.5, 7.0, 0.75, 10.0, 1.0, 13.5, 1.5, 17.5, 2.5, 24.0, 4.0, 32.0, 6.0, 41.0, 10.0, 57.0));

    private SlowCurrents() {}

    /** Lines of circuits that deliver more than their least rating, over all regions. */
    static Set<FindingCode> circuits(Map<List<Part>, List<SlowState>> soundByRegion, Wiring wiring) {
        Set<FindingCode> found = new HashSet<>();
        for (Part part : wiring.parts()) {
            if (part instanceof Part.Supply supply && (supply.line().isLive() || supply.line() == Line.ELV_PLUS)) {
                double least = wiring.parts().stream()
                        .filter(p -> p instanceof Part.Supply s
                                && s.line() == supply.line()
                                && s.circuit().equals(supply.circuit()))
                        .mapToDouble(p -> ((Part.Supply) p).ratedAmps().orElse(1e9))
                        .min()
                        .orElseThrow();
                double sum = 0;
                for (List<SlowState> sound : soundByRegion.values()) {
                    sum += sound.stream()
                            .mapToDouble(state -> drawn(state, supply))
                            .max()
                            .orElse(0);
                }
                if (sum > least * 1.0001) {
                    found.add(FindingCode.CIRCUIT_OVERLOAD);
                }
            }
        }
        return found;
    }

    private static double drawn(SlowState state, Part.Supply line) {
        double amps = 0;
        for (SlowState.Resistance r : state.resistances) {
            if (isOn(state, r.a(), line) != isOn(state, r.b(), line)) {
                amps += apparent(state, r);
            }
        }
        return amps;
    }

    private static boolean isOn(SlowState state, String node, Part.Supply line) {
        return state.suppliesOf(node).stream()
                .anyMatch(s -> s.line() == line.line() && s.circuit().equals(line.circuit()));
    }

    private static double apparent(SlowState state, SlowState.Resistance r) {
        return state.flow(r) / (r.part() instanceof Part.Load load ? load.powerFactor() : 1);
    }

    private record Edge(String id, String a, String b) {}

    /** Conductors that are too thin, or carry too much in a state. */
    static void conductors(SlowState state, List<Part> region, Set<FindingCode> found) {
        List<Edge> edges = edges(state, region);
        double all = 2
                * state.resistances.stream()
                        .mapToDouble(r -> apparent(state, r))
                        .sum();
        for (Part part : region) {
            if (part instanceof Part.Conductor wire && wire.mm2().isPresent()) {
                String a = SlowJudge.node(wire, "a");
                boolean mains =
                        state.suppliesOf(a).stream().anyMatch(s -> s.line().isLive() || s.line() == Line.N);
                if (mains && wire.mm2().getAsDouble() < 0.4999) {
                    found.add(FindingCode.CONDUCTOR_OVERLOAD);
                }
                double allowed = CAPACITY.entrySet().stream()
                        .filter(e -> e.getKey() <= wire.mm2().getAsDouble() + 1e-4)
                        .mapToDouble(Map.Entry::getValue)
                        .max()
                        .orElse(1e9);
                // What all loads together do not draw, no conductor carries.
                if (all > allowed
                        && most(
                                        state,
                                        wire,
                                        edges.stream()
                                                .filter(e -> state.net(e.a()).equals(state.net(a)))
                                                .toList())
                                > allowed * 1.0001) {
                    found.add(FindingCode.CONDUCTOR_OVERLOAD);
                }
            }
        }
    }

    private static double most(SlowState state, Part.Conductor wire, List<Edge> net) {
        Edge own = net.stream()
                .filter(e -> e.id().equals(wire.id().value()))
                .findFirst()
                .orElseThrow();
        List<Edge> others =
                net.stream().filter(e -> e != own && !e.a().equals(e.b())).toList();
        if (!reached(own.a(), others).contains(own.b())) {
            return asBridge(state, own, others);
        }
        double most = 0;
        for (int gone = 0; gone < 1 << Math.min(MOST_EDGES, others.size()); gone++) {
            List<Edge> left = new ArrayList<>();
            for (int i = 0; i < others.size(); i++) {
                if (i >= MOST_EDGES || (gone >> i & 1) == 0) {
                    left.add(others.get(i));
                }
            }
            if (!reached(own.a(), left).contains(own.b())) {
                most = Math.max(most, asBridge(state, own, left));
            }
        }
        return most;
    }

    /** The draw of the side without a supply; of two sides with one, the smaller draw is the most that can be asked for. */
    private static double asBridge(SlowState state, Edge own, List<Edge> others) {
        Set<String> here = reached(own.a(), others);
        Set<String> there = reached(own.b(), others);
        boolean fedHere = state.supplies().stream().anyMatch(s -> here.contains(SlowJudge.node(s, "out")));
        boolean fedThere = state.supplies().stream().anyMatch(s -> there.contains(SlowJudge.node(s, "out")));
        double drawnHere = drawn(state, here);
        double drawnThere = drawn(state, there);
        return fedHere == fedThere ? Math.min(drawnHere, drawnThere) : fedHere ? drawnThere : drawnHere;
    }

    private static double drawn(SlowState state, Set<String> nodes) {
        double sum = 0;
        for (SlowState.Resistance r : state.resistances) {
            sum += nodes.contains(r.a()) ? apparent(state, r) : 0;
            sum += nodes.contains(r.b()) ? apparent(state, r) : 0;
        }
        return sum;
    }

    private static Set<String> reached(String start, List<Edge> edges) {
        Set<String> reached = new HashSet<>(Set.of(start));
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Edge edge : edges) {
                if (reached.contains(edge.a()) != reached.contains(edge.b())) {
                    reached.add(edge.a());
                    reached.add(edge.b());
                    grew = true;
                }
            }
        }
        return reached;
    }

    private static List<Edge> edges(SlowState state, List<Part> region) {
        List<Edge> edges = new ArrayList<>();
        List<Part.Supply> supplies = state.supplies();
        for (int i = 0; i < supplies.size(); i++) {
            for (int j = i + 1; j < supplies.size(); j++) {
                if (state.net(SlowJudge.node(supplies.get(i), "out"))
                        .equals(state.net(SlowJudge.node(supplies.get(j), "out")))) {
                    edges.add(new Edge(
                            "bus", SlowJudge.node(supplies.get(i), "out"), SlowJudge.node(supplies.get(j), "out")));
                }
            }
        }
        for (Part part : region) {
            if (part instanceof Part.Conductor || part instanceof Part.Link) {
                edges.add(new Edge(part.id().value(), SlowJudge.node(part, "a"), SlowJudge.node(part, "b")));
            } else if (part instanceof Part.Sender) {
                edges.add(new Edge(part.id().value(), SlowJudge.node(part, "COM"), SlowJudge.node(part, "L1")));
            } else if (part instanceof Part.Switch s) {
                s.mechanism()
                        .contacts(state.positions.getOrDefault(part.id().value(), 1))
                        .forEach(contact -> edges.add(new Edge(
                                part.id().value(),
                                SlowJudge.node(part, contact.from()),
                                SlowJudge.node(part, contact.to()))));
            } else if (part instanceof Part.FittedModule module) {
                module.channels().stream()
                        .filter(c -> state.positions.get(module.id() + "/" + c.id()) == 1)
                        .forEach(c -> edges.add(new Edge(
                                part.id().value(), SlowJudge.node(part, c.from()), SlowJudge.node(part, c.to()))));
            }
        }
        return edges;
    }
}
