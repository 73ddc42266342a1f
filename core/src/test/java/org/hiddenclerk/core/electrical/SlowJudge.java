package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.FindingCode;

/**
 * An independent, slow evaluation of the finding codes, straight from the words of the wiring format: sets of names in
 * place of numbered arrays, nets by flooding, potentials by repeated relaxation of the node equations. It covers the codes
 * about supplies, volts, ends, neutrals, contacts and modules that the planned wirings and their mutants show; the intent is
 * left to the exact examples.
 */
final class SlowJudge {
    /** The codes this judge speaks of. */
    static final Set<FindingCode> COVERED = Set.of(
            FindingCode.SHORT_LIVE_NEUTRAL,
            FindingCode.SHORT_LIVE_EARTH,
            FindingCode.PHASES_JOINED,
            FindingCode.SECOND_FEED,
            FindingCode.BORROWED_NEUTRAL,
            FindingCode.EARTH_AS_NEUTRAL,
            FindingCode.LIVE_END_OPEN,
            FindingCode.OVER_VOLTAGE,
            FindingCode.REVERSED_POLARITY,
            FindingCode.LOAD_NEVER_ON,
            FindingCode.LOAD_ALWAYS_ON,
            FindingCode.MODULE_UNPOWERED,
            FindingCode.MODULE_CUT_BY_SWITCH,
            FindingCode.NEUTRAL_SWITCHED,
            FindingCode.LOADS_IN_SERIES,
            FindingCode.INPUT_STUCK,
            FindingCode.BOTH_DIRECTIONS_ON,
            FindingCode.EARTH_MISSING,
            FindingCode.GHOST_GLOW,
            FindingCode.UNUSED_CONDUCTOR,
            FindingCode.CIRCUIT_OVERLOAD,
            FindingCode.CONTACT_OVERLOAD,
            FindingCode.RATING_UNKNOWN,
            FindingCode.BELOW_MINIMUM_LOAD,
            FindingCode.MAINS_ON_ELV,
            FindingCode.LIVE_ON_EARTH_PIN,
            FindingCode.SUPPLY_ON_INPUT,
            FindingCode.TWO_CIRCUITS,
            FindingCode.DIMMER_IN_SERIES,
            FindingCode.CONDUCTOR_OVERLOAD);

    private final Wiring wiring;
    private final List<Part> region;
    private final Set<FindingCode> found = new TreeSet<>();

    private SlowJudge(Wiring wiring, List<Part> region) {
        this.wiring = wiring;
        this.region = region;
    }

    static Set<FindingCode> codesOf(Wiring wiring) {
        Set<FindingCode> codes = new TreeSet<>();
        Map<List<Part>, List<SlowState>> soundByRegion = new LinkedHashMap<>();
        for (List<Part> region : regions(wiring)) {
            SlowJudge judge = new SlowJudge(wiring, region);
            soundByRegion.put(region, judge.judge());
            codes.addAll(judge.found);
        }
        codes.addAll(SlowCurrents.circuits(soundByRegion, wiring));
        return codes;
    }

    /** Parts that hang together by common nodes, or are windings of one motor. */
    private static List<List<Part>> regions(Wiring wiring) {
        List<List<Part>> regions = new ArrayList<>();
        Set<Part> left = new LinkedHashSet<>(wiring.parts());
        while (!left.isEmpty()) {
            List<Part> region = new ArrayList<>(List.of(left.iterator().next()));
            left.remove(region.get(0));
            for (int i = 0; i < region.size(); i++) {
                Set<String> nodes = nodesOf(region.get(i));
                for (Part part : List.copyOf(left)) {
                    if (nodesOf(part).stream().anyMatch(nodes::contains) || isSameMotor(part, region.get(i))) {
                        region.add(part);
                        left.remove(part);
                    }
                }
            }
            regions.add(region);
        }
        return regions;
    }

    private static boolean isSameMotor(Part one, Part other) {
        return one instanceof Part.Load a
                && other instanceof Part.Load b
                && a.motor().isPresent()
                && a.motor().equals(b.motor());
    }

    static Set<String> nodesOf(Part part) {
        Set<String> nodes = new LinkedHashSet<>();
        part.pinNames().forEach(pin -> nodes.add(node(part, pin)));
        return nodes;
    }

    static String node(Part part, String pin) {
        NodeId node = part.pins().get(pin);
        return node == null ? "alone " + part.id() + " " + pin : node.value();
    }

    /** Judges and tells the states without a short. */
    private List<SlowState> judge() {
        List<Map<String, Integer>> states = states();
        SlowMeetings meetings = new SlowMeetings(wiring, region, found);
        SlowTerminals terminals = new SlowTerminals(region, found);
        List<SlowState> sound = new ArrayList<>();
        for (Map<String, Integer> positions : states) {
            SlowState state = new SlowState(wiring, region, positions);
            meetings.add(state);
            if (!state.isShorted()) {
                state.solve();
                sound.add(state);
                volts(state);
                neutralsByCurrent(state);
                ends(state);
                series(state);
                directions(state);
                glow(state);
                terminals.add(state);
                SlowCurrents.conductors(state, region, found);
            }
        }
        if (!sound.isEmpty()) {
            lamps(sound);
            modules(sound);
            neutralsTakenAway(sound);
            stuckInputs(sound);
            new SlowContacts(region, found).add(sound);
            terminals.dimmers(sound);
        }
        leftOver();
        return sound;
    }

    private void neutralsTakenAway(List<SlowState> sound) {
        for (SlowState one : sound) {
            for (SlowState other : sound) {
                if (one.differsInOneFrom(other)) {
                    for (SlowState.Resistance r : one.resistances) {
                        boolean exposed = !(r.part() instanceof Part.FittedModule module)
                                || module.supply() instanceof ModuleSupply.LineNeutral;
                        if (exposed && (leaves(one, other, r.a(), r.b()) || leaves(one, other, r.b(), r.a()))) {
                            found.add(FindingCode.NEUTRAL_SWITCHED);
                        }
                    }
                }
            }
        }
    }

    private static boolean leaves(SlowState one, SlowState other, String pin, String opposite) {
        return one.isOn(pin, Line.N) && !other.isOn(pin, Line.N) && one.isOnLive(opposite) && other.isOnLive(opposite);
    }

    private void series(SlowState state) {
        for (SlowState.Resistance one : state.resistances) {
            for (SlowState.Resistance other : state.resistances) {
                if (one != other && one.part() instanceof Part.Load && other.part() instanceof Part.Load) {
                    for (String a : List.of(one.a(), one.b())) {
                        for (String b : List.of(other.a(), other.b())) {
                            boolean meet = state.net(a).equals(state.net(b))
                                    && state.suppliesOf(a).isEmpty();
                            if (meet
                                    && state.flow(one) > 0.0001
                                    && state.flow(other) > 0.0001
                                    && state.alignment(
                                                    a,
                                                    a.equals(one.a()) ? one.b() : one.a(),
                                                    b.equals(other.a()) ? other.b() : other.a())
                                            < 0) {
                                found.add(FindingCode.LOADS_IN_SERIES);
                            }
                        }
                    }
                }
            }
        }
    }

    private void directions(SlowState state) {
        for (SlowState.Resistance one : state.resistances) {
            for (SlowState.Resistance other : state.resistances) {
                if (one.part() instanceof Part.Load a
                        && other.part() instanceof Part.Load b
                        && a != b
                        && a.motor().isPresent()
                        && a.motor().equals(b.motor())
                        && !a.direction().equals(b.direction())
                        && state.volts(one.a(), one.b()) > 0.1 * one.nominal() + 1e-6
                        && state.volts(other.a(), other.b()) > 0.1 * other.nominal() + 1e-6) {
                    found.add(FindingCode.BOTH_DIRECTIONS_ON);
                }
            }
        }
    }

    private void glow(SlowState state) {
        for (SlowState.Resistance r : state.resistances) {
            boolean electronic = r.part() instanceof Part.Load load
                    && Set.of(
                                    LoadKind.LED_LAMP,
                                    LoadKind.LED_DRIVER,
                                    LoadKind.FLUORESCENT,
                                    LoadKind.ELECTRONIC_TRANSFORMER)
                            .contains(load.kind());
            double share = state.volts(r.a(), r.b()) / r.nominal();
            if (electronic && share >= 0.03 && share <= 0.1) {
                found.add(FindingCode.GHOST_GLOW);
            }
        }
    }

    private void leftOver() {
        SlowState any = new SlowState(wiring, region, states().get(0));
        Set<String> capped = new TreeSet<>();
        region.stream().filter(Part.Cap.class::isInstance).forEach(cap -> capped.add(node(cap, "end")));
        for (Part part : region) {
            if (part instanceof Part.Conductor
                    && (capped.contains(node(part, "a")) || capped.contains(node(part, "b")))
                    && !any.fixedReach(node(part, "a")).stream().anyMatch(n -> any.supplies().stream()
                            .anyMatch(s -> s.line() == Line.PE && node(s, "out").equals(n)))) {
                found.add(FindingCode.UNUSED_CONDUCTOR);
            }
        }
    }

    private void stuckInputs(List<SlowState> sound) {
        for (Part part : region) {
            List<Input> inputs = part instanceof Part.FittedModule module
                    ? module.inputs()
                    : part instanceof Part.Sender sender ? sender.inputs() : List.of();
            for (Input input : inputs.stream().filter(i -> !i.pins().isEmpty()).toList()) {
                boolean shared = input.pins().stream().anyMatch(pin -> region.stream()
                        .anyMatch(other -> other != part
                                && !(other instanceof Part.Cap)
                                && nodesOf(other).contains(node(part, pin))));
                Set<Boolean> values = new TreeSet<>();
                sound.stream()
                        .filter(state -> isPowered(part, state, sound))
                        .forEach(state -> values.add(state.isActive(part, input)));
                if (shared && values.size() == 1) {
                    found.add(FindingCode.INPUT_STUCK);
                }
            }
        }
    }

    /** A two-wire module lives on what flows while its own contacts are open. */
    private static boolean isPowered(Part part, SlowState state, List<SlowState> sound) {
        if (part instanceof Part.Sender) {
            return state.isOnLive(node(part, "COM"));
        }
        Part.FittedModule module = (Part.FittedModule) part;
        if (module.supply() instanceof ModuleSupply.TwoWire) {
            Map<String, Integer> open = new LinkedHashMap<>(state.positions);
            module.channels().forEach(channel -> open.put(module.id() + "/" + channel.id(), 0));
            return sound.stream().filter(s -> s.positions.equals(open)).anyMatch(s -> s.isFed(module));
        }
        return state.isFed(module);
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
            boolean locked = region.stream()
                    .anyMatch(part -> part instanceof Part.FittedModule module
                            && module.interlocked()
                            && module.channels().stream()
                                            .mapToInt(c -> positions.get(module.id() + "/" + c.id()))
                                            .sum()
                                    > 1);
            if (!locked) {
                states.add(positions);
            }
        }
        return states;
    }

    private void volts(SlowState state) {
        for (SlowState.Resistance r : state.resistances) {
            double volts = state.volts(r.a(), r.b());
            double most = r.part() instanceof Part.FittedModule module
                    ? module.supply().maxVolts().orElse(1.1 * wiring.supply().nominalVolts())
                    : 1.1 * r.nominal();
            if (volts > most * 1.000001) {
                found.add(FindingCode.OVER_VOLTAGE);
            }
            boolean polar = r.part() instanceof Part.Load
                    || r.part() instanceof Part.FittedModule module
                            && module.supply() instanceof ModuleSupply.LineNeutral;
            if (polar && state.isOn(r.a(), Line.N) && state.isOnLive(r.b())) {
                found.add(FindingCode.REVERSED_POLARITY);
            }
            boolean direct = r.part() instanceof Part.Load
                    || r.part() instanceof Part.FittedModule dc && dc.supply() instanceof ModuleSupply.DirectCurrent;
            if (direct && state.isOn(r.a(), Line.ELV_MINUS) && state.isOn(r.b(), Line.ELV_PLUS)) {
                found.add(FindingCode.REVERSED_POLARITY);
            }
        }
        for (Part part : region) {
            if (part instanceof Part.FittedModule module) {
                inputs(module, state);
            }
        }
    }

    private void inputs(Part.FittedModule module, SlowState state) {
        Set<String> lives = new TreeSet<>();
        Set<String> others = new TreeSet<>();
        for (String pin : List.of(module.supply().livePin(), module.supply().returnPin())) {
            state.suppliesOf(node(module, pin)).stream()
                    .filter(s -> s.line() != Line.PE)
                    .forEach(s -> (s.line().isLive() ? lives : others).add(s.circuit()));
        }
        Set<String> own = lives.isEmpty() ? others : lives;
        for (Input input : module.inputs()) {
            for (String pin : input.potential() == Input.Potential.MAINS ? input.pins() : List.<String>of()) {
                double most =
                        module.supply().maxVolts().orElse(1.1 * wiring.supply().nominalVolts()) * 1.000001;
                if (state.volts(node(module, pin), node(module, module.supply().livePin())) > most
                        || state.volts(
                                        node(module, pin),
                                        node(module, module.supply().returnPin()))
                                > most) {
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

    private void neutralsByCurrent(SlowState state) {
        List<SlowState.Resistance> left = new ArrayList<>(state.resistances.stream()
                .filter(r -> state.volts(r.a(), r.b()) / r.ohms() > 0.0001)
                .toList());
        while (!left.isEmpty()) {
            List<SlowState.Resistance> path = new ArrayList<>(List.of(left.remove(0)));
            for (int i = 0; i < path.size(); i++) {
                for (SlowState.Resistance other : List.copyOf(left)) {
                    if (state.hangTogether(path.get(i), other)) {
                        path.add(other);
                        left.remove(other);
                    }
                }
            }
            Set<String> lives = new TreeSet<>();
            Set<String> neutrals = new TreeSet<>();
            for (SlowState.Resistance r : path) {
                for (String node : List.of(r.a(), r.b())) {
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

    private void ends(SlowState state) {
        Map<String, Integer> touches = new TreeMap<>();
        for (Part part : region) {
            part.pinNames().stream()
                    .filter(pin -> !pin.equals("PE") || part.pins().containsKey(pin))
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

    private void lamps(List<SlowState> sound) {
        for (Part part : region) {
            if (part instanceof Part.Load load) {
                double on = 0.85 * load.volts().orElse(wiring.supply().nominalVolts()) - 1e-6;
                long lit = sound.stream()
                        .filter(s -> s.volts(node(load, "L"), node(load, "N")) >= on)
                        .count();
                boolean intended =
                        wiring.intents().stream().anyMatch(i -> i.load().equals(load.id()));
                if (lit == 0) {
                    found.add(FindingCode.LOAD_NEVER_ON);
                } else if (lit == sound.size() && intended) {
                    found.add(FindingCode.LOAD_ALWAYS_ON);
                }
            }
        }
    }

    private void modules(List<SlowState> sound) {
        for (Part part : region) {
            if (part instanceof Part.Sender && sound.stream().noneMatch(s -> s.isOnLive(node(part, "COM")))) {
                found.add(FindingCode.MODULE_UNPOWERED);
            }
            if (part instanceof Part.FittedModule module) {
                List<SlowState> idle = sound.stream()
                        .filter(s -> module.channels().stream()
                                .allMatch(c -> s.positions.get(module.id() + "/" + c.id()) == 0))
                        .toList();
                long powered = idle.stream().filter(s -> s.isFed(module)).count();
                if (!idle.isEmpty() && powered == 0) {
                    found.add(FindingCode.MODULE_UNPOWERED);
                } else if (powered < idle.size()) {
                    found.add(FindingCode.MODULE_CUT_BY_SWITCH);
                }
            }
        }
    }
}
