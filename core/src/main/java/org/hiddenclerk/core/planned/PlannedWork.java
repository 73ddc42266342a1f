package org.hiddenclerk.core.planned;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.operation.Installation;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * One piece of work: the plan of everything that hangs together by cables, whichever of its boxes it is looked at from.
 *
 * @param lead    box that the plan is looked at from
 * @param modules every one that it fits, in the order of the plan; while nothing is drawn, what was picked
 */
public record PlannedWork(String lead, WiringPlan plan, List<PlannedModule> modules) {
    public PlannedWork {
        modules = List.copyOf(modules);
    }

    /** Whose pick an assignment of a plan is. @param pick number of the pick in its box, from 1 */
    public record Owner(String box, int pick, Assignment assignment) {}

    /** @param owners one for each assignment of the plan, in its order */
    public static PlannedWork of(WiringPlan plan, List<Owner> owners, Map<String, String> circuitLabels) {
        Map<PartId, PlannedId.Module> ids = ids(plan, owners);
        return new PlannedWork(
                plan.run().lead().id(),
                plan,
                plan.planned()
                        .map(wiring -> {
                            List<WallInput> inputs = WallInput.of(plan);
                            Installation installation = new Installation(plan.wiring());
                            return wiring.fitted().stream()
                                    .map(fitted -> module(
                                            plan,
                                            fitted,
                                            owners.get(fitted.assignment())
                                                    .assignment()
                                                    .scheme(),
                                            ids,
                                            inputs,
                                            circuit(plan, installation, fitted, circuitLabels)))
                                    .toList();
                        })
                        .orElseGet(() -> IntStream.range(0, owners.size())
                                .mapToObj(i -> undrawn(plan.run(), owners.get(i), RunWiring.moduleOf(i + 1)))
                                .toList()));
    }

    /** What was picked, while nothing is drawn: it is wanted, and what it will do is not known. */
    private static PlannedModule undrawn(ConnectedBoxes run, Owner owner, PartId part) {
        PlannedId.Module id = new PlannedId.Module(owner.box(), owner.pick(), 0);
        ConnectedBoxes.Place at = run.boxes().stream()
                .filter(place -> place.id().equals(owner.box()))
                .findFirst()
                .orElse(run.lead());
        List<List<ConnectedBoxes.LoadRef>> positions = new ArrayList<>();
        owner.assignment()
                .gangs()
                .forEach(gang -> positions.add(at.box().loadsOf(gang).stream()
                        .map(load -> run.load(at, load.number()))
                        .toList()));
        owner.assignment().loads().forEach(load -> positions.add(List.of(run.load(at, load))));
        ModuleModel model = owner.assignment().model();
        List<PlannedModule.Output> outputs = IntStream.range(0, model.channels().size())
                .mapToObj(i -> new PlannedModule.Output(
                        new PlannedId.Output(id, model.channels().get(i).id()),
                        i < positions.size() ? positions.get(i) : List.of()))
                .toList();
        return new PlannedModule(
                id,
                part,
                at.id(),
                new PlannedModule.Place(at.label(), false, at.box().kind().isAtLoad()),
                model,
                owner.assignment().scheme(),
                Optional.empty(),
                outputs,
                List.of());
    }

    /** Whether its plan is drawn: until then it is known what is picked, and not what that does. */
    public boolean isDrawn() {
        return plan.planned().isPresent();
    }

    /** The module that an assignment picked comes first of its own, and those that go with it after it. */
    private static Map<PartId, PlannedId.Module> ids(WiringPlan plan, List<Owner> owners) {
        Map<PartId, PlannedId.Module> ids = new LinkedHashMap<>();
        plan.planned().ifPresent(wiring -> {
            Map<Integer, Integer> before = new LinkedHashMap<>();
            wiring.fitted().forEach(fitted -> {
                Owner owner = owners.get(fitted.assignment());
                ids.put(
                        RunWiring.moduleOf(fitted.number()),
                        new PlannedId.Module(
                                owner.box(), owner.pick(), before.merge(fitted.assignment(), 1, Integer::sum) - 1));
            });
        });
        return ids;
    }

    private static PlannedModule module(
            WiringPlan plan,
            Fitted fitted,
            SchemeCode scheme,
            Map<PartId, PlannedId.Module> ids,
            List<WallInput> inputs,
            Optional<String> circuit) {
        PartId part = RunWiring.moduleOf(fitted.number());
        PlannedId.Module id = ids.get(part);
        TruthTable table = plan.proof().truthTable();
        List<PlannedModule.Output> outputs = fitted.model().channels().stream()
                .map(channel -> new PlannedModule.Output(
                        new PlannedId.Output(id, channel.id()), loads(plan.run(), table.loadsOf(part, channel.id()))))
                .toList();
        List<PlannedModule.Input> own = inputs.stream()
                .filter(input -> input.fitted().number() == fitted.number())
                .map(input -> new PlannedModule.Input(
                        new PlannedId.Input(id, input.input().id()),
                        input,
                        input.gangs().stream()
                                .map(gang -> switchOf(plan.run(), gang))
                                .toList(),
                        input.input()
                                .channel()
                                .map(channel -> new PlannedId.Output(
                                        input.input().target().map(ids::get).orElse(id), channel))))
                .toList();
        return new PlannedModule(
                id,
                part,
                plan.run().boxOf(fitted.place()),
                new PlannedModule.Place(fitted.place().label(), fitted.place().implied(), fitted.isOutOfReach()),
                fitted.model(),
                scheme,
                circuit,
                outputs,
                own);
    }

    private static List<ConnectedBoxes.LoadRef> loads(ConnectedBoxes run, List<PartId> parts) {
        return run.loads().stream()
                .filter(ref -> IntStream.range(0, ref.load().banks().size())
                        .anyMatch(bank -> parts.contains(RunWiring.loadOf(ref, bank))))
                .toList();
    }

    /** The circuit that a module lives on: without it the module has no supply. */
    private static Optional<String> circuit(
            WiringPlan plan, Installation installation, Fitted fitted, Map<String, String> circuitLabels) {
        PartId part = RunWiring.moduleOf(fitted.number());
        List<String> labels = plan.run().circuits().stream()
                .map(circuit -> circuitLabels.getOrDefault(circuit.value(), circuit.value()))
                .sorted()
                .toList();
        boolean lives = installation
                .at(Set.of(), Set.of(), Set.of())
                .modules()
                .get(part)
                .powered();
        return labels.stream()
                .filter(label -> lives
                        && !installation
                                .at(Set.of(), Set.of(), Set.of(label))
                                .modules()
                                .get(part)
                                .powered())
                .findFirst()
                .or(() -> labels.stream().findFirst());
    }

    static PlannedId.Switch switchOf(ConnectedBoxes run, ConnectedBoxes.GangRef gang) {
        return new PlannedId.Switch(run.boxOf(gang.place()), gang.number());
    }

    /** Surveyed boxes that hang together in it. */
    public List<String> boxes() {
        return new ArrayList<>(
                plan.run().boxes().stream().map(ConnectedBoxes.Place::id).toList());
    }
}
