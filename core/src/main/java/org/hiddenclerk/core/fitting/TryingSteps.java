package org.hiddenclerk.core.fitting;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.fitting.Step.Confirm;
import org.hiddenclerk.core.fitting.Step.Effect;
import org.hiddenclerk.core.fitting.Step.Phase;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** What is tried with the circuits on: with the box open, and after it was closed. */
final class TryingSteps {
    private final Work work;

    TryingSteps(Work work) {
        this.work = work;
    }

    List<Step> function() {
        List<Step> steps = new ArrayList<>();
        steps.add(new Step(
                "energise-open",
                Phase.FUNCTION,
                "Re-energise for the function test",
                "Covers clear of hands, nobody touches the box while it is on.",
                true,
                List.of(new Confirm("clear", "Hands and tools are clear, the lock is removed by its owner")),
                List.of(),
                Effect.LIVE_WHILE_OPEN));
        List<Confirm> functions = new ArrayList<>();
        Set<PartId> byRadio = work.byRadio();
        for (GangRef gang : work.switches()) {
            functions.add(
                    byRadio.contains(RunWiring.switchOf(gang))
                            ? new Confirm(
                                    "press-" + work.key(gang),
                                    gang.words()
                                            + ": what is behind it shows that it was operated; its lamp is tested after joining",
                                    work.box(gang.place()))
                            : new Confirm(
                                    "hand-" + work.key(gang),
                                    gang.words() + ": the wall switch changes its lamp",
                                    work.box(gang.place())));
        }
        for (ConnectedBoxes.LoadRef load : work.remoteLoads()) {
            functions.add(new Confirm(
                    "remote-" + load.place().owner() + load.number(),
                    load.load().name() + ": the module's button or a command changes it",
                    work.box(load.place())));
        }
        steps.add(new Step(
                "function-test", Phase.FUNCTION, "Function test", "", true, functions, List.of(), Effect.NONE));
        return steps;
    }

    List<Step> close() {
        List<Step> steps = new ArrayList<>();
        List<Confirm> closed = new ArrayList<>();
        work.places().forEach(place -> PartsToAdd.spacer(
                        work.before().at(place), work.after().at(place))
                .ifPresent(mm -> closed.add(new Confirm(
                        "spacer-" + place.label(),
                        place.label() + ": spacer of " + mm + " under the plate",
                        work.box(place)))));
        work.after()
                .fitted()
                .forEach(fitted -> closed.add(work.confirm(
                        fitted.place(),
                        "antenna-" + fitted.number(),
                        "The antenna lead of " + fitted.model().code()
                                + ", where it has one, lies free and whole: away from metal and mains cores, not "
                                + "cut, not under a screw")));
        work.places()
                .forEach(place -> closed.add(new Confirm(
                        "closed" + place.prefix(),
                        work.at(place) + "Closed, plate on, no wire pinched",
                        work.box(place))));
        steps.add(new Step(
                "close",
                Phase.CLOSE,
                "Push the wires back and close",
                "Module behind or beside the mechanism.",
                true,
                closed,
                List.of(),
                Effect.NONE));
        steps.add(new Step(
                "energise",
                Phase.FINAL,
                "Energise",
                "",
                true,
                List.of(new Confirm("lock", "Locks and tags are removed by their owners")),
                List.of(),
                Effect.LIVE_AND_CLOSED));
        List<Confirm> tests = new ArrayList<>();
        Set<PartId> byRadio = work.byRadio();
        work.switches().stream()
                .filter(gang -> !byRadio.contains(RunWiring.switchOf(gang)))
                .forEach(gang -> tests.add(new Confirm(
                        "final-" + work.key(gang),
                        gang.words() + ": works with the plate on",
                        work.box(gang.place()))));
        steps.add(new Step("final-tests", Phase.FINAL, "Final tests", "", true, tests, List.of(), Effect.NONE));
        return steps;
    }
}
