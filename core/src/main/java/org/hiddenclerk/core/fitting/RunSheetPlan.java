package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** Makes the steps of a run sheet from the wiring before and after, phase by phase. */
public final class RunSheetPlan {
    /**
     * A dead conductor reads no more than this on a two-pole tester, in volts; common practice, no source. It is far
     * below the 50 V AC of IEC 61140, so a floating conductor that couples does not pass for live.
     */
    static final BigDecimal DEAD_VOLTS = BigDecimal.TEN;

    private RunSheetPlan() {}

    public static List<Step> of(HouseContext house, WiringPlan plan) {
        Work work = new Work(house, plan);
        IsolationSteps isolation = new IsolationSteps(work);
        OpeningSteps opening = new OpeningSteps(work);
        TryingSteps trying = new TryingSteps(work);
        return Stream.of(
                        isolation.first(),
                        opening.label(),
                        opening.insulation(),
                        new WiringSteps(work).steps(),
                        trying.function(),
                        isolation.again(),
                        trying.close())
                .flatMap(List::stream)
                .toList();
    }

    /** Circuits of every place that is opened. */
    public static Set<CircuitId> circuits(WiringPlan work) {
        Set<CircuitId> circuits = new LinkedHashSet<>();
        work.placesOfWork().forEach(place -> circuits.addAll(work.run().circuitsIn(place)));
        return circuits;
    }
}
