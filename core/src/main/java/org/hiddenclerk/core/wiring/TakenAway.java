package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.wiring.run.Commands;

/**
 * What a plan takes away from a household: a switch that no longer commands its load, or one that commands another now. It works, and
 * it is not what they had; somebody asks them first.
 */
final class TakenAway {
    private TakenAway() {}

    /**
     * @param before what was wanted of the loads as found: their switches
     * @param after  what is wanted of them as planned
     * @param table  of the wiring as planned; a switch that still changes its load by itself is not lost, whatever is wanted of it
     */
    static List<Finding> of(List<Intent> before, List<Intent> after, Wiring wiring, TruthTable table) {
        Map<PartId, Set<PartId>> had = controls(before);
        Map<PartId, Set<PartId>> has = controls(after);
        Commands.of(wiring, table).forEach((load, switches) -> has.computeIfAbsent(load, l -> new LinkedHashSet<>())
                .addAll(switches));
        List<Finding> findings = new ArrayList<>();
        had.forEach((load, switches) -> switches.stream()
                .filter(control -> !has.getOrDefault(load, Set.of()).contains(control)
                        && !table.controlsOf(load).contains(control))
                .forEach(lost -> {
                    List<PartId> instead = has.entrySet().stream()
                            .filter(e -> e.getValue().contains(lost)
                                    && !had.getOrDefault(e.getKey(), Set.of()).contains(lost))
                            .map(Map.Entry::getKey)
                            .toList();
                    Subject subject =
                            new Subject.Together(new Subject.Load(load.value()), new Subject.Switch(lost.value()));
                    Remedy consent = new Remedy(
                            Remedy.Kind.OTHER_MODULE,
                            "another scheme or module that keeps it, or the household's consent, which a lead takes on");
                    findings.add(
                            instead.isEmpty()
                                    ? Finding.of(
                                            FindingCode.SWITCH_LOST,
                                            subject,
                                            Sentence.of(
                                                    "{0} no longer has its switch {1}.",
                                                    name(wiring, load), name(wiring, lost)),
                                            Source.COMPUTED,
                                            consent)
                                    : Finding.of(
                                            FindingCode.SWITCH_MOVED,
                                            subject,
                                            Sentence.of(
                                                    "Switch {0} commands {1} now, and {2} no longer.",
                                                    name(wiring, lost),
                                                    String.join(
                                                            ", ",
                                                            instead.stream()
                                                                    .map(other -> name(wiring, other))
                                                                    .distinct()
                                                                    .toList()),
                                                    name(wiring, load)),
                                            Source.COMPUTED,
                                            consent));
                }));
        return findings;
    }

    private static Map<PartId, Set<PartId>> controls(List<Intent> intents) {
        Map<PartId, Set<PartId>> controls = new LinkedHashMap<>();
        intents.forEach(intent -> controls.computeIfAbsent(intent.load(), l -> new LinkedHashSet<>())
                .addAll(intent.controls()));
        return controls;
    }

    private static String name(Wiring wiring, PartId part) {
        return wiring.names().getOrDefault(part, part.value());
    }
}
