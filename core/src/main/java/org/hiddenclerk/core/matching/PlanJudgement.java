package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.conductors.FieldEvidence;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.matching.module.Candidate;
import org.hiddenclerk.core.matching.module.FeelCheck;
import org.hiddenclerk.core.matching.module.InstalledFirmware;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.matching.room.RoomInBox;
import org.hiddenclerk.core.matching.survey.AlikeCores;
import org.hiddenclerk.core.matching.survey.CircuitSum;
import org.hiddenclerk.core.matching.survey.SurveyChecks;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/**
 * Whether a whole plan may be issued for work: the wiring as found must be sound, the wiring as planned proved, every
 * module right for its gangs, and all of them together must fit.
 *
 * @param plan     the wiring, drawn and proved
 * @param findings all findings
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

    /**
     * The same judgement in the light of what was read in the run: a reading that contradicts the survey stops every
     * plan of it, and cores that
     * look alike are known by a reading alone.
     */
    public PlanJudgement withEvidence(FieldEvidence evidence) {
        List<Finding> more = new ArrayList<>(findings);
        if (plan.planned().isPresent()) {
            more.addAll(evidence.against());
            more.removeIf(f -> f.code() == FindingCode.TRAVELLERS_ALIKE);
            more.addAll(AlikeCores.of(plan, evidence));
        }
        more.sort(Finding.ORDER);
        return new PlanJudgement(plan, more, accepted);
    }

    /** The same judgement, with what all loads of its circuits come to, also those that hang outside the run. */
    public PlanJudgement withCircuits(List<CircuitSum> sums) {
        if (plan.planned().isEmpty()) {
            return this;
        }
        Set<CircuitId> opened = plan.placesOfWork().stream()
                .filter(place -> !place.implied())
                .flatMap(place -> plan.run().circuitsIn(place).stream())
                .collect(Collectors.toSet());
        Collected collected = new Collected();
        collected.add(findings);
        sums.stream()
                .filter(sum -> opened.contains(sum.circuit().id()))
                .forEach(sum -> collected.add(sum.findings().stream()
                        .filter(f -> f.severity() != Severity.NOTE)
                        .toList()));
        return new PlanJudgement(plan, collected.ordered(), accepted);
    }

    /** The same judgement, of which a person accepts what holds it back. */
    public PlanJudgement accepting(Predicate<Finding> byPerson) {
        return new PlanJudgement(
                plan,
                findings,
                findings.stream()
                        .filter(f -> f.severity() == Severity.HOLD)
                        .filter(byPerson)
                        .toList());
    }

    /** A plan may be issued when it is drawn and its verdict is OK. */
    public boolean mayBeIssued() {
        return plan.after().isPresent() && verdict() == Verdict.OK;
    }

    public static PlanJudgement of(HouseContext house, Box box, List<Assignment> modules) {
        return of(new Planner(house, ConnectedBoxes.of(box, house.region())), modules, Map.of(), Terms.USUAL);
    }

    /**
     * Judges what is given to the lead of a run, together with what is given to its other boxes.
     *
     * @param others assignments of other boxes, by their place
     */
    public static PlanJudgement of(
            Planner planner,
            List<Assignment> modules,
            Map<ConnectedBoxes.Place, List<Assignment>> others,
            Terms terms) {
        boolean nothing = modules.isEmpty() && others.values().stream().allMatch(List::isEmpty);
        WiringPlan plan = nothing ? planner.surveyed() : planner.plan(modules, others);
        ModuleMatch match = new ModuleMatch(planner, terms);
        Collected collected = new Collected();
        together(planner, plan, match, modules).forEach(collected::add);
        for (int i = 0; i < modules.size(); i++) {
            collected.add(ofModule(match, modules, i, plan));
        }
        collected.add(plan.findings().stream()
                .filter(f -> modules.isEmpty() || !ModuleMatch.SAID_HERE.contains(f.code()))
                .toList());
        collected.add(planner.surveyed().findings().stream()
                .filter(WiringPlan::isInTheWay)
                .toList());
        collected.add(shownBySurvey(planner, plan));
        collected.add(AlikeCores.of(plan, FieldEvidence.NONE));
        collected.add(actingOtherwise(plan));
        return new PlanJudgement(plan, collected.ordered(), List.of());
    }

    /** Inputs whose switches cannot be read as it is planned: the plan says it before anybody sets how switches feel. */
    private static List<Finding> actingOtherwise(WiringPlan plan) {
        return WallInput.of(plan).stream()
                .flatMap(input -> FeelCheck.unsuited(
                        new Subject.Input(
                                RunWiring.moduleOf(input.fitted().number()).value(),
                                input.input().id()),
                        input.wall(),
                        input.fitted().model(),
                        input.input().behaviour())
                        .stream())
                .toList();
    }

    /** Whatever the survey of the boxes that are opened stops or holds, stops or holds the plan as well. */
    private static List<Finding> shownBySurvey(Planner planner, WiringPlan plan) {
        List<Finding> shown = new ArrayList<>();
        plan.placesOfWork().stream()
                .filter(place -> !place.implied())
                .forEach(place -> shown.addAll(SurveyChecks.of(planner.house(), planner.run(), place)));
        planner.surveyed().findings().stream()
                .filter(f -> f.code() == FindingCode.EARTH_COLOUR_MISUSED)
                .forEach(shown::add);
        return shown.stream().filter(f -> f.severity() != Severity.NOTE).toList();
    }

    /**
     * Findings from several judges. What an earlier judge said of a subject, a later one does not say again; what one judge
     * says twice about a subject is two findings.
     */
    private static final class Collected {
        private final List<Finding> findings = new ArrayList<>();

        void add(List<Finding> said) {
            Set<Finding.Key> known = findings.stream().map(Finding::key).collect(Collectors.toSet());
            said.stream()
                    .filter(f -> !known.contains(f.key()) && !findings.contains(f))
                    .forEach(findings::add);
        }

        List<Finding> ordered() {
            return findings.stream().sorted(Finding.ORDER).toList();
        }
    }

    /** What is found of one module by itself, told of it as it is fitted in the plan of all. */
    private static List<Finding> ofModule(
            ModuleMatch match, List<Assignment> modules, int assignment, WiringPlan plan) {
        Candidate alone = match.judge(modules.get(assignment));
        List<String> here = plan.modulesOf(assignment);
        List<String> there = alone.plan().modulesOf(0);
        // Where nothing is drawn, each module still bears a name of its own.
        UnaryOperator<String> ids = id -> here.isEmpty() || there.isEmpty()
                ? "K" + (assignment + 1)
                : there.contains(id) && there.indexOf(id) < here.size() ? here.get(there.indexOf(id)) : id;
        return alone.findings().stream()
                .map(f -> f.about(f.subject().withModules(ids)))
                .map(f -> ModuleMatch.SAID_HERE.contains(f.code()) ? f.in(statesOf(f, plan)) : f)
                .toList();
    }

    /** The rules for a contact have the better words, the proof knows the states: the drawing needs both. */
    private static List<SwitchingState> statesOf(Finding said, WiringPlan plan) {
        return plan.findings().stream()
                .filter(f -> f.code() == said.code()
                        && (f.subject().involves(said.subject())
                                || said.subject().involves(f.subject())
                                || said.subject() instanceof Subject.LoadsOnChannel on
                                        && f.subject().involves(on.channel())))
                .flatMap(f -> f.states().stream())
                .toList();
    }

    /** What all modules of a place come to together: it stands before what each alone would. */
    private static List<List<Finding>> together(
            Planner planner, WiringPlan plan, ModuleMatch match, List<Assignment> modules) {
        List<List<Finding>> together = new ArrayList<>();
        plan.planned().ifPresent(planned -> planned.modulesByPlace().forEach((place, models) -> {
            Box box = planned.at(place).box();
            together.add(RoomInBox.of(
                            box,
                            models,
                            planner.house().region(),
                            planned.at(place).connectors())
                    .findings());
            together.add(warmth(match, box, models, modules));
        }));
        return together;
    }

    /** Several modules in a box warm each other. What those of other boxes switch is not known here; their own draw is. */
    private static List<Finding> warmth(ModuleMatch match, Box box, List<ModuleModel> here, List<Assignment> modules) {
        if (here.size() < 2) {
            return List.of();
        }
        double heat = match.standbyHeat(here)
                + modules.stream()
                        .filter(m -> here.contains(m.model()))
                        .mapToDouble(match::contactHeat)
                        .sum();
        return here.stream()
                .distinct()
                .flatMap(model -> BoxHeat.judge(box, model, heat).findings().stream())
                .toList();
    }
}
