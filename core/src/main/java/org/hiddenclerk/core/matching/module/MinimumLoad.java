package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/** What a module without a neutral needs to flow through its lamp, and the bypass that makes up for a lamp that takes less. */
public final class MinimumLoad {
    /** A bypass as it is carried, in watts. */
    private static final Watts BYPASS = Watts.of(20);

    private MinimumLoad() {}

    /** The bypass that a two-wire module needs so that each of its lamps draws enough; empty when they do. */
    public static Optional<Watts> bypassFor(ModuleModel model, List<List<SurveyedLoad>> loads) {
        if (!(model.supply() instanceof ModuleSupply.TwoWire supply)) {
            return Optional.empty();
        }
        Watts total = smallest(loads);
        Watts bypass = Watts.ZERO;
        while (total.plus(bypass).asDouble() < supply.minimumLoadWatts()) {
            bypass = bypass.plus(BYPASS);
        }
        return bypass.equals(Watts.ZERO) ? Optional.empty() : Optional.of(bypass);
    }

    private static Watts smallest(List<List<SurveyedLoad>> loads) {
        return loads.stream()
                .map(at -> at.stream().map(SurveyedLoad::total).reduce(Watts.ZERO, Watts::plus))
                .min(Watts::compareTo)
                .orElse(Watts.ZERO);
    }

    /** @param loads what each gang of the assignment switches */
    static List<Finding> judge(Assignment assignment, List<List<SurveyedLoad>> loads, Subject.Module self) {
        if (!(assignment.model().supply() instanceof ModuleSupply.TwoWire supply)
                || assignment.gangs().isEmpty()
                || supply.minimumLoadWatts() <= 0) {
            return List.of();
        }
        Watts load = smallest(loads);
        Watts carried = load.plus(assignment.bypass().orElse(Watts.ZERO));
        Sentence.Amount needed = ChannelLoad.amount(BigDecimal.valueOf(supply.minimumLoadWatts()), "W");
        Sentence.Amount there = ChannelLoad.amount(load.asDecimal(), "W");
        if (carried.asDouble() < supply.minimumLoadWatts()) {
            return List.of(Finding.of(
                    FindingCode.BELOW_MINIMUM_LOAD,
                    self,
                    Sentence.of("{found} of load; this module needs at least {allowed}.")
                            .found(there)
                            .allowed(needed),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.ADD_BYPASS, "add a bypass at the lamp")));
        } else if (assignment.bypass().isPresent()) {
            return List.of(Finding.of(
                    FindingCode.BYPASS_NEEDED,
                    self,
                    Sentence.of(
                                    "{found} of load is under {allowed}; a bypass of {0} at the lamp makes up for it.",
                                    assignment.bypass().get())
                            .found(there)
                            .allowed(needed),
                    Source.MAKER));
        }
        return List.of();
    }
}
