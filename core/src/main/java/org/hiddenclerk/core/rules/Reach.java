package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;

/**
 * What a hand still reaches when something is down: for each control and each output that it acts on, every way there with the
 * parts that it takes, and what of them is left when one part or a pair of parts is missing.
 */
public final class Reach {
    private final RuledHouse house;
    private final Delays delays;

    private Reach(RuledHouse house, Delays delays) {
        this.house = house;
        this.delays = delays;
    }

    /** Something that may be down. */
    public record Part(Kind kind, String id, String words) implements Comparable<Part> {
        /** Sorts of parts, those of the whole house first. */
        public enum Kind {
            WIFI,
            BROKER,
            COORDINATOR,
            HUB,
            INTERNET,
            MAINS,
            MODULE
        }

        public static final Part WIFI = new Part(Kind.WIFI, "", "Wi-Fi");
        public static final Part BROKER = new Part(Kind.BROKER, "", "broker");
        public static final Part HUB = new Part(Kind.HUB, "", "hub");
        public static final Part INTERNET = new Part(Kind.INTERNET, "", "internet");

        public static Part of(Device device) {
            return new Part(Kind.MODULE, device.id().text(), device.name());
        }

        public static Part mains(String circuit) {
            return new Part(Kind.MAINS, circuit, "mains of " + circuit);
        }

        /** What stands between a device of a network and the hub. */
        public static Set<Part> toHub(Protocol protocol) {
            if (protocol.isMesh()) {
                return Set.of(new Part(Kind.COORDINATOR, protocol.name(), protocol.label() + " coordinator"));
            }
            return protocol.goesOverBroker() ? Set.of(WIFI, BROKER) : Set.of(WIFI);
        }

        @Override
        public int compareTo(Part other) {
            return Comparator.comparing(Part::kind).thenComparing(Part::id).compare(this, other);
        }
    }

    /**
     * One way from a control to an output.
     *
     * @param parts   that must all be up
     * @param delayMs estimate from hand to output
     */
    public record Path(String words, Set<Part> parts, int delayMs) {
        public Path {
            parts = java.util.Collections.unmodifiableSet(new TreeSet<>(parts));
        }
    }

    /** How it stands while something is down. */
    public enum State {
        WORKS,
        SLOWER,
        LOST
    }

    /** @param delayMs empty when it is lost */
    public record Outcome(State state, OptionalInt delayMs, Optional<Path> by) {}

    /**
     * One control and one output.
     *
     * @param paths fastest first; never none
     * @param down  outcome by the parts that are down: each part that any path takes, and each pair of them
     */
    public record Row(ControlId control, OutputId output, List<Path> paths, Map<Set<Part>, Outcome> down) {
        public Row {
            paths = List.copyOf(paths);
        }

        /** What is left while these are down; parts that no path takes change nothing. */
        public Outcome without(Set<Part> missing) {
            return outcome(paths, missing);
        }
    }

    /** Every control with every output that it acts on. */
    public static List<Row> of(RuledHouse house, Delays delays) {
        Reach reach = new Reach(house, delays);
        List<Row> rows = new ArrayList<>();
        house.controls().values().forEach(control -> reach.paths(control).forEach((output, paths) -> {
            paths.sort(Comparator.comparingInt(Path::delayMs).thenComparing(Path::words));
            rows.add(new Row(control.id(), output, paths, down(paths)));
        }));
        return rows;
    }

    private static Map<Set<Part>, Outcome> down(List<Path> paths) {
        List<Part> parts = List.copyOf(paths.stream()
                .flatMap(path -> path.parts().stream())
                .collect(java.util.stream.Collectors.toCollection(TreeSet::new)));
        Map<Set<Part>, Outcome> down = new LinkedHashMap<>();
        for (int i = 0; i < parts.size(); i++) {
            down.put(Set.of(parts.get(i)), outcome(paths, Set.of(parts.get(i))));
        }
        for (int i = 0; i < parts.size(); i++) {
            for (int j = i + 1; j < parts.size(); j++) {
                Set<Part> pair = new LinkedHashSet<>(List.of(parts.get(i), parts.get(j)));
                down.put(pair, outcome(paths, pair));
            }
        }
        return down;
    }

    private static Outcome outcome(List<Path> paths, Set<Part> missing) {
        Optional<Path> left = paths.stream()
                .filter(path -> path.parts().stream().noneMatch(missing::contains))
                .findFirst();
        return left.map(path -> new Outcome(
                        path.delayMs() > paths.get(0).delayMs() ? State.SLOWER : State.WORKS,
                        OptionalInt.of(path.delayMs()),
                        left))
                .orElse(new Outcome(State.LOST, OptionalInt.empty(), Optional.empty()));
    }

    private Map<OutputId, List<Path>> paths(Device.Control control) {
        Device from = house.owner(control.id());
        Map<OutputId, List<Path>> paths = new LinkedHashMap<>();
        control.output().ifPresent(own -> add(paths, own, new Path("by wire", own(from), delays.wire())));
        house.links().stream()
                .filter(link -> link.control().equals(control.id()))
                .forEach(link -> add(paths, link.output(), of(link, from)));
        house.rules().stream()
                .filter(Rule::enabled)
                .filter(rule -> rule.triggers().stream().anyMatch(trigger -> startsAt(trigger, control)))
                .forEach(rule -> rule.deeds().stream()
                        .flatMap(deed -> outputs(deed.action()).stream())
                        .distinct()
                        .filter(output ->
                                control.output().filter(output::equals).isEmpty())
                        .forEach(output -> add(paths, output, of(rule, from, house.owner(output)))));
        return paths;
    }

    private static void add(Map<OutputId, List<Path>> paths, OutputId output, Path path) {
        paths.computeIfAbsent(output, o -> new ArrayList<>()).add(path);
    }

    private static boolean startsAt(Trigger trigger, Device.Control control) {
        return trigger instanceof Trigger.Used used && used.control().equals(control.id())
                || trigger instanceof Trigger.Changes changes
                        && control.output().filter(changes.output()::equals).isPresent();
    }

    private Set<OutputId> outputs(Action action) {
        if (action instanceof Action.AllOff off) {
            Set<OutputId> lights = new LinkedHashSet<>(house.outputs().keySet());
            lights.removeIf(output -> !house.isLight(output) || off.except().contains(output));
            return lights;
        }
        return action.outputs();
    }

    private Path of(Link link, Device from) {
        Device to = house.owner(link.output());
        Set<Part> parts = both(from, to);
        if (link.way() == Link.Way.LOCAL_GROUP) {
            parts.add(Part.WIFI);
        } else if (link.way() == Link.Way.HUB || link.way() == Link.Way.CLOUD) {
            parts.addAll(overHub(from, to, link.way() == Link.Way.CLOUD));
        }
        return new Path(link.way().words(), parts, delays.of(link.way(), from.protocol(), to.protocol()));
    }

    private Path of(Rule rule, Device from, Device to) {
        Set<Part> parts = both(from, to);
        if (rule.on() == Rule.RunsOn.HUB || rule.on() == Rule.RunsOn.CLOUD) {
            parts.addAll(overHub(from, to, rule.on() == Rule.RunsOn.CLOUD));
        } else if (rule.on() == Rule.RunsOn.DEVICE_TO_DEVICE && !from.protocol().isMesh()) {
            parts.add(Part.WIFI);
        }
        return new Path(
                "\"" + rule.name() + "\", " + rule.on().words(),
                parts,
                delays.of(rule.on(), Optional.of(from.protocol()), to.protocol()));
    }

    private static Set<Part> overHub(Device from, Device to, boolean cloud) {
        Set<Part> parts = new TreeSet<>(Set.of(Part.HUB));
        parts.addAll(Part.toHub(from.protocol()));
        parts.addAll(Part.toHub(to.protocol()));
        if (cloud) {
            parts.add(Part.INTERNET);
        }
        return parts;
    }

    private Set<Part> both(Device from, Device to) {
        Set<Part> parts = own(from);
        parts.addAll(own(to));
        return parts;
    }

    /** A device works while it is whole and its circuit is on. */
    private static Set<Part> own(Device device) {
        Set<Part> parts = new TreeSet<>(Set.of(Part.of(device)));
        device.circuit().ifPresent(circuit -> parts.add(Part.mains(circuit)));
        return parts;
    }
}
