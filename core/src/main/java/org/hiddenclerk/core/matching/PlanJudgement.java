package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.WiringPlan;

/**
 * Whether a whole plan may be issued for work: the wiring as found must be sound, the wiring as planned proved, every
 * module right for its gangs, and all of them together must fit.
 *
 * @param plan     the wiring, drawn and proved
 * @param findings all findings, each code and subject once
 */
public record PlanJudgement(WiringPlan plan, List<Finding> findings) {
    public PlanJudgement {
        findings = List.copyOf(findings);
    }

    public Verdict verdict() {
        return Verdict.of(findings);
    }

    /** The rules for a contact have the better words, the proof knows the states: the drawing needs both. */
    private static List<SwitchingState> statesOf(Finding said, String module, WiringPlan plan) {
        String channel = said.subject().startsWith("channel ") ? "/" + said.subject().substring("channel ".length()) : "";
        return plan.findings().stream().filter(f -> f.code() == said.code() && f.subject().equals(module + channel))
                .flatMap(f -> f.states().stream()).toList();
    }

    /** A plan may be issued when it is drawn and its verdict is OK. */
    public boolean mayBeIssued() {
        return plan.after().isPresent() && verdict() == Verdict.OK;
    }

    public static PlanJudgement of(HouseContext house, Box box, List<Assignment> modules) {
        Map<String, Finding> findings = new LinkedHashMap<>();
        WiringPlan plan = modules.isEmpty() ? WiringPlan.surveyed(house, box) : WiringPlan.of(house, box, modules);
        ModuleMatch match = new ModuleMatch(house, box);
        for (int i = 0; i < modules.size(); i++) {
            String module = "K" + (i + 1);
            match.judge(modules.get(i)).findings().forEach(f -> findings.putIfAbsent(f.code() + " " + f.subject(),
                    ModuleMatch.SAID_HERE.contains(f.code()) ? f.in(statesOf(f, module, plan)) : f));
        }
        RoomInBox.of(box, modules).findings().forEach(f -> findings.put(f.code() + " " + f.subject(), f));
        plan.findings().stream().filter(f -> modules.isEmpty() || !ModuleMatch.SAID_HERE.contains(f.code()))
                .forEach(f -> findings.putIfAbsent(f.code() + " " + f.subject(), f));
        WiringPlan.surveyed(house, box).findings().stream().filter(f -> f.severity() == Severity.STOP)
                .forEach(f -> findings.putIfAbsent(f.code() + " " + f.subject(), f));
        List<Finding> ordered = new ArrayList<>(findings.values());
        ordered.sort(Finding.ORDER);
        return new PlanJudgement(plan, ordered);
    }
}
