package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Watts;

/**
 * How everything in a box is connected, as found or as planned.
 *
 * @param box      what the box holds
 * @param ends     where each core ends, by core key, in the order of the survey
 * @param jumpers  pieces of wire within the box
 * @param modules  modules in the box whose terminals are known, by their number: those that were there and those that are planned
 * @param bypasses bypass watts by load number
 * @param roles    what each core does, by core key
 */
public record BoxWiring(
        Box box,
        Map<String, End> ends,
        List<Jumper> jumpers,
        Map<Integer, ModuleModel> modules,
        Map<Integer, Watts> bypasses,
        Map<String, Role> roles) {
    public BoxWiring {
        ends = Collections.unmodifiableMap(new LinkedHashMap<>(ends));
        jumpers = List.copyOf(jumpers);
        modules = Collections.unmodifiableMap(new LinkedHashMap<>(modules));
        bypasses = Collections.unmodifiableMap(new LinkedHashMap<>(bypasses));
        roles = Collections.unmodifiableMap(new LinkedHashMap<>(roles));
    }

    /** The box as it was surveyed. */
    public static BoxWiring surveyed(Box box) {
        Map<String, End> ends = new LinkedHashMap<>();
        box.cores().forEach(core -> ends.put(core.key(), core.core().end()));
        Map<Integer, ModuleModel> inPlace = new LinkedHashMap<>();
        box.followedModules().forEach(module -> module.model().ifPresent(model -> inPlace.put(module.number(), model)));
        return new BoxWiring(box, ends, box.jumpers(), inPlace, Map.of(), surveyedRoles(box));
    }

    public BoxWiring with(Map<String, End> otherEnds, List<Jumper> otherJumpers) {
        return new BoxWiring(box, otherEnds, otherJumpers, modules, bypasses, roles);
    }

    /** Whether a hand has nothing to do to get from one to the other. */
    public boolean isLike(BoxWiring other) {
        return ends.equals(other.ends)
                && jumpers.equals(other.jumpers)
                && modules.equals(other.modules)
                && bypasses.equals(other.bypasses)
                && box.gangs().equals(other.box.gangs());
    }

    public static Map<String, Role> surveyedRoles(Box box) {
        Map<String, Role> roles = new LinkedHashMap<>();
        box.cores().forEach(core -> roles.put(core.key(), core.core().role()));
        return roles;
    }

    public Role roleOf(Box.CableCore core) {
        return roles.get(core.key());
    }

    public End endOf(Box.CableCore core) {
        return ends.get(core.key());
    }

    /** A place in this box by what stands on its device: the switch's or load's name, the module's code. */
    public String words(End end) {
        return device(end).map(device -> device + ", " + terminalOf(end)).orElseGet(end::words);
    }

    /** Name of the device that a place is on; with its number where the name alone would not tell. */
    public Optional<String> device(End end) {
        Map<Integer, String> names = new LinkedHashMap<>();
        if (end instanceof End.AtMechanism pole) {
            box.gangs().forEach(gang -> names.put(gang.number(), gang.name()));
            return told(names, pole.gang(), "gang");
        }
        if (end instanceof End.AtModule pole) {
            box.modules().forEach(module -> names.put(module.number(), module.name()));
            modules.forEach((number, model) -> names.put(number, model.code()));
            return told(names, pole.module(), "module");
        }
        if (end instanceof End.AtLoad pole) {
            box.loads().forEach(load -> names.put(load.number(), load.name()));
            return told(names, pole.load(), "load");
        }
        return Optional.empty();
    }

    private static Optional<String> told(Map<Integer, String> names, int number, String kind) {
        return Optional.ofNullable(names.get(number))
                .map(name -> names.values().stream().filter(name::equals).count() > 1
                        ? name + " (" + kind + " " + number + ")"
                        : name);
    }

    private static String terminalOf(End end) {
        return end.key().substring(end.key().indexOf('.') + 1);
    }

    /** How many conductors a module's terminal takes; of one that no stock book knows, what it holds. */
    public int takes(End.AtModule at) {
        return Optional.ofNullable(modules.get(at.module())).stream()
                .flatMap(model -> model.terminals().stream())
                .filter(terminal -> terminal.name().equals(at.terminal()))
                .findFirst()
                .map(Terminal::takes)
                .orElseGet(() -> Math.max(1, heldAt(at)));
    }

    /** What is attached at a place, in words: cores first, then jumpers. */
    public List<Attached> attachedAt(End place) {
        List<Attached> attached = new ArrayList<>();
        box.cores().stream()
                .filter(core -> endOf(core).equals(place))
                .forEach(core ->
                        attached.add(new Attached(core.key(), core.core().colour(), core.words())));
        for (Jumper jumper : jumpers) {
            if (jumper.from().equals(place)) {
                attached.add(new Attached(jumper.key(), jumper.colour(), "jumper to " + words(jumper.to())));
            } else if (jumper.to().equals(place)) {
                attached.add(new Attached(jumper.key(), jumper.colour(), "jumper to " + words(jumper.from())));
            }
        }
        return attached;
    }

    /** How many conductors are attached at a place. */
    public int heldAt(End place) {
        return held().getOrDefault(place, 0);
    }

    /** How many conductors are attached at each place that holds something. */
    public Map<End, Integer> held() {
        Map<End, Integer> held = new LinkedHashMap<>();
        ends.values().forEach(end -> held.merge(end, 1, Integer::sum));
        jumpers.forEach(jumper -> {
            held.merge(jumper.from(), 1, Integer::sum);
            held.merge(jumper.to(), 1, Integer::sum);
        });
        return held;
    }

    /** One conductor at a place. */
    public record Attached(String key, CoreColour colour, String words) {}

    /** Conductors that each connector holds. */
    public List<Integer> connectors() {
        Map<End, Integer> held = held();
        return held.keySet().stream()
                .filter(End.InConnector.class::isInstance)
                .sorted()
                .map(held::get)
                .toList();
    }

    /** Places that hold something, in a stable order. */
    public List<End> places() {
        return held().keySet().stream().sorted().toList();
    }
}
