package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.Run;
import org.hiddenclerk.core.wiring.RunWiring;
import org.hiddenclerk.core.wiring.WiringPlan;

/**
 * Whether a whole plan may be issued for work: the wiring as found must be sound, the wiring as planned proved, every
 * module right for its gangs, and all of them together must fit.
 *
 * @param plan     the wiring, drawn and proved
 * @param findings all findings, each code and subject once
 * @param accepted those of them that hold the plan back no more, because a person took them on with a reason; never one that stops
 */
public record PlanJudgement(WiringPlan plan, List<Finding> findings, List<Finding> accepted) {
    public PlanJudgement {
        findings = List.copyOf(findings);
        accepted = List.copyOf(accepted);
        if (accepted.stream().anyMatch(f -> f.severity() != Severity.HOLD)) {
            throw new IllegalArgumentException("Only what holds a plan back can be accepted, not " + accepted + ".");
        }
    }

    /** The worst of what nobody accepted. */
    public Verdict verdict() {
        return Verdict.of(findings.stream().filter(f -> !accepted.contains(f)).toList());
    }

    /** The same judgement, with what modules that have joined already lack. Nobody has accepted anything yet. */
    public PlanJudgement withInstalled(List<Assignment> modules, Map<String, InstalledFirmware> installed) {
        List<Finding> more = new ArrayList<>(findings);
        more.addAll(InstalledFirmware.findings(modules, installed));
        more.sort(Finding.ORDER);
        return new PlanJudgement(plan, more, accepted);
    }

    /** The same judgement, of which a person accepts what holds it back. */
    public PlanJudgement accepting(Predicate<Finding> byPerson) {
        return new PlanJudgement(plan, findings, findings.stream().filter(f -> f.severity() == Severity.HOLD).filter(byPerson).toList());
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
        return of(new Planner(house, Run.of(box, house.region())), modules, Map.of(), Terms.USUAL);
    }

    /**
     * Judges what is given to the lead of a run, together with what is given to its other boxes.
     *
     * @param others assignments of other boxes, by their place
     */
    public static PlanJudgement of(Planner planner, List<Assignment> modules, Map<Run.Place, List<Assignment>> others, Terms terms) {
        Map<String, Finding> findings = new LinkedHashMap<>();
        boolean nothing = modules.isEmpty() && others.values().stream().allMatch(List::isEmpty);
        WiringPlan plan = nothing ? planner.surveyed() : planner.plan(modules, others);
        ModuleMatch match = new ModuleMatch(planner, terms);
        for (int i = 0; i < modules.size(); i++) {
            String module = "K" + (i + 1);
            match.judge(modules.get(i)).findings().forEach(f -> findings.putIfAbsent(f.code() + " " + f.subject(),
                    ModuleMatch.SAID_HERE.contains(f.code()) ? f.in(statesOf(f, module, plan)) : f));
        }
        plan.planned().ifPresent(planned -> planned.modulesByPlace().forEach((place, models) -> {
            Box box = planned.at(place).box();
            List<Finding> together = new ArrayList<>(RoomInBox.of(box, models, planner.house().region(),
                    planned.at(place).connectors()).findings());
            together.addAll(warmth(match, box, models, modules));
            together.forEach(f -> findings.put(f.code() + " " + f.subject(), f));
        }));
        plan.findings().stream().filter(f -> modules.isEmpty() || !ModuleMatch.SAID_HERE.contains(f.code()))
                .forEach(f -> findings.putIfAbsent(f.code() + " " + f.subject(), f));
        planner.surveyed().findings().stream().filter(WiringPlan::isInTheWay)
                .forEach(f -> findings.putIfAbsent(f.code() + " " + f.subject(), f));
        List<Finding> ordered = new ArrayList<>(findings.values());
        ordered.sort(Finding.ORDER);
        return new PlanJudgement(plan, ordered, List.of());
    }

    /** Several modules in a box warm each other. What those of other boxes switch is not known here; their own draw is. */
    private static List<Finding> warmth(ModuleMatch match, Box box, List<ModuleModel> here, List<Assignment> modules) {
        if (here.size() < 2) {
            return List.of();
        }
        double heat = match.standbyHeat(here) + modules.stream().filter(m -> here.contains(m.model())).mapToDouble(match::contactHeat).sum();
        return here.stream().distinct().flatMap(model -> BoxHeat.judge(box, model, heat).findings().stream()).toList();
    }
}
