package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.hiddenclerk.core.electrical.check.VoltageChecks;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.testing.Depth;
import org.hiddenclerk.core.wiring.Plans;
import org.junit.jupiter.api.Test;

/**
 * The truth table against ngspice, an independent general-purpose circuit simulator: every planned wiring, and seeded
 * mistakes made in them. Volts agree within 2 %, shorts agree exactly.
 */
class SimulatorCrossCheckTest {
    /** Many more with {@code ./clerk test --deep}. */
    private static final int MUTANTS = Depth.of(120, 5_000);

    private static final long SEED = 20_261_125;
    private static final double AGREEMENT = 0.02;
    /** One in so many earths that are put where they hurt goes to the simulator. */
    private static final int EARTHS_EACH = Depth.of(89, 3);

    /** One row of a table together with the same state for the simulator. */
    private record Comparison(String words, Wiring wiring, TruthTable.Row row, NaiveEvaluation naive) {}

    @Test
    void plannedWiringsHaveTheSimulatorsVolts() throws Exception {
        List<Comparison> comparisons = new ArrayList<>();
        Depth.ofPlans(Plans.ofEveryKind()).forEach((name, wiring) -> comparisons.addAll(statesOf(name, wiring)));

        assertThat(comparisons).hasSizeGreaterThan(100);
        compare(comparisons);
    }

    @Test
    void mistakesHaveTheSimulatorsVolts() throws Exception {
        Random random = new Random(SEED);
        List<Map.Entry<String, Wiring>> sound = List.copyOf(Plans.ofEveryKind().entrySet());
        List<Comparison> comparisons = new ArrayList<>();
        int shorted = 0;
        for (int i = 0; i < MUTANTS; i++) {
            Map.Entry<String, Wiring> one = sound.get(random.nextInt(sound.size()));
            Mutants.Mutant mutant = Mutants.of(one.getValue(), random);
            List<Comparison> states = statesOf(one.getKey() + ": " + mutant.words(), mutant.wiring());
            shorted += states.stream().anyMatch(c -> !c.row().shorts().isEmpty()) ? 1 : 0;
            comparisons.addAll(states);
        }

        assertThat(shorted)
                .as("the seed makes shorts as well as sound states")
                .isBetween(MUTANTS / 15, MUTANTS - MUTANTS / 15);
        compare(comparisons);
    }

    private static List<Comparison> statesOf(String name, Wiring wiring) {
        List<Comparison> states = new ArrayList<>();
        for (TruthTable.Row row : WiringCheck.of(wiring).truthTable()) {
            Map<String, Integer> positions = positions(row);
            states.add(new Comparison(name + " " + positions, wiring, row, new NaiveEvaluation(wiring, positions)));
        }
        return states;
    }

    /** Where the simulator has dangerous volts on an earth terminal, the plan is stopped; with an earth on it there are none. */
    @Test
    void metalThatTheSimulatorFindsLiveIsStopped() throws Exception {
        List<Comparison> comparisons = new ArrayList<>();
        int number = 0;
        for (Map.Entry<String, Wiring> plan : Plans.ofEveryKind().entrySet()) {
            for (Mutants.Mutant mutant : Mutants.dangerous(plan.getValue())) {
                if (mutant.words().startsWith("earth core") && number++ % EARTHS_EACH == 0) {
                    comparisons.addAll(statesOf(plan.getKey() + ": " + mutant.words(), mutant.wiring()));
                }
            }
        }
        List<Comparison> sound = comparisons.stream()
                .filter(c -> c.row().shorts().isEmpty())
                .filter(c -> {
                    c.naive().elements();
                    return !c.naive().isShorted();
                })
                .toList();
        List<Map<Integer, CircuitSimulator.Phasor>> simulated = CircuitSimulator.potentials(
                sound.stream()
                        .map(c -> new NaiveEvaluation(c.wiring(), positions(c.row())).elements())
                        .toList(),
                50);
        int live = 0;
        for (int i = 0; i < sound.size(); i++) {
            for (Part part : sound.get(i).wiring().parts()) {
                if (part instanceof Part.Load && part.pins().containsKey("PE")) {
                    CircuitSimulator.Phasor metal = simulated.get(i).get(new Numbering(sound.get(i)).node(part, "PE"));
                    if (metal.minus(new CircuitSimulator.Phasor(0, 0)) > VoltageChecks.TOUCH_VOLTS) {
                        live++;
                        assertThat(WiringCheck.of(sound.get(i).wiring()).verdict())
                                .as(sound.get(i).words())
                                .isEqualTo(Verdict.STOP);
                    }
                }
            }
        }
        assertThat(live).as("states with live metal").isGreaterThan(20);
    }

    /** Numbers of nodes as the simulator was given them. */
    private record Numbering(Comparison comparison) {
        int node(Part part, String pin) {
            NaiveEvaluation again = new NaiveEvaluation(comparison.wiring(), positions(comparison.row()));
            again.elements();
            return again.node(part, pin);
        }
    }

    private static Map<String, Integer> positions(TruthTable.Row row) {
        Map<String, Integer> positions = new LinkedHashMap<>(row.state().switches());
        positions.putAll(row.state().channels());
        return positions;
    }

    private static void compare(List<Comparison> comparisons) throws Exception {
        List<Comparison> sound = new ArrayList<>();
        List<List<String>> circuits = new ArrayList<>();
        for (Comparison comparison : comparisons) {
            List<String> elements = comparison.naive().elements();
            // Regions are tabled apart, so a short elsewhere in the wiring says nothing about this row.
            if (comparison.row().shorts().isEmpty() && !comparison.naive().isShorted()) {
                sound.add(comparison);
                circuits.add(elements);
            } else if (!comparison.row().shorts().isEmpty()) {
                assertThat(comparison.naive().isShorted())
                        .as(comparison.words())
                        .isTrue();
            }
        }
        List<Map<Integer, CircuitSimulator.Phasor>> simulated = CircuitSimulator.potentials(circuits, 50);
        for (int i = 0; i < sound.size(); i++) {
            compareLoads(sound.get(i), simulated.get(i));
        }
    }

    private static void compareLoads(Comparison comparison, Map<Integer, CircuitSimulator.Phasor> potentials) {
        for (Part part : comparison.wiring().parts()) {
            TruthTable.LoadReading reading =
                    comparison.row().loads().get(part.id().value());
            if (reading != null) {
                double simulated = potentials
                        .get(comparison.naive().node(part, "L"))
                        .minus(potentials.get(comparison.naive().node(part, "N")));
                assertThat(reading.volts())
                        .as(comparison.words() + " " + part.id())
                        .isCloseTo(simulated, within(Math.max(0.1, AGREEMENT * simulated)));
            }
        }
    }
}
