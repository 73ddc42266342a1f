package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.electrical.operation.Currents;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.testing.Depth;
import org.hiddenclerk.core.wiring.Plans;
import org.junit.jupiter.api.Test;

/**
 * Currents through the conductors of every planned wiring against ngspice, where each conductor is 0.1 milliohm and its current is what
 * falls over it. Ours are apparent amperes, added up without regard to phase: never less than the simulator's, and the same
 * where one live line feeds loads of power factor 1.
 */
class CurrentsCrossCheckTest {
    private static final double OHMS = 1e-4;
    /** Ours are told from 1 mA, in whole milliamperes; the simulator's loads leak a little. */
    private static final double SLACK_AMPS = 0.002;

    private static final double AGREEMENT = 0.01;

    /** One state of a wiring with our currents, by conductor. */
    private record State(String words, Wiring wiring, Map<String, Double> amps, NaiveEvaluation naive) {
        /** Whether what is added up without regard to phase is the sum all the same. */
        private boolean isPlain() {
            Set<Line> live = wiring.parts().stream()
                    .filter(Part.Supply.class::isInstance)
                    .map(part -> ((Part.Supply) part).line())
                    .filter(line -> line.isLive() || line == Line.ELV_PLUS)
                    .collect(Collectors.toSet());
            return live.size() == 1
                    && wiring.parts().stream()
                            .allMatch(part -> !(part instanceof Part.Load load) || load.powerFactor() == 1);
        }
    }

    @Test
    void noConductorCarriesMoreThanWeSay() throws Exception {
        List<State> states = new ArrayList<>();
        Depth.ofPlans(Plans.ofEveryKind()).forEach((name, wiring) -> states.addAll(statesOf(name, wiring)));
        List<Map<Integer, CircuitSimulator.Phasor>> simulated = CircuitSimulator.potentials(
                states.stream().map(state -> state.naive.elements()).toList(), 50);
        int compared = 0;
        int same = 0;
        for (int i = 0; i < states.size(); i++) {
            State state = states.get(i);
            for (Part part : state.wiring.parts()) {
                if (part instanceof Part.Conductor
                        && state.amps.containsKey(part.id().value())) {
                    double ours = state.amps.get(part.id().value());
                    double theirs = simulated
                                    .get(i)
                                    .get(state.naive.node(part, "a"))
                                    .minus(simulated.get(i).get(state.naive.node(part, "b")))
                            / OHMS;
                    assertThat(ours)
                            .as(state.words + " " + part.id())
                            .isGreaterThanOrEqualTo(theirs * (1 - AGREEMENT) - SLACK_AMPS);
                    compared++;
                    if (state.isPlain()) {
                        assertThat(ours)
                                .as(state.words + " " + part.id())
                                .isCloseTo(theirs, within(theirs * AGREEMENT + SLACK_AMPS));
                        same++;
                    }
                }
            }
        }

        assertThat(compared).isGreaterThan(500);
        assertThat(same).isGreaterThan(50);
    }

    /** The states in which something flows and nothing is shorted; conductors beside each other have no current that we tell. */
    private static List<State> statesOf(String name, Wiring wiring) {
        List<State> states = new ArrayList<>();
        Currents.of(wiring).forEach((state, amps) -> {
            Map<String, Integer> positions = new LinkedHashMap<>(state.switches());
            positions.putAll(state.channels());
            NaiveEvaluation naive = new NaiveEvaluation(wiring, positions);
            if (!amps.isEmpty() && !naive.isShorted()) {
                states.add(new State(name + " " + positions, wiring, amps, new NaiveEvaluation(wiring, positions)));
            }
        });
        return states;
    }
}
