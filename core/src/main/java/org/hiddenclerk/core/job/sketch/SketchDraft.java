package org.hiddenclerk.core.job.sketch;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Millimetres;

/** Boxes while a sketch fills them. What is in a box before stays, and what is added has names of its own. */
final class SketchDraft {
    /** What a switch usually takes of the depth of its box; common practice, no source. */
    private static final Millimetres MECHANISM_DEPTH = Millimetres.of(22);

    private static final String EARTH = "earth";
    private static final String NEUTRAL = "neutral";

    private final CircuitSketch sketch;
    private final Map<String, InBox> boxes = new LinkedHashMap<>();

    /** A core, where it ends in the first box and, where it leads to another, in that. */
    record Wire(Role role, End here, End there) {}

    /** What runs beside the travellers from one switch to the next. */
    interface Beside {
        List<Wire> from(String from, String to, boolean isLast);
    }

    private static final class InBox {
        private final CircuitSketch.Target target;
        private final List<Gang> gangs;
        private final List<SurveyedLoad> loads;
        private final List<Cable> cables;
        private final List<Jumper> jumpers;
        private final List<Integer> added = new ArrayList<>();
        private final Set<String> jointsBefore = new HashSet<>();

        private InBox(CircuitSketch.Target target) {
            this.target = target;
            Box box = target.box();
            gangs = new ArrayList<>(box.gangs());
            loads = new ArrayList<>(box.loads());
            cables = new ArrayList<>(box.cables());
            jumpers = new ArrayList<>(box.jumpers());
            box.cores().forEach(core -> joint(core.core().end()));
            box.jumpers().forEach(jumper -> {
                joint(jumper.from());
                joint(jumper.to());
            });
        }

        private void joint(End end) {
            if (end instanceof End.InConnector connector) {
                jointsBefore.add(connector.name());
            }
        }

        private String nextCable() {
            return unused("c", cables.stream().map(Cable::name).toList());
        }

        private static String unused(String stem, List<String> taken) {
            int number = 1;
            while (taken.contains(stem + number)) {
                number++;
            }
            return stem + number;
        }

        private Box built() {
            Box box = target.box();
            return new Box(box.label(), box.kind(), box.geometry(), gangs, loads, cables, jumpers, box.modules());
        }
    }

    SketchDraft(CircuitSketch sketch, Map<String, CircuitSketch.Target> places) {
        this.sketch = sketch;
        places.forEach((key, target) -> boxes.put(key, new InBox(target)));
    }

    Map<String, Box> built() {
        Map<String, Box> built = new LinkedHashMap<>();
        boxes.values().forEach(box -> built.put(box.target.id(), box.built()));
        return built;
    }

    List<SketchedLoad> loads() {
        return sketch.loads();
    }

    static Wire wired(Role role, End here) {
        return new Wire(role, here, here);
    }

    static Wire wired(Role role, End here, End there) {
        return new Wire(role, here, there);
    }

    private InBox at(String place) {
        InBox box = boxes.get(place);
        if (box == null) {
            throw new IllegalStateException("Impossible: " + sketch.shape() + " has no place " + place);
        }
        return box;
    }

    /** Adds a gang and tells its number. */
    int gang(String place, Mechanism mechanism) {
        return gang(place, mechanism, "");
    }

    int gang(String place, Mechanism mechanism, String after) {
        InBox box = at(place);
        int number = box.gangs.size() + 1;
        String name = sketch.loads().size() > 1 && sketch.shape().has(CircuitShape.Trait.SEVERAL_GANGS)
                ? sketch.loads().get(box.added.size()).name()
                : box.target.switchName() + after;
        box.gangs.add(new Gang(number, name, mechanism, MECHANISM_DEPTH, sketch.circuit()));
        box.added.add(number);
        return number;
    }

    /** Gangs that were added in a place. */
    List<Integer> gangsOf(String place) {
        return at(place).added;
    }

    /** A change-over at each end, with what stands between; their numbers, in order. */
    List<Integer> chain() {
        List<Integer> gangs = new ArrayList<>();
        boxes.keySet()
                .forEach(place ->
                        gangs.add(gang(place, place.startsWith("I") ? Mechanism.INTERMEDIATE : Mechanism.TWO_WAY)));
        return gangs;
    }

    /** Two travellers from each switch of a chain to the next, with what runs beside them. */
    void travellers(List<Integer> gangs, Beside beside) {
        List<String> places = List.copyOf(boxes.keySet());
        for (int i = 0; i + 1 < places.size(); i++) {
            String from = places.get(i);
            String to = places.get(i + 1);
            boolean last = i + 2 == places.size();
            String out = i == 0 ? "L" : "B";
            String in = last ? "L" : "A";
            List<Wire> wires = new ArrayList<>();
            for (int t = 1; t <= 2; t++) {
                wires.add(wired(Role.TRAVELLER, pole(from, gangs.get(i), out + t), pole(to, gangs.get(i + 1), in + t)));
            }
            wires.addAll(beside.from(from, to, last));
            cable(from, to, wires.toArray(Wire[]::new));
        }
    }

    /** A cable from where all travellers meet to one of the switches. @param beside what else runs in it */
    void travellersThrough(String hub, String place, int gang, Wire beside) {
        cable(
                hub,
                place,
                beside,
                wired(Role.TRAVELLER, joint(hub, "t1"), pole(place, gang, "L1")),
                wired(Role.TRAVELLER, joint(hub, "t2"), pole(place, gang, "L2")));
    }

    End pole(String place, int gang, String terminal) {
        at(place);
        return new End.AtMechanism(gang, terminal);
    }

    End atLoad(int load, String terminal) {
        return new End.AtLoad(load, terminal);
    }

    /** A connector of this circuit; one that was in the box before is of another. */
    End joint(String place, String name) {
        Set<String> before = at(place).jointsBefore;
        int number = 1;
        while (before.contains(number == 1 ? name : name + " " + number)) {
            number++;
        }
        return new End.InConnector(number == 1 ? name : name + " " + number);
    }

    /** The connector of the neutrals; empty where the neutral lies elsewhere. */
    Optional<End> neutral(String place) {
        return sketch.neutral() ? Optional.of(joint(place, NEUTRAL)) : Optional.empty();
    }

    /** Lists a load in a place, and tells its number. */
    int load(String place, int which, int gang) {
        SketchedLoad load = sketch.loads().get(which);
        return add(place, load.name(), load, gang, Optional.empty());
    }

    /** One direction of a motor. */
    int winding(String place, int gang, Drive.Direction direction) {
        SketchedLoad load = sketch.loads().get(0);
        String name = load.name() + (direction == Drive.Direction.UP ? " up" : " down");
        return add(place, name, load, gang, Optional.of(new Drive(load.name(), direction)));
    }

    private int add(String place, String name, SketchedLoad load, int gang, Optional<Drive> drive) {
        InBox box = at(place);
        int number = box.loads.stream().mapToInt(SurveyedLoad::number).max().orElse(0) + 1;
        box.loads.add(new SurveyedLoad(number, name, load.typed(), load.banks(), gang, false, drive));
        return number;
    }

    /** The feed: its live in a place, its neutral with the others where it runs along. */
    void feedTo(String place, End live) {
        List<Wire> wires = new ArrayList<>(List.of(wired(Role.PERMANENT_LIVE, live)));
        neutral(place).ifPresent(end -> wires.add(wired(Role.NEUTRAL, end)));
        feed(place, wires, new End.InConnector(EARTH));
    }

    void feedTo(String place, End live, End neutral) {
        feed(
                place,
                List.of(wired(Role.PERMANENT_LIVE, live), wired(Role.NEUTRAL, neutral)),
                new End.InConnector(EARTH));
    }

    void feed(String place, List<Wire> wires, End earth) {
        add(place, new Leads.FromSupply(sketch.circuit()), withEarth(wires, earth), true);
    }

    /** The cable to a load that is not opened: switched live, the neutral where it runs along, earth. */
    void lamp(String place, int load, End switched) {
        List<Wire> wires = new ArrayList<>(List.of(wired(Role.SWITCHED_LIVE, switched)));
        neutral(place).ifPresent(end -> wires.add(wired(Role.NEUTRAL, end)));
        add(place, new Leads.ToLoad(load), withEarth(wires, new End.InConnector(EARTH)), true);
    }

    /** The cable to a motor: a live for each direction, neutral and earth. */
    void motor(String place, int up, End upEnd, int down, End downEnd) {
        List<Wire> wires = List.of(
                wired(Role.SWITCHED_LIVE, upEnd),
                wired(Role.SWITCHED_LIVE, downEnd),
                wired(Role.NEUTRAL, joint(place, NEUTRAL)));
        add(
                place,
                new Leads.ToLoad(up, List.of(new Leads.Branch(2, down))),
                withEarth(wires, new End.InConnector(EARTH)),
                true);
    }

    /** The cable of a switch loop: live down, switched live up. */
    void loop(String place, int load, End live, End switched) {
        add(
                place,
                new Leads.ToLoadWithFeed(load, sketch.circuit()),
                withEarth(
                        List.of(wired(Role.PERMANENT_LIVE, live), wired(Role.SWITCHED_LIVE, switched)),
                        new End.InConnector(EARTH)),
                true);
    }

    void cable(String a, String b, Wire... wires) {
        List<Wire> all = withEarth(List.of(wires), new End.InConnector(EARTH));
        String atA = at(a).nextCable();
        String atB = at(b).nextCable();
        add(a, new Leads.ToBox(at(b).target.id(), atB), all, true);
        add(b, new Leads.ToBox(at(a).target.id(), atA), all, false);
    }

    void jumper(String place, End from, End to) {
        InBox box = at(place);
        String key = InBox.unused("j", box.jumpers.stream().map(Jumper::key).toList());
        String terminal = to instanceof End.AtLoad pole ? pole.terminal() : "";
        CoreColour colour =
                switch (terminal) {
                    case "N" -> sketch.era().neutral();
                    case "PE" -> sketch.era().earth();
                    default -> sketch.era().live();
                };
        box.jumpers.add(new Jumper(key, colour, from, to));
    }

    /** Joins a load to the earths of its box. */
    void earthed(String place, int load) {
        jumper(place, new End.InConnector(EARTH), atLoad(load, "PE"));
    }

    private static List<Wire> withEarth(List<Wire> wires, End earth) {
        List<Wire> all = new ArrayList<>(wires);
        all.add(wired(Role.EARTH, earth));
        return all;
    }

    private void add(String place, Leads leads, List<Wire> wires, boolean first) {
        InBox box = at(place);
        List<Core> cores = new ArrayList<>();
        List<CoreColour> colours = new ArrayList<>(sketch.era().lives());
        boolean neutral = wires.stream().anyMatch(wire -> wire.role() == Role.NEUTRAL);
        for (Wire wire : wires) {
            End end = first ? wire.here() : wire.there();
            int number = cores.size() + 1;
            if (wire.role() == Role.EARTH) {
                cores.add(new Core(number, sketch.era().earth(), Optional.empty(), wire.role(), end));
            } else if (wire.role() == Role.NEUTRAL) {
                cores.add(new Core(number, sketch.era().neutral(), Optional.empty(), wire.role(), end));
            } else if (!neutral && number == 2 && wires.size() == 3) {
                // Two cores and earth are sold with one in the colour of the neutral; used as a live it has a sleeve.
                cores.add(new Core(
                        number, sketch.era().neutral(), Optional.of(sketch.era().live()), wire.role(), end));
            } else {
                cores.add(new Core(number, colours.remove(0), Optional.empty(), wire.role(), end));
            }
        }
        box.cables.add(new Cable(box.nextCable(), leads, sketch.era().region().usualLightingMm2(), cores, true));
    }
}
