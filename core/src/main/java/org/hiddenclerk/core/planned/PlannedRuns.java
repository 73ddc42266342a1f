package org.hiddenclerk.core.planned;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.LampId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** The wirings that the modules of a planned house hang in, with the switches and lamps at them, each once. */
public final class PlannedRuns {
    private final Map<String, PlannedRoom> rooms;
    private final List<LivePlan.WatchedWiring> runs = new ArrayList<>();
    private final Map<PlannedId, Spot> spots = new LinkedHashMap<>();

    /** @param rooms by box */
    public PlannedRuns(PlannedHouse house, Map<String, PlannedRoom> rooms) {
        this.rooms = rooms;
        house.works().forEach(this::add);
    }

    public List<LivePlan.WatchedWiring> runs() {
        return List.copyOf(runs);
    }

    public List<Spot> spots() {
        return List.copyOf(spots.values());
    }

    /** Switches at the wall by the control that reads them. */
    public static Map<ControlId, List<SwitchId>> worksAt(PlannedHouse house) {
        Map<ControlId, List<SwitchId>> worksAt = new LinkedHashMap<>();
        house.modules().forEach(module -> module.inputs()
                .forEach(input -> worksAt.put(
                        input.id().inHouse(),
                        input.switches().stream().map(PlannedId.Switch::inHouse).toList())));
        return worksAt;
    }

    private void add(PlannedWork work) {
        ConnectedBoxes run = work.plan().run();
        Set<PartId> parts = work.plan().wiring().parts().stream().map(Part::id).collect(Collectors.toSet());
        Map<PartId, OutputId> outputs = outputs(work);
        Map<PartId, SwitchId> switches = new LinkedHashMap<>();
        run.gangs().stream()
                .filter(gang -> parts.contains(RunWiring.switchOf(gang)))
                .forEach(gang -> {
                    PlannedId.Switch id = PlannedWork.switchOf(run, gang);
                    PlannedRoom room = rooms.get(id.box());
                    switches.put(RunWiring.switchOf(gang), id.inHouse());
                    spots.putIfAbsent(
                            id,
                            new Spot(
                                    id,
                                    room.name() + ", "
                                            + PlannedDevices.decapitalised(
                                                    gang.gang().name()),
                                    room.id(),
                                    id.box(),
                                    Optional.empty(),
                                    gang.gang().mechanism().isPush()));
                });
        Set<PartId> notOurs = switchedByOthers(work);
        Map<PartId, LivePlan.Lamp> lamps = new LinkedHashMap<>();
        for (ConnectedBoxes.LoadRef ref : run.loads()) {
            for (int bank = 0; bank < ref.load().banks().size(); bank++) {
                PartId part = RunWiring.loadOf(ref, bank);
                if (parts.contains(part) && !notOurs.contains(part)) {
                    PlannedId.Lamp id = new PlannedId.Lamp(run.boxOf(ref.place()), ref.number(), bank);
                    PlannedRoom room = rooms.get(id.box());
                    lamps.put(part, new LivePlan.Lamp(id.inHouse(), Optional.ofNullable(outputs.get(part))));
                    spots.putIfAbsent(
                            id,
                            new Spot(
                                    id,
                                    PlannedDevices.inRoom(
                                            room.name(),
                                            PlannedDevices.decapitalised(
                                                    ref.load().name())),
                                    room.id(),
                                    id.box(),
                                    Optional.of(PlannedDevices.drives(
                                            ref.load().banks().get(bank).kind())),
                                    false));
                }
            }
        }
        Map<PartId, LivePlan.Hung> modules = new LinkedHashMap<>();
        if (work.isDrawn()) {
            work.modules().forEach(module -> modules.put(module.part(), hung(module)));
        }
        runs.add(new LivePlan.WatchedWiring(
                work.lead(), work.plan().wiring(), modules, switches, lamps, plain(work, switches, lamps, outputs)));
    }

    private static LivePlan.Hung hung(PlannedModule module) {
        return new LivePlan.Hung(
                module.id().inHouse(),
                module.inputs().stream()
                        .collect(Collectors.toMap(
                                input -> input.id().input(), input -> input.id().inHouse())),
                module.outputs().stream()
                        .collect(Collectors.toMap(output -> output.id().inHouse(), output -> output.id()
                                .channel())));
    }

    /** Loads of modules that were there before and that no plan uses: what these do when a hand flips their switch is not played. */
    private static Set<PartId> switchedByOthers(PlannedWork work) {
        TruthTable table = work.plan().proof().truthTable();
        Set<PartId> planned = work.modules().stream().map(PlannedModule::part).collect(Collectors.toSet());
        Set<PartId> loads = new HashSet<>();
        work.plan().wiring().parts().forEach(part -> {
            if (part instanceof Part.FittedModule module && !planned.contains(module.id())) {
                module.channels().forEach(channel -> loads.addAll(table.loadsOf(module.id(), channel.id())));
            }
        });
        return loads;
    }

    /** Which output switches which lamp; the two directions of a blind are one output. */
    private static Map<PartId, OutputId> outputs(PlannedWork work) {
        Map<PartId, OutputId> outputs = new LinkedHashMap<>();
        if (!work.isDrawn()) {
            return outputs;
        }
        TruthTable table = work.plan().proof().truthTable();
        work.modules().forEach(module -> {
            Optional<OutputId> blind = PlannedDevices.isBlind(module.model())
                    ? module.outputs().stream()
                            .filter(output -> !output.loads().isEmpty())
                            .map(output -> output.id().inHouse())
                            .findFirst()
                    : Optional.empty();
            module.outputs().stream()
                    .filter(output -> !output.loads().isEmpty())
                    .forEach(output -> table.loadsOf(module.part(), output.id().channel())
                            .forEach(load ->
                                    outputs.put(load, blind.orElse(output.id().inHouse()))));
        });
        return outputs;
    }

    /** What the contacts of switches do by themselves: lamps that they change, and outputs whose module they feed. */
    private static Map<SwitchId, LivePlan.Plain> plain(
            PlannedWork work,
            Map<PartId, SwitchId> switches,
            Map<PartId, LivePlan.Lamp> lamps,
            Map<PartId, OutputId> outputs) {
        TruthTable table = work.plan().proof().truthTable();
        Map<SwitchId, Set<LampId>> changed = new LinkedHashMap<>();
        Map<SwitchId, Set<OutputId>> fed = new LinkedHashMap<>();
        lamps.forEach((load, lamp) -> table.controlsOf(load).stream()
                .filter(switches::containsKey)
                .forEach(at -> changed.computeIfAbsent(switches.get(at), s -> new LinkedHashSet<>())
                        .add(lamp.id())));
        List<PlannedModule> drawn = work.isDrawn() ? work.modules() : List.of();
        drawn.forEach(module -> {
            List<PartId> through = table.suppliedThrough(module.part());
            module.outputs()
                    .forEach(output -> table.loadsOf(module.part(), output.id().channel()).stream()
                            .filter(outputs::containsKey)
                            .forEach(load -> through.stream()
                                    .filter(switches::containsKey)
                                    .forEach(at -> fed.computeIfAbsent(switches.get(at), s -> new LinkedHashSet<>())
                                            .add(outputs.get(load)))));
        });
        return switches.values().stream()
                .distinct()
                .collect(Collectors.toMap(
                        id -> id,
                        id -> new LivePlan.Plain(changed.getOrDefault(id, Set.of()), fed.getOrDefault(id, Set.of()))));
    }
}
