package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;

/** One state of a region for the slow judge: nets by flooding over closed edges, potentials by relaxation. */
final class SlowState {
    private static final double SETTLED_VOLTS = 1e-10;

    /** Something that lets a current through between two nodes. */
    record Resistance(Part part, String a, String b, double ohms, double nominal) {}

    final Map<String, Integer> positions;
    final Map<String, String> nets = new TreeMap<>();
    final List<Resistance> resistances = new ArrayList<>();
    private final Map<String, double[]> potentials = new TreeMap<>();
    private final Wiring wiring;
    private final List<Part> region;

    SlowState(Wiring wiring, List<Part> region, Map<String, Integer> positions) {
        this.wiring = wiring;
        this.region = region;
        this.positions = positions;
        region.forEach(part -> SlowJudge.nodesOf(part).forEach(node -> nets.put(node, node)));
        region.forEach(this::close);
    }

    private void close(Part part) {
        double nominal = wiring.supply().nominalVolts();
        if (part instanceof Part.Conductor || part instanceof Part.Link) {
            join(node(part, "a"), node(part, "b"));
        } else if (part instanceof Part.Sender) {
            join(node(part, "COM"), node(part, "L1"));
        } else if (part instanceof Part.Switch mechanism) {
            mechanism
                    .mechanism()
                    .contacts(positions.getOrDefault(part.id().value(), 1))
                    .forEach(contact -> join(node(part, contact.from()), node(part, contact.to())));
        } else if (part instanceof Part.Load load) {
            double volts = load.volts().orElse(nominal);
            resistances.add(
                    new Resistance(part, node(part, "L"), node(part, "N"), volts * volts / load.watts(), volts));
        } else if (part instanceof Part.Bypass bypass) {
            resistances.add(new Resistance(
                    part, node(part, "a"), node(part, "b"), nominal * nominal / bypass.watts(), nominal));
        } else if (part instanceof Part.FittedModule module) {
            resistances.add(new Resistance(
                    part,
                    node(part, module.supply().livePin()),
                    node(part, module.supply().returnPin()),
                    module.supply().ohms(nominal),
                    nominal));
            module.channels().stream()
                    .filter(c -> positions.get(part.id() + "/" + c.id()) == 1)
                    .forEach(c -> join(node(part, c.from()), node(part, c.to())));
        }
    }

    private void join(String a, String b) {
        String from = nets.get(b);
        String to = nets.get(a);
        nets.replaceAll((node, net) -> net.equals(from) ? to : net);
    }

    String net(String node) {
        return nets.get(node);
    }

    boolean differsInOneFrom(SlowState other) {
        return positions.entrySet().stream()
                        .filter(e -> !e.getValue().equals(other.positions.get(e.getKey())))
                        .count()
                == 1;
    }

    double flow(Resistance r) {
        return volts(r.a, r.b) / r.ohms;
    }

    double alignment(String at, String one, String other) {
        double[] a = potentials.get(net(at));
        double[] b = potentials.get(net(one));
        double[] c = potentials.get(net(other));
        return (a[0] - b[0]) * (a[0] - c[0]) + (a[1] - b[1]) * (a[1] - c[1]);
    }

    boolean isFed(Part.FittedModule module) {
        String live = node(module, module.supply().livePin());
        String back = node(module, module.supply().returnPin());
        double volts = module.supply() instanceof ModuleSupply.DirectCurrent
                ? potentials.get(net(live))[0] - potentials.get(net(back))[0]
                : volts(live, back);
        boolean onLive = !(module.supply() instanceof ModuleSupply.TwoWire) || isOnLive(live);
        return onLive && volts >= module.supply().minVolts() - 1e-6;
    }

    boolean isActive(Part owner, Input input) {
        String first = net(node(owner, input.pins().get(0)));
        if (input.pins().size() > 1) {
            return first.equals(net(node(owner, input.pins().get(1))));
        }
        String with = node(owner, input.activeWith().orElseThrow());
        boolean samePotential = input.potential() == Input.Potential.MAINS
                && suppliesOf(node(owner, input.pins().get(0))).stream().anyMatch(a -> suppliesOf(with).stream()
                        .anyMatch(b -> Math.hypot(phasor(a)[0] - phasor(b)[0], phasor(a)[1] - phasor(b)[1]) < 0.001));
        return first.equals(net(with)) || samePotential;
    }

    /** Nodes joined whatever the switches do. */
    Set<String> fixedReach(String start) {
        Set<String> reached = new TreeSet<>(Set.of(start));
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Part part : region) {
                boolean fixed = part instanceof Part.Conductor
                        || part instanceof Part.Link
                        || part instanceof Part.Sender
                        || part instanceof Part.Switch s && !s.mechanism().isTwoState();
                List<String> ends = !fixed
                        ? List.of()
                        : part instanceof Part.Conductor || part instanceof Part.Link
                                ? List.of(node(part, "a"), node(part, "b"))
                                : List.of(node(part, "COM"), node(part, "L1"));
                if (ends.stream().anyMatch(reached::contains)) {
                    grew |= reached.addAll(ends);
                }
            }
        }
        return reached;
    }

    List<Part.Supply> supplies() {
        return region.stream()
                .filter(Part.Supply.class::isInstance)
                .map(Part.Supply.class::cast)
                .toList();
    }

    List<Part.Supply> suppliesOf(String node) {
        return supplies().stream()
                .filter(s -> net(node(s, "out")).equals(net(node)))
                .toList();
    }

    private String node(Part part, String pin) {
        return SlowJudge.node(part, pin);
    }

    boolean isOn(String node, Line line) {
        return suppliesOf(node).stream().anyMatch(s -> s.line() == line);
    }

    boolean isOnLive(String node) {
        return suppliesOf(node).stream().anyMatch(s -> s.line().isLive());
    }

    boolean isShorted() {
        return supplies().stream().anyMatch(a -> suppliesOf(node(a, "out")).stream()
                .anyMatch(b -> Math.hypot(phasor(a)[0] - phasor(b)[0], phasor(a)[1] - phasor(b)[1]) > 0.001));
    }

    private double[] phasor(Part.Supply supply) {
        double volts = supply.line().isLive()
                ? wiring.supply().nominalVolts()
                : supply.line() == Line.ELV_PLUS ? supply.volts().orElseThrow() : 0;
        double angle = Math.toRadians(wiring.supply().degrees(supply.line()));
        return new double[] {volts * Math.cos(angle), volts * Math.sin(angle)};
    }

    boolean hangTogether(Resistance one, Resistance other) {
        for (String a : List.of(one.a, one.b)) {
            for (String b : List.of(other.a, other.b)) {
                if (net(a).equals(net(b)) && suppliesOf(a).isEmpty()) {
                    return true;
                }
            }
        }
        return false;
    }

    /** Relaxation over node equations; a floating net settles at the conductance-weighted mean of its neighbours. */
    void solve() {
        nets.values().forEach(net -> potentials.putIfAbsent(net, new double[2]));
        supplies().forEach(s -> potentials.put(net(node(s, "out")), phasor(s)));
        Set<String> held = new TreeSet<>();
        supplies().forEach(s -> held.add(net(node(s, "out"))));
        double moved = 1;
        for (int round = 0; round < 4_000 && moved > SETTLED_VOLTS; round++) {
            moved = 0;
            for (String net : potentials.keySet()) {
                if (!held.contains(net)) {
                    moved = Math.max(moved, relax(net));
                }
            }
        }
    }

    /** Sets a net to what its neighbours make of it and tells how far it moved, in volts. */
    private double relax(String net) {
        double siemens = 1e-9;
        double re = 0;
        double im = 0;
        for (Resistance r : resistances) {
            String a = net(r.a);
            String b = net(r.b);
            if (!a.equals(b) && (a.equals(net) || b.equals(net))) {
                double[] other = potentials.get(a.equals(net) ? b : a);
                siemens += 1 / r.ohms;
                re += other[0] / r.ohms;
                im += other[1] / r.ohms;
            }
        }
        double[] before = potentials.put(net, new double[] {re / siemens, im / siemens});
        return Math.hypot(re / siemens - before[0], im / siemens - before[1]);
    }

    double volts(String a, String b) {
        double[] x = potentials.get(net(a));
        double[] y = potentials.get(net(b));
        return Math.hypot(x[0] - y[0], x[1] - y[1]);
    }

    double voltsToEarth(String node) {
        double[] x = potentials.get(net(node));
        return Math.hypot(x[0], x[1]);
    }
}
