package org.hiddenclerk.core.planned;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * A module that will be fitted.
 *
 * @param part    it in the wiring of its work
 * @param box     surveyed box that it sits in, or whose survey lists the lamp at which it sits
 * @param place   where it sits, in words: the label of its box, or the lamp
 * @param scheme  by which it is wired, or the one that it goes with
 * @param circuit label of the circuit that it lives on
 * @param outputs its channels, each with what hangs on it, as the proof of the wiring shows it
 * @param inputs  those of its inputs that a switch at the wall reaches
 */
public record PlannedModule(
        PlannedId.Module id,
        PartId part,
        String box,
        Place place,
        ModuleModel model,
        SchemeCode scheme,
        Optional<String> circuit,
        List<Output> outputs,
        List<Input> inputs) {
    public PlannedModule {
        outputs = List.copyOf(outputs);
        inputs = List.copyOf(inputs);
    }

    /**
     * Where a module sits.
     *
     * @param label       of the box, or name of the lamp
     * @param isUnsurveyed whether it is a lamp that was not surveyed as a box
     * @param isOutOfReach whether a module's button can't be reached there once it is in
     */
    public record Place(String label, boolean isUnsurveyed, boolean isOutOfReach) {}

    /** A channel. @param loads what it switches; none where it is not used */
    public record Output(PlannedId.Output id, List<ConnectedBoxes.LoadRef> loads) {
        public Output {
            loads = List.copyOf(loads);
        }

        public List<SurveyedLoad> surveyed() {
            return loads.stream().map(ConnectedBoxes.LoadRef::load).toList();
        }

        /** What hangs on it all together. */
        public Watts total() {
            return loads.stream().map(ref -> ref.load().total()).reduce(Watts.ZERO, Watts::plus);
        }
    }

    /**
     * An input with the switches that it reads.
     *
     * @param commands what it switches by itself or is to switch elsewhere; empty where it only reports
     */
    public record Input(
            PlannedId.Input id, WallInput wall, List<PlannedId.Switch> switches, Optional<PlannedId.Output> commands) {
        public Input {
            switches = List.copyOf(switches);
        }

        /** Whether what it commands is a channel of another module. */
        public boolean isElsewhere() {
            return commands.filter(output -> !output.module().equals(id.module()))
                    .isPresent();
        }
    }

    /** Whether it was picked itself, and does not only go with another one. */
    public boolean isPicked() {
        return id.companion() == 0;
    }

    /** Whether it is in its box before the work: nobody buys it, and no bench sees it. */
    public boolean isInPlace() {
        return scheme.has(SchemeCode.Trait.IN_PLACE);
    }

    /** Numbers of its inputs, from 1, that a switch at the wall reaches. */
    public Set<Integer> switchedInputs() {
        return IntStream.range(0, model.inputs().size())
                .filter(i -> inputs.stream()
                        .anyMatch(input ->
                                input.id().input().equals(model.inputs().get(i).id())))
                .mapToObj(i -> i + 1)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** What the plan has it work as, in the words of the stock book: a motor with two directions wants a blind controller. */
    public String function() {
        boolean blind = outputs.stream()
                .flatMap(output -> output.surveyed().stream())
                .anyMatch(load -> load.drive().isPresent());
        return blind ? "blind controller" : model.sheet().dims() ? "dimmer" : "relay";
    }

    /** What people call it by: what it switches, else the switches that it reads; empty where it does neither. */
    public String names() {
        return !loadNames().isEmpty()
                ? loadNames()
                : inputs.stream()
                        .flatMap(input -> input.wall().gangs().stream())
                        .map(ConnectedBoxes.GangRef::words)
                        .distinct()
                        .collect(Collectors.joining(", "));
    }

    /** Names of all that it switches, each once. */
    public String loadNames() {
        return outputs.stream()
                .flatMap(output -> output.surveyed().stream())
                .map(SurveyedLoad::name)
                .distinct()
                .collect(Collectors.joining(", "));
    }
}
