package org.hiddenclerk.core.fitting;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.fitting.Step.Confirm;
import org.hiddenclerk.core.fitting.Step.Effect;
import org.hiddenclerk.core.fitting.Step.Phase;
import org.hiddenclerk.core.fitting.Step.Reading;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/** Labels and a picture before anything is disconnected, and the insulation while nothing is connected yet. */
final class OpeningSteps {
    private final Work work;

    OpeningSteps(Work work) {
        this.work = work;
    }

    List<Step> label() {
        List<Step> steps = new ArrayList<>();
        List<Confirm> labels = new ArrayList<>();
        for (Place place : work.places()) {
            for (Box.CableCore core : place.box().cores()) {
                labels.add(work.confirm(
                        place,
                        "label-" + place.prefix() + core.key(),
                        core.words() + leadsTo(place, core) + ": labelled, was on "
                                + work.before()
                                        .at(place)
                                        .words(work.before().at(place).endOf(core))));
            }
            labels.add(work.confirm(
                    place,
                    "photo" + (place.prefix().isEmpty() ? "" : "-" + place.prefix()),
                    "the open box is photographed with its labels"));
        }
        steps.add(new Step(
                "label",
                Phase.OPEN,
                "Label and photograph every core",
                "Note where each one is before anything is disconnected.",
                true,
                labels,
                List.of(),
                Effect.NONE));
        return steps;
    }

    /** Where a core goes: cores of one colour are told apart by both of their ends. */
    private String leadsTo(Place place, Box.CableCore core) {
        return work.before().run().spans().stream()
                .filter(span -> span.joins(place)
                        && span.at(place).name().equals(core.cable().name()))
                .findFirst()
                .map(span -> " to " + span.farFrom(place).label())
                .orElse("");
    }

    /** Before a module, a bypass or a lamp goes on: then nothing that a test at 500 V could harm hangs between the conductors. */
    List<Step> insulation() {
        List<Step> steps = new ArrayList<>();
        DeadCircuitTests asked = DeadCircuitTests.of(work.house().region());
        List<Reading> readings = new ArrayList<>();
        asked.insulationMegohms().ifPresent(least -> work.places().forEach(place -> work.insulatedBetween(place)
                .ifPresent(words -> readings.add(work.insulation(place, "insulation-", words, least)))));
        if (!readings.isEmpty()) {
            steps.add(new Step(
                    "insulation",
                    Phase.OPEN,
                    "Test the insulation before anything is connected",
                    "At 500 V DC. What has electronics is taken off"
                            + " or bridged: where it can't be, at 250 V, or leave it out with the reason. "
                            + inPlace()
                            + asked.words(),
                    true,
                    List.of(),
                    readings,
                    Effect.NONE,
                    true,
                    ""));
        }
        return steps;
    }

    /** Modules that hang between the conductors work.before() the work, by name; empty where there are none. */
    private String inPlace() {
        List<String> there = work.places().stream()
                .flatMap(place -> place.box().modules().stream().map(module -> module.name() + " in " + place.label()))
                .toList();
        return there.isEmpty()
                ? ""
                : "Such is " + String.join(" and ", there) + ", which was there before: 500 V may destroy it. ";
    }
}
