package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.conductors.FieldEvidence;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/** What a plan takes for granted: a proof is worth what these are worth. */
public final class Reliance {
    private Reliance() {}

    /** In words, the boxes themselves left out: who surveyed them is not the core's to know. */
    public static List<String> of(
            HouseContext house, ConnectedBoxes run, List<Assignment> modules, FieldEvidence evidence) {
        List<String> words = new ArrayList<>();
        for (ConnectedBoxes.Span span : run.spans()) {
            if (!span.a().implied() && !span.b().implied()) {
                int read = (int) span.atA().cores().stream()
                        .filter(core -> isRead(span, core, evidence))
                        .count();
                int all = span.atA().cores().size();
                words.add((read == all
                                ? "readings"
                                : read == 0
                                        ? "colours"
                                        : "colours, and " + read + (read == 1 ? " reading," : " readings,"))
                        + " of " + span.atA().name() + " from " + span.a().label() + " to "
                        + span.b().label());
            }
        }
        String loads = run.loads().stream()
                .map(ConnectedBoxes.LoadRef::load)
                .map(SurveyedLoad::typed)
                .distinct()
                .collect(Collectors.joining(", "));
        if (!loads.isEmpty()) {
            words.add("loads as typed: " + loads);
        }
        Set<String> sheets = new LinkedHashSet<>();
        modules.forEach(module -> sheets.add(module.model().code()));
        if (!sheets.isEmpty()) {
            words.add("figures of " + String.join(", ", sheets) + " in the stock book");
        }
        run.boxes().forEach(place -> place.box()
                .followedModules()
                .forEach(module -> words.add("the module in " + place.label() + " is " + module.name()
                        + ", works, and is set as its maker sends it")));
        List<String> circuits =
                run.circuits().stream().map(house::label).sorted().toList();
        if (!circuits.isEmpty()) {
            words.add("device and cable of circuit " + String.join(", ", circuits) + " as typed");
        }
        return words;
    }

    private static boolean isRead(ConnectedBoxes.Span span, Core core, FieldEvidence evidence) {
        return span.twin(core)
                .filter(twin -> evidence.paired()
                        .contains(new FieldEvidence.Ends(
                                SurveyedBoard.coreId(span.a().id(), span.atA().coreKey(core)),
                                SurveyedBoard.coreId(span.b().id(), span.atB().coreKey(twin)))))
                .isPresent();
    }
}
