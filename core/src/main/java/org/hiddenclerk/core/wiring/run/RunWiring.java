package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;

/**
 * How a whole run is connected, as found or as planned.
 *
 * @param boxes   every place of the run
 * @param fitted  modules that the plan is about, in the order of their numbers: those that it fits, and those in place of which it
 *                uses more
 * @param intents what is wanted of the loads
 */
public record RunWiring(
        ConnectedBoxes run, Map<ConnectedBoxes.Place, BoxWiring> boxes, List<Fitted> fitted, List<Intent> intents) {
    public RunWiring {
        boxes = Collections.unmodifiableMap(new LinkedHashMap<>(boxes));
        fitted = List.copyOf(fitted);
        intents = List.copyOf(intents);
    }

    static RunWiring surveyed(ConnectedBoxes run, List<Intent> intents) {
        Map<ConnectedBoxes.Place, BoxWiring> boxes = new LinkedHashMap<>();
        run.places().forEach(place -> boxes.put(place, BoxWiring.surveyed(place.box())));
        return new RunWiring(run, boxes, List.of(), intents);
    }

    /** A run as it was found, with nothing wanted of its loads yet. */
    public static RunWiring surveyed(ConnectedBoxes run) {
        return surveyed(run, List.of());
    }

    /** Modules that the plan puts in. */
    public List<Fitted> added() {
        return fitted.stream().filter(f -> !f.inPlace()).toList();
    }

    /** Modules that are in place and of which the plan leaves everything as it is. */
    List<Fitted> left() {
        return run.places().stream()
                .flatMap(place -> ModuleInPlace.at(place, at(place)).stream())
                .map(ModuleInPlace::asFound)
                .filter(module -> fitted.stream().noneMatch(f -> f.number() == module.number()))
                .toList();
    }

    /** The same wiring with one place connected otherwise. */
    public RunWiring with(ConnectedBoxes.Place place, Map<String, End> ends, List<Jumper> jumpers) {
        Map<ConnectedBoxes.Place, BoxWiring> other = new LinkedHashMap<>(boxes);
        other.put(place, at(place).with(ends, jumpers));
        return new RunWiring(run, other, fitted, intents);
    }

    /** The electrical wiring that it comes to. */
    public Wiring netlist(HouseContext house) {
        return new Netlisting(this, house).wiring();
    }

    /** Node of a core at a place: a node of its own where it ends alone. */
    public NodeId nodeOf(ConnectedBoxes.Place place, Box.CableCore core) {
        End end = at(place).endOf(core);
        return end instanceof End.Capped || end instanceof End.Loose
                ? new NodeId(place.prefix() + core.key() + ".end")
                : node(place, end);
    }

    /** Modules that are put in by the place where they go, in the order of their numbers. */
    public Map<ConnectedBoxes.Place, List<ModuleModel>> modulesByPlace() {
        Map<ConnectedBoxes.Place, List<ModuleModel>> byPlace = new LinkedHashMap<>();
        added().forEach(f ->
                byPlace.computeIfAbsent(f.place(), p -> new ArrayList<>()).add(f.model()));
        return byPlace;
    }

    public BoxWiring at(ConnectedBoxes.Place place) {
        return boxes.get(place);
    }

    public static NodeId node(ConnectedBoxes.Place place, End end) {
        return new NodeId(place.prefix() + end.key());
    }

    public static PartId switchOf(ConnectedBoxes.GangRef gang) {
        return new PartId(gang.place().prefix() + "S" + gang.number());
    }

    public static PartId moduleOf(int number) {
        return new PartId("K" + number);
    }

    /** @param bank counted from 0 */
    public static PartId loadOf(ConnectedBoxes.LoadRef load, int bank) {
        String first = load.place().owner() + "X" + load.number();
        return new PartId(bank == 0 ? first : first + "." + (bank + 1));
    }
}
