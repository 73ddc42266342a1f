package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.hiddenclerk.core.finding.FindingCode;

/**
 * An independent, slow evaluation of the finding codes, straight from the words of the wiring format: sets of names in
 * place of numbered arrays, nets by flooding, potentials by repeated relaxation of the node equations. It covers the codes
 * about supplies, volts, ends, neutrals and modules that the planned wirings and their mutants show; the intent and what a
 * contact carries are left to the exact examples.
 */
final class SlowJudge {
    /** The codes this judge speaks of. */
    static final Set<FindingCode> COVERED = Set.of(FindingCode.SHORT_LIVE_NEUTRAL, FindingCode.SHORT_LIVE_EARTH,
            FindingCode.PHASES_JOINED, FindingCode.SECOND_FEED, FindingCode.BORROWED_NEUTRAL, FindingCode.EARTH_AS_NEUTRAL,
            FindingCode.LIVE_END_OPEN, FindingCode.OVER_VOLTAGE, FindingCode.REVERSED_POLARITY, FindingCode.LOAD_NEVER_ON,
            FindingCode.LOAD_ALWAYS_ON, FindingCode.MODULE_UNPOWERED, FindingCode.MODULE_CUT_BY_SWITCH);

    private final Wiring wiring;
    private final List<Part> region;
    private final Set<FindingCode> found = new TreeSet<>();

    private SlowJudge(Wiring wiring, List<Part> region) {
        this.wiring = wiring;
        this.region = region;
    }

    static Set<FindingCode> codesOf(Wiring wiring) {
        Set<FindingCode> codes = new TreeSet<>();
        for (List<Part> region : regions(wiring)) {
            codes.addAll(new SlowJudge(wiring, region).judge());
        }
        return codes;
    }

    /** Parts that hang together by common nodes. */
    private static List<List<Part>> regions(Wiring wiring) {
        List<List<Part>> regions = new ArrayList<>();
        Set<Part> left = new LinkedHashSet<>(wiring.parts());
        while (!left.isEmpty()) {
            List<Part> region = new ArrayList<>(List.of(left.iterator().next()));
            left.remove(region.get(0));
            for (int i = 0; i < region.size(); i++) {
                Set<String> nodes = nodesOf(region.get(i));
                for (Part part : List.copyOf(left)) {
                    if (nodesOf(part).stream().anyMatch(nodes::contains)) {
                        region.add(part);
                        left.remove(part);
                    }
                }
            }
            regions.add(region);
        }
        return regions;
    }

    private static Set<String> nodesOf(Part part) {
        Set<String> nodes = new LinkedHashSet<>();
        part.pinNames().forEach(pin -> nodes.add(node(part, pin)));
        return nodes;
    }

    private static String node(Part part, String pin) {
        NodeId node = part.pins().get(pin);
        return node == null ? "alone " + part.id() + " " + pin : node.value();
    }

    private Set<FindingCode> judge() {
        List<Map<String, Integer>> states = states();
        List<State> sound = new ArrayList<>();
        for (Map<String, Integer> positions : states) {
            State state = new State(positions);
            supplies(state);
            if (!state.isShorted()) {
                state.solve();
                sound.add(state);
                volts(state);
                neutralsByCurrent(state);
                ends(state);
            }
        }
        if (!sound.isEmpty()) {
            lamps(sound);
            modules(sound);
        }
        return found;
    }

    private List<Map<String, Integer>> states() {
        List<String> elements = new ArrayList<>();
        for (Part part : region) {
            if (part instanceof Part.Switch mechanism && mechanism.mechanism().isTwoState()) {
                elements.add(part.id().value());
            } else if (part instanceof Part.FittedModule module) {
                module.channels().forEach(channel -> elements.add(part.id() + "/" + channel.id()));
            }
        }
        List<Map<String, Integer>> states = new ArrayList<>();
        for (int bits = 0; bits < 1 << elements.size(); bits++) {
            Map<String, Integer> positions = new LinkedHashMap<>();
            for (int i = 0; i < elements.size(); i++) {
                positions.put(elements.get(i), bits >> i & 1);
            }
            states.add(positions);
        }
        return states;
    }

    private void supplies(State state) {
        for (Part.Supply a : state.supplies()) {
            for (Part.Supply b : state.supplies()) {
                if (a != b && state.net(node(a, "out")).equals(state.net(node(b, "out")))) {
                    meet(a, b);
                }
            }
        }
        for (Part part : region) {
            boolean uses = part instanceof Part.Load || part instanceof Part.Bypass || part instanceof Part.FittedModule
                    || part instanceof Part.Sender;
            for (String pin : uses ? part.pinNames() : List.<String>of()) {
                if (!pin.equals("PE") && state.isOn(node(part, pin), Line.PE)) {
                    found.add(FindingCode.EARTH_AS_NEUTRAL);
                }
            }
        }
    }

    private void meet(Part.Supply a, Part.Supply b) {
        boolean same = a.circuit().equals(b.circuit());
        if (a.line().isLive() && b.line().isLive()) {
            if (a.line() != b.line()) {
                found.add(FindingCode.PHASES_JOINED);
            } else if (!same) {
                found.add(FindingCode.SECOND_FEED);
            }
        } else if (a.line().isLive()) {
            found.add(b.line() == Line.PE ? FindingCode.SHORT_LIVE_EARTH : FindingCode.SHORT_LIVE_NEUTRAL);
        } else if (a.line() == Line.N && b.line() == Line.N && !same) {
            found.add(FindingCode.BORROWED_NEUTRAL);
        } else if (a.line() == Line.N && b.line() == Line.PE) {
            found.add(FindingCode.EARTH_AS_NEUTRAL);
        }
    }

    private void volts(State state) {
        for (Resistance r : state.resistances) {
            double volts = state.volts(r.a, r.b);
            double most = r.part instanceof Part.FittedModule module ? module.supply().maxVolts().orElse(1e9) : 1.1 * r.nominal;
            if (volts > most * 1.000001) {
                found.add(FindingCode.OVER_VOLTAGE);
            }
            boolean polar = r.part instanceof Part.Load || r.part instanceof Part.FittedModule module
                    && module.supply() instanceof ModuleSupply.LineNeutral;
            if (polar && state.isOn(r.a, Line.N) && state.isOnLive(r.b)) {
                found.add(FindingCode.REVERSED_POLARITY);
            }
        }
        for (Part part : region) {
            if (part instanceof Part.FittedModule module) {
                inputs(module, state);
            }
        }
    }

    private void inputs(Part.FittedModule module, State state) {
        Set<String> lives = new TreeSet<>();
        Set<String> others = new TreeSet<>();
        for (String pin : List.of(module.supply().livePin(), module.supply().returnPin())) {
            state.suppliesOf(node(module, pin)).stream().filter(s -> s.line() != Line.PE)
                    .forEach(s -> (s.line().isLive() ? lives : others).add(s.circuit()));
        }
        Set<String> own = lives.isEmpty() ? others : lives;
        for (Input input : module.inputs()) {
            for (String pin : input.potential() == Input.Potential.MAINS ? input.pins() : List.<String>of()) {
                double most = module.supply().maxVolts().orElse(1e9) * 1.000001;
                if (state.volts(node(module, pin), node(module, module.supply().livePin())) > most
                        || state.volts(node(module, pin), node(module, module.supply().returnPin())) > most) {
                    found.add(FindingCode.OVER_VOLTAGE);
                }
                for (Part.Supply supply : state.suppliesOf(node(module, pin))) {
                    if (!own.isEmpty() && !own.contains(supply.circuit()) && supply.line() != Line.PE) {
                        found.add(supply.line().isLive() ? FindingCode.SECOND_FEED : FindingCode.BORROWED_NEUTRAL);
                    }
                }
            }
        }
    }

    private void neutralsByCurrent(State state) {
        List<Resistance> left = new ArrayList<>(state.resistances.stream()
                .filter(r -> state.volts(r.a, r.b) / r.ohms > 0.0001).toList());
        while (!left.isEmpty()) {
            List<Resistance> path = new ArrayList<>(List.of(left.remove(0)));
            for (int i = 0; i < path.size(); i++) {
                for (Resistance other : List.copyOf(left)) {
                    if (state.hangTogether(path.get(i), other)) {
                        path.add(other);
                        left.remove(other);
                    }
                }
            }
            Set<String> lives = new TreeSet<>();
            Set<String> neutrals = new TreeSet<>();
            for (Resistance r : path) {
                for (String node : List.of(r.a, r.b)) {
                    for (Part.Supply supply : state.suppliesOf(node)) {
                        if (supply.line().isLive()) {
                            lives.add(supply.circuit());
                        } else if (supply.line() == Line.N) {
                            neutrals.add(supply.circuit());
                        }
                    }
                }
            }
            if (!lives.isEmpty() && !neutrals.isEmpty() && !lives.equals(neutrals)) {
                found.add(FindingCode.BORROWED_NEUTRAL);
            }
        }
    }

    private void ends(State state) {
        Map<String, Integer> touches = new TreeMap<>();
        for (Part part : region) {
            part.pinNames().stream().filter(pin -> !pin.equals("PE") || part.pins().containsKey(pin))
                    .forEach(pin -> touches.merge(node(part, pin), 1, Integer::sum));
        }
        for (Part part : region) {
            if (part instanceof Part.Conductor) {
                for (String end : List.of("a", "b")) {
                    if (touches.get(node(part, end)) == 1 && state.voltsToEarth(node(part, end)) > 50) {
                        found.add(FindingCode.LIVE_END_OPEN);
                    }
                }
            }
        }
    }

    private void lamps(List<State> sound) {
        for (Part part : region) {
            if (part instanceof Part.Load load) {
                double on = 0.85 * load.volts().orElse(wiring.supply().nominalVolts()) - 1e-6;
                long lit = sound.stream().filter(s -> s.volts(node(load, "L"), node(load, "N")) >= on).count();
                boolean intended = wiring.intents().stream().anyMatch(i -> i.load().equals(load.id()));
                if (lit == 0) {
                    found.add(FindingCode.LOAD_NEVER_ON);
                } else if (lit == sound.size() && intended) {
                    found.add(FindingCode.LOAD_ALWAYS_ON);
                }
            }
        }
    }

    private void modules(List<State> sound) {
        for (Part part : region) {
            if (part instanceof Part.FittedModule module) {
                List<State> idle = sound.stream().filter(s -> module.channels().stream()
                        .allMatch(c -> s.positions.get(module.id() + "/" + c.id()) == 0)).toList();
                long powered = idle.stream().filter(s -> {
                    String live = node(module, module.supply().livePin());
                    double volts = s.volts(live, node(module, module.supply().returnPin()));
                    boolean fed = !(module.supply() instanceof ModuleSupply.TwoWire) || s.isOnLive(live);
                    return fed && volts >= module.supply().minVolts() - 1e-6;
                }).count();
                if (!idle.isEmpty() && powered == 0) {
                    found.add(FindingCode.MODULE_UNPOWERED);
                } else if (powered < idle.size()) {
                    found.add(FindingCode.MODULE_CUT_BY_SWITCH);
                }
            }
        }
    }

    private record Resistance(Part part, String a, String b, double ohms, double nominal) {
    }

    /** One state: nets by flooding over closed edges, potentials by relaxation. */
    private final class State {
        private final Map<String, Integer> positions;
        private final Map<String, String> nets = new TreeMap<>();
        private final List<Resistance> resistances = new ArrayList<>();
        private final Map<String, double[]> potentials = new TreeMap<>();

        State(Map<String, Integer> positions) {
            this.positions = positions;
            region.forEach(part -> nodesOf(part).forEach(node -> nets.put(node, node)));
            region.forEach(this::close);
        }

        private void close(Part part) {
            double nominal = wiring.supply().nominalVolts();
            if (part instanceof Part.Conductor || part instanceof Part.Link) {
                join(node(part, "a"), node(part, "b"));
            } else if (part instanceof Part.Switch mechanism) {
                mechanism.mechanism().contacts(positions.getOrDefault(part.id().value(), 1))
                        .forEach(contact -> join(node(part, contact.from()), node(part, contact.to())));
            } else if (part instanceof Part.Load load) {
                double volts = load.volts().orElse(nominal);
                resistances.add(new Resistance(part, node(part, "L"), node(part, "N"), volts * volts / load.watts(), volts));
            } else if (part instanceof Part.Bypass bypass) {
                resistances.add(new Resistance(part, node(part, "a"), node(part, "b"), nominal * nominal / bypass.watts(),
                        nominal));
            } else if (part instanceof Part.FittedModule module) {
                resistances.add(new Resistance(part, node(part, module.supply().livePin()),
                        node(part, module.supply().returnPin()), module.supply().ohms(nominal), nominal));
                module.channels().stream().filter(c -> positions.get(part.id() + "/" + c.id()) == 1)
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

        List<Part.Supply> supplies() {
            return region.stream().filter(Part.Supply.class::isInstance).map(Part.Supply.class::cast).toList();
        }

        List<Part.Supply> suppliesOf(String node) {
            return supplies().stream().filter(s -> net(node(s, "out")).equals(net(node))).toList();
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
            return supplies().stream().anyMatch(a -> suppliesOf(node(a, "out")).stream().anyMatch(b ->
                    Math.hypot(phasor(a)[0] - phasor(b)[0], phasor(a)[1] - phasor(b)[1]) > 0.001));
        }

        private double[] phasor(Part.Supply supply) {
            double volts = supply.line().isLive() ? wiring.supply().nominalVolts() : 0;
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
            for (int round = 0; round < 4_000; round++) {
                for (String net : potentials.keySet()) {
                    if (!held.contains(net)) {
                        relax(net);
                    }
                }
            }
        }

        private void relax(String net) {
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
            potentials.put(net, new double[] {re / siemens, im / siemens});
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
}
