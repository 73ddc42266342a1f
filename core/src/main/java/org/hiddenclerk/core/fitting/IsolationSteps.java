package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.fitting.Step.Confirm;
import org.hiddenclerk.core.fitting.Step.Effect;
import org.hiddenclerk.core.fitting.Step.Phase;
import org.hiddenclerk.core.fitting.Step.Reading;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.RunWiring;

/**
 * Off, locked and proved dead, before anything is loosened and again before wires are pushed back.
 *
 * <p>The order of proving follows HSE GS38 and HSG85: prove the tester, test dead, prove the tester again. Every core is
 * tested to earth, and every pair of places that hold conductors to each other.
 */
final class IsolationSteps {
    /** A known source reads within this share of nominal; EN 50160 and its like allow 10 %. */
    private static final BigDecimal SOURCE_LEAST = new BigDecimal("0.85");

    private static final BigDecimal SOURCE_MOST = new BigDecimal("1.15");

    private final Work work;

    IsolationSteps(Work work) {
        this.work = work;
    }

    List<Step> first() {
        List<Step> steps = new ArrayList<>();
        List<Confirm> known = new ArrayList<>();
        for (CircuitId id : work.circuits()) {
            Circuit circuit = work.house().circuits().get(id);
            known.add(new Confirm(
                    "circuit-" + circuit.label(),
                    "Circuit " + circuit.label() + ", " + circuit.rating() + ", "
                            + circuit.phase().label() + ": found on the board"));
            if (circuit.alternativelySupplied()) {
                known.add(
                        new Confirm(
                                "alternative-" + circuit.label(),
                                "Circuit " + circuit.label()
                                        + " has another supply (inverter, battery or generator): its isolation point is known"));
            }
        }
        known.add(new Confirm(
                "no-other",
                "No other circuit or supply enters " + (work.places().size() > 1 ? "any of these boxes" : "this box")));
        steps.add(new Step(
                "identify",
                Phase.ISOLATE,
                work.places().size() > 1 ? "Identify every circuit in the boxes" : "Identify every circuit in the box",
                "If the breakers are not labelled, the main switch goes off.",
                true,
                known,
                List.of(),
                Effect.NONE));
        steps.add(new Step(
                "switch-off",
                Phase.ISOLATE,
                "Switch off and lock or tag",
                "All circuits of the box, at every isolation point. Nobody else can switch them on.",
                true,
                offConfirms(),
                List.of(),
                Effect.SWITCHED_OFF));
        proveDead(steps, "", Phase.ISOLATE, work.before(), "nothing is loosened before this");
        return steps;
    }

    List<Step> again() {
        List<Step> steps = new ArrayList<>();
        steps.add(new Step(
                "switch-off-again",
                Phase.ISOLATE_AGAIN,
                "Isolate again",
                "The wires are pushed back only when the box is dead.",
                true,
                offConfirms(),
                List.of(),
                Effect.SWITCHED_OFF));
        proveDead(steps, "-2", Phase.ISOLATE_AGAIN, work.after(), "no wire is pushed back before this");
        return steps;
    }

    private List<Confirm> offConfirms() {
        List<Confirm> confirms = new ArrayList<>();
        for (CircuitId id : work.circuits()) {
            Circuit circuit = work.house().circuits().get(id);
            confirms.add(new Confirm(
                    "off-" + circuit.label(), "Circuit " + circuit.label() + " is off and locked or tagged"));
            if (circuit.alternativelySupplied()) {
                confirms.add(new Confirm(
                        "off-alternative-" + circuit.label(),
                        "The other supply of circuit " + circuit.label() + " is off and locked or tagged"));
            }
        }
        return confirms;
    }

    private void proveDead(List<Step> steps, String again, Phase phase, RunWiring wiring, String why) {
        BigDecimal nominal = work.house().region().nominalVolts().asDecimal();
        Reading source = new Reading(
                "source",
                "known source, live to neutral",
                "V",
                nominal.multiply(SOURCE_LEAST),
                nominal.multiply(SOURCE_MOST));
        steps.add(new Step(
                "prove-tester" + again,
                phase,
                "Prove the tester on a known source",
                "A two-pole tester. A non-contact pen alone is no proof.",
                true,
                List.of(),
                List.of(source),
                Effect.NONE));
        steps.add(new Step(
                "test-dead" + again,
                phase,
                "Test dead, every core",
                "Every core to earth and to each other; " + why + ".",
                true,
                List.of(),
                deadReadings(wiring),
                Effect.NONE));
        steps.add(new Step(
                "prove-tester-after" + again,
                phase,
                "Prove the tester again",
                "On the same source. If it does not read, the dead test is void and the box is treated as live.",
                true,
                List.of(),
                List.of(source),
                Effect.PROVED_DEAD));
    }

    private List<Reading> deadReadings(RunWiring wiring) {
        List<Reading> readings = new ArrayList<>();
        work.places().forEach(place -> deadReadings(place, wiring.at(place), readings));
        return readings;
    }

    private void deadReadings(Place place, BoxWiring wiring, List<Reading> readings) {
        Map<String, Box.CableCore> ends = new LinkedHashMap<>();
        String earth = work.isEarthed(place) ? " to earth" : " to a known earth, brought there by a lead";
        for (Box.CableCore core : wiring.box().cores()) {
            if (core.core().role() != Role.EARTH) {
                readings.add(dead(place, "earth-" + place.prefix() + core.key(), core.words() + earth));
                End end = wiring.endOf(core);
                boolean alone = end instanceof End.Capped || end instanceof End.Loose;
                ends.putIfAbsent(alone ? core.key() : end.key(), core);
            }
        }
        List<Box.CableCore> distinct = List.copyOf(ends.values());
        for (int i = 0; i < distinct.size(); i++) {
            for (int j = i + 1; j < distinct.size(); j++) {
                readings.add(dead(
                        place,
                        place.prefix() + distinct.get(i).key() + "-"
                                + distinct.get(j).key(),
                        distinct.get(i).words() + " to " + distinct.get(j).words()));
            }
        }
    }

    private Reading dead(Place place, String id, String text) {
        return new Reading(id, work.at(place) + text, "V", BigDecimal.ZERO, RunSheetPlan.DEAD_VOLTS, work.box(place));
    }
}
