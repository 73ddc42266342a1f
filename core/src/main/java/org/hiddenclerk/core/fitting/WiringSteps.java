package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.fitting.Step.Confirm;
import org.hiddenclerk.core.fitting.Step.Effect;
import org.hiddenclerk.core.fitting.Step.Phase;
import org.hiddenclerk.core.fitting.Step.Reading;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.paper.Move;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/** Each move, the look at the result, and its tests while it is dead. */
final class WiringSteps {
    private final Work work;

    WiringSteps(Work work) {
        this.work = work;
    }

    List<Step> steps() {
        List<Step> steps = moves();
        steps.add(check());
        steps.addAll(deadTests());
        return steps;
    }

    private List<Step> moves() {
        List<Step> steps = new ArrayList<>();
        int number = 1;
        for (Place place : work.places()) {
            for (Move move : Move.between(work.before().at(place), work.after().at(place))) {
                steps.add(new Step(
                        "move-" + number++,
                        Phase.WIRE,
                        work.at(place) + move.words(),
                        "",
                        false,
                        List.of(new Confirm("done", "Done, strand and screw checked")),
                        List.of(),
                        Effect.NONE,
                        false,
                        work.box(place)));
            }
        }
        return steps;
    }

    private Step check() {
        List<Confirm> checks = new ArrayList<>();
        work.after()
                .fitted()
                .forEach(fitted -> checks.add(work.confirm(
                        fitted.place(),
                        "module-" + fitted.number(),
                        fitted.inPlace()
                                ? fitted.model().code()
                                        + ", which was here before, is firm in its place, and its label names it"
                                : fitted.model().code() + " is in, and its label names this place")));
        checks.add(new Confirm("pull", "Every terminal is pull-tested"));
        checks.add(new Confirm("copper", "No bare copper shows"));
        work.places().forEach(place -> checks.add(earths(place)));
        if (work.places().stream()
                .anyMatch(place -> work.after().at(place).ends().containsValue(new End.Capped()))) {
            checks.add(new Confirm("caps", "Unused ends are capped at both ends"));
        }
        if (work.before().boxes().keySet().stream().anyMatch(work::mixesVoltages)) {
            checks.add(new Confirm(
                    "elv", "Mains and extra-low voltage are kept apart, with a barrier or double insulation"));
        }
        return new Step(
                "check-wiring",
                Phase.WIRE,
                "Check the wiring",
                "Against the terminal table.",
                true,
                checks,
                List.of(),
                Effect.NONE);
    }

    /** What is true of earths at a place: where there is none, that is written down, and what follows. */
    private Confirm earths(Place place) {
        if (work.isEarthed(place)) {
            return work.confirm(
                    place,
                    "earths" + place.prefix(),
                    "Earths are joined and reach every metal part that has an earth terminal");
        }
        return work.confirm(
                place,
                "no-earth" + place.prefix(),
                work.isMetal(place)
                        ? "No earth is here and the box is metal: it is written down, and an earth is to be pulled by a licensed person"
                        : "No earth is here: only insulated parts go in, and it is written down");
    }

    /** Tests of the new wiring while it is dead: what is there to be measured. */
    private List<Step> deadTests() {
        List<Step> steps = new ArrayList<>();
        DeadCircuitTests asked = DeadCircuitTests.of(work.house().region());
        List<Reading> readings = new ArrayList<>();
        List<Reading> again = new ArrayList<>();
        for (Place place : work.places()) {
            if (work.isEarthed(place)) {
                readings.add(
                        earth(place, "earth-path-" + place.prefix(), "earth core to the main earth terminal", asked));
                if (work.isMetal(place)) {
                    readings.add(
                            earth(place, "earth-box-" + place.prefix(), "metal of the box to the earth core", asked));
                }
                place.box().loads().stream()
                        .filter(load ->
                                work.after().at(place).ends().containsValue(new End.AtLoad(load.number(), "PE")))
                        .forEach(load -> readings.add(earth(
                                place,
                                "earth-load-" + place.prefix() + load.number(),
                                "earth terminal of " + load.name() + " to the earth core",
                                asked)));
                asked.insulationMegohms()
                        .filter(least -> work.insulatedBetween(place).isPresent())
                        .ifPresent(least -> again.add(work.insulation(
                                place,
                                "insulation-again-",
                                work.insulatedBetween(place).orElseThrow(),
                                least)));
            }
        }
        steps.add(new Step(
                "test-wiring",
                Phase.WIRE,
                "Test the wiring while it is dead",
                asked.words(),
                true,
                List.of(new Confirm("polarity", "Polarity: every conductor is on the terminal of the table")),
                readings,
                Effect.NONE));
        if (!again.isEmpty()) {
            steps.add(new Step(
                    "insulation-again",
                    Phase.WIRE,
                    "Test the insulation again",
                    "At 250 V DC, the modules being on (IEC 60364-6, 6.4.3.3, from memory)."
                            + " Where a maker forbids it, leave it out with that reason.",
                    true,
                    List.of(),
                    again,
                    Effect.NONE,
                    true,
                    ""));
        }
        return steps;
    }

    private Reading earth(Place place, String id, String text, DeadCircuitTests asked) {
        return new Reading(id, work.at(place) + text, "\u03a9", BigDecimal.ZERO, asked.earthOhms(), work.box(place));
    }
}
