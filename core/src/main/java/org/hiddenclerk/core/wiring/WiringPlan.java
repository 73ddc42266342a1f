package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.routing.Netting;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.AssumedCables;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.Colours;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.Netlisting;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.run.SurveyedWiring;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.OnFreeChannel;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.hiddenclerk.core.wiring.scheme.Schemes;
import org.hiddenclerk.core.wiring.scheme.Site;

/**
 * The planned wiring of a run, proved.
 *
 * @param found    as surveyed
 * @param planned  as planned; empty when an obstacle stands in the way or nothing has been chosen
 * @param wiring   electrical wiring of {@code planned}, or of {@code found} where there is no plan
 * @param proof    what every switching state of {@code wiring} shows
 * @param findings obstacles, findings of the proof and of the terminals
 */
public record WiringPlan(
        RunWiring found, Optional<RunWiring> planned, Wiring wiring, WiringCheck.Result proof, List<Finding> findings) {
    public WiringPlan {
        findings = List.copyOf(findings);
    }

    public Verdict verdict() {
        return Verdict.of(findings);
    }

    public ConnectedBoxes run() {
        return found.run();
    }

    /** The lead box as surveyed. */
    public BoxWiring before() {
        return found.at(run().lead());
    }

    /** The lead box as planned. */
    public Optional<BoxWiring> after() {
        return planned.map(wiring -> wiring.at(run().lead()));
    }

    /** What people call switches, loads and modules, by their part. */
    public Map<String, String> names() {
        Map<String, String> names = new java.util.TreeMap<>();
        wiring.names().forEach((part, name) -> names.put(part.value(), name));
        return names;
    }

    /** Modules that an assignment fits, the one that carries its loads first, by their parts; none where nothing is drawn. */
    public List<String> modulesOf(int assignment) {
        return planned.map(RunWiring::fitted).orElse(List.of()).stream()
                .filter(f -> f.assignment() == assignment)
                .map(f -> RunWiring.moduleOf(f.number()).value())
                .toList();
    }

    /** Places in which something changes, whichever box the plan is looked at from; the lead where nothing does. */
    public List<ConnectedBoxes.Place> placesOfWork() {
        List<ConnectedBoxes.Place> changed = run().places().stream()
                .filter(place -> planned.filter(p -> !p.at(place).isLike(found.at(place)))
                        .isPresent())
                .toList();
        return changed.isEmpty() ? List.of(run().lead()) : changed;
    }

    /** Places whose conductors can be put elsewhere by hand: surveyed ones, and those that are opened anyway. */
    public List<ConnectedBoxes.Place> placesToTry() {
        List<ConnectedBoxes.Place> opened = placesOfWork();
        return planned.map(wiring -> wiring.boxes().keySet().stream()
                        .filter(place -> !place.implied() || opened.contains(place))
                        .toList())
                .orElse(List.of());
    }

    /** Surveyed boxes that the work opens, by identity; the box that lists the load where a lamp is opened that was not surveyed. */
    public List<String> opens() {
        return placesOfWork().stream().map(run()::boxOf).distinct().toList();
    }

    /** The wiring of a box alone as found, without any module. */
    public static WiringPlan surveyed(HouseContext house, Box box) {
        return surveyed(house, ConnectedBoxes.of(box, house.region()));
    }

    /** The wiring as found, without any module. */
    public static WiringPlan surveyed(HouseContext house, ConnectedBoxes run) {
        return surveyed(SurveyedWiring.of(house, run, Set.of(run.lead())));
    }

    static WiringPlan surveyed(SurveyedWiring found) {
        List<Finding> findings = new ArrayList<>(withoutHeld(
                found.proof().findings(), found.netlist(), found.proof().truthTable()));
        findings.addAll(dangling(found.run()));
        findings.addAll(Colours.of(found.run().lead().box(), found.house().region()));
        findings.sort(Finding.ORDER);
        return held(new WiringPlan(found.wiring(), Optional.empty(), found.netlist(), found.proof(), findings));
    }

    private static List<Finding> dangling(ConnectedBoxes run) {
        return run.danglingCables().stream()
                .map(cable -> Finding.of(
                        FindingCode.SURVEY_INCOMPLETE,
                        cable.subject(),
                        Sentence.of("{0}.", cable.words()),
                        Source.COMPUTED,
                        new Remedy(Remedy.Kind.COMPLETE_SURVEY, "survey the other end")))
                .toList();
    }

    /** Plans modules into a box whose cables lead to loads and supplies only. */
    public static WiringPlan of(HouseContext house, Box box, List<Assignment> modules) {
        return of(house, ConnectedBoxes.of(box, house.region()), modules);
    }

    /**
     * Plans modules into a run.
     *
     * @param modules at least one; each gang and load of the lead at most once
     */
    public static WiringPlan of(HouseContext house, ConnectedBoxes run, List<Assignment> modules) {
        return new Planner(house, run).plan(modules);
    }

    static WiringPlan of(SurveyedWiring found, List<Site> sites) {
        requireEachOnce(sites);
        List<Finding> obstacles = new ArrayList<>(dangling(found.run()));
        obstacles.addAll(claimedTwice(sites));
        obstacles.addAll(modulesClaimedTwice(sites));
        sites.forEach(
                site -> obstacles.addAll(Schemes.of(site.assignment().scheme()).obstacles(site)));
        if (obstacles.isEmpty()) {
            // Nothing is built on a wiring that is dangerous as it is.
            found.proof().findings().stream().filter(WiringPlan::isInTheWay).forEach(obstacles::add);
        }
        return held(obstacles.isEmpty() ? planned(found, sites) : refused(found, obstacles));
    }

    /** A wiring rests on every cable of its run: it holds where one of them was filled in as usual, and nobody has looked. */
    private static WiringPlan held(WiringPlan plan) {
        List<Finding> findings = new ArrayList<>(plan.findings());
        plan.run().boxes().forEach(place -> findings.addAll(AssumedCables.of(place.box())));
        findings.sort(Finding.ORDER);
        return new WiringPlan(plan.found, plan.planned, plan.wiring, plan.proof, findings);
    }

    /** Two plans of one run must not take over the same switch. */
    private static List<Finding> claimedTwice(List<Site> sites) {
        List<Finding> twice = new ArrayList<>();
        Map<ConnectedBoxes.GangRef, Site> claimed = new HashMap<>();
        for (Site site : sites) {
            for (ConnectedBoxes.GangRef gang : site.positions().stream()
                    .flatMap(p -> p.controls().stream())
                    .distinct()
                    .toList()) {
                Site other = claimed.putIfAbsent(gang, site);
                if (other != null && other != site) {
                    twice.add(Finding.of(
                            FindingCode.CLAIMED_TWICE,
                            gang.subject(),
                            Sentence.of(
                                    "{0} is taken over by the {1} of {2} and by the {3} of {4}.",
                                    gang.words(),
                                    other.model().code(),
                                    other.lead().label(),
                                    site.model().code(),
                                    site.lead().label()),
                            Source.COMPUTED,
                            new Remedy(Remedy.Kind.OTHER_MODULE, "take one of the two picks back")));
                }
            }
        }
        return twice;
    }

    private static List<Finding> modulesClaimedTwice(List<Site> sites) {
        List<Finding> twice = new ArrayList<>();
        Map<Integer, Site> claimed = new HashMap<>();
        for (Site site : sites) {
            if (site.assignment().scheme().has(SchemeCode.Trait.IN_PLACE)) {
                OnFreeChannel.moduleFor(site).ifPresent(module -> {
                    Site other = claimed.putIfAbsent(module.number(), site);
                    if (other != null) {
                        twice.add(OnFreeChannel.claimedTwice(module, other, site));
                    }
                });
            }
        }
        return twice;
    }

    /**
     * Whether a finding of the wiring as found forbids to build on it. Two buttons that drive a motor both ways at once are
     * no fault of the fixed wiring, and just what a blind module mends.
     */
    public static boolean isInTheWay(Finding finding) {
        return finding.severity() == Severity.STOP && finding.code() != FindingCode.BOTH_DIRECTIONS_ON;
    }

    private static WiringPlan refused(SurveyedWiring found, List<Finding> obstacles) {
        List<Finding> ordered = new ArrayList<>(obstacles);
        ordered.sort(Finding.ORDER);
        return new WiringPlan(found.wiring(), Optional.empty(), found.netlist(), found.proof(), ordered);
    }

    private static WiringPlan planned(SurveyedWiring found, List<Site> sites) {
        if (sites.size() == 1) {
            return bestOf(found, variants(sites.get(0)));
        }
        List<Consumer<PlanDraft>> chosen = new ArrayList<>();
        for (Site site : sites) {
            List<Consumer<PlanDraft>> variants = variants(site);
            chosen.add(variants.get(Math.max(0, indexOfBest(found, variants))));
        }
        return proved(found, chosen);
    }

    private static List<Consumer<PlanDraft>> variants(Site site) {
        List<Consumer<PlanDraft>> variants =
                Schemes.of(site.assignment().scheme()).variants(site);
        if (variants.isEmpty()) {
            throw new IllegalStateException(
                    "Impossible state: " + site.assignment().scheme() + " names no obstacle and no way.");
        }
        return variants.stream()
                .map(variant -> variant.andThen(
                        draft -> site.assignment().spacer().ifPresent(spacer -> draft.raise(site.lead(), spacer))))
                .toList();
    }

    private static int indexOfBest(SurveyedWiring found, List<Consumer<PlanDraft>> variants) {
        for (int i = 0; i < variants.size(); i++) {
            if (proved(found, List.of(variants.get(i))).verdict() == Verdict.OK) {
                return i;
            }
        }
        return 0;
    }

    /** The first variant that is proved; else the first that can be wired at all; else why the first can't. */
    private static WiringPlan bestOf(SurveyedWiring found, List<Consumer<PlanDraft>> variants) {
        WiringPlan fallback = null;
        for (Consumer<PlanDraft> variant : variants) {
            WiringPlan plan = proved(found, List.of(variant));
            if (plan.planned().isPresent() && plan.verdict() == Verdict.OK) {
                return plan;
            }
            if (fallback == null
                    || fallback.planned().isEmpty() && plan.planned().isPresent()) {
                fallback = plan;
            }
        }
        return java.util.Objects.requireNonNull(fallback);
    }

    private static WiringPlan proved(SurveyedWiring found, List<Consumer<PlanDraft>> chosen) {
        PlanDraft draft = new PlanDraft(found);
        chosen.forEach(variant -> {
            draft.beginAssignment();
            variant.accept(draft);
        });
        PlanDraft.Outcome outcome = draft.finish();
        if (outcome.wiring().isEmpty()) {
            return refused(found, outcome.obstacles());
        }
        return proved(found.house(), found.wiring(), outcome.wiring().get(), found.interest());
    }

    /**
     * The plan with ends of conductors put elsewhere, proved anew.
     *
     * @return empty when there is no plan, or an end or a place that is named does not exist
     */
    public Optional<WiringPlan> with(List<MovedEnd> moves, HouseContext house) {
        Optional<RunWiring> moved = planned;
        for (MovedEnd move : moves) {
            moved = moved.flatMap(move::in);
        }
        return moved.map(wiring -> rewired(wiring, house));
    }

    /** What comes of it when the run is connected otherwise than planned, proved anew. */
    public WiringPlan rewired(RunWiring otherwise, HouseContext house) {
        return held(proved(house, found, otherwise, Set.of(run().lead())));
    }

    private static WiringPlan proved(
            HouseContext house, RunWiring found, RunWiring planned, Set<ConnectedBoxes.Place> interest) {
        Wiring wiring =
                SurveyedWiring.near(new Netlisting(planned, house).wiring(), placesTouched(found, planned, interest));
        WiringCheck.Result proof = WiringCheck.of(wiring);
        List<Finding> findings = new ArrayList<>(withoutHeld(proof.findings(), wiring, proof.truthTable()).stream()
                .map(f -> isLeftAsFound(f, found, wiring) ? noted(f) : f)
                .toList());
        planned.boxes().forEach((place, box) -> findings.addAll(crowdedTerminals(place, box)));
        findings.addAll(TakenAway.of(found.intents(), planned.intents(), wiring, proof.truthTable()));
        findings.sort(Finding.ORDER);
        return new WiringPlan(found, Optional.of(planned), wiring, proof, findings);
    }

    /**
     * A push button that feeds its load by itself does so while it is held: that nothing is otherwise once it is let
     * go is how it works, and no
     * fault of the wiring.
     */
    private static List<Finding> withoutHeld(List<Finding> findings, Wiring wiring, TruthTable table) {
        return findings.stream()
                .filter(f -> !(f.code() == FindingCode.SWITCH_WITHOUT_EFFECT
                        && f.subject() instanceof Subject.Switch control
                        && isHeld(new PartId(control.key()), wiring, table)))
                .toList();
    }

    private static boolean isHeld(PartId control, Wiring wiring, TruthTable table) {
        boolean push = wiring.parts().stream()
                .anyMatch(part -> part instanceof Part.Switch own
                        && own.id().equals(control)
                        && own.mechanism().isPush());
        List<Intent> wanted = wiring.intents().stream()
                .filter(intent -> intent.controls().contains(control))
                .toList();
        return push
                && !wanted.isEmpty()
                && wanted.stream()
                        .allMatch(intent -> table.controlsOf(intent.load()).contains(control));
    }

    /**
     * Two plain switches of a blind may both be on, before the work as after it, where the plan has nothing to do with that blind: worth
     * knowing, and no reason against a module for the lamp beside them.
     */
    private static boolean isLeftAsFound(Finding finding, RunWiring found, Wiring wiring) {
        if (finding.code() != FindingCode.BOTH_DIRECTIONS_ON) {
            return false;
        }
        List<PartId> windings = wiring.parts().stream()
                .filter(part -> part instanceof Part.Load load
                        && load.motor()
                                .map(Subject.Motor::new)
                                .filter(finding.subject()::equals)
                                .isPresent())
                .map(Part::id)
                .toList();
        TruthTable table = WiringCheck.of(wiring).truthTable();
        boolean commanded = wiring.parts().stream()
                .anyMatch(part -> part instanceof Part.FittedModule module
                        && module.channels().stream()
                                .anyMatch(channel -> table.loadsOf(module.id(), channel.id()).stream()
                                        .anyMatch(windings::contains)));
        return !commanded && found.intents().stream().anyMatch(intent -> windings.contains(intent.load()));
    }

    private static Finding noted(Finding finding) {
        return new Finding(
                finding.code(),
                Severity.NOTE,
                finding.subject(),
                finding.states(),
                finding.sentence(),
                finding.remedies(),
                finding.source());
    }

    private static Set<ConnectedBoxes.Place> placesTouched(
            RunWiring found, RunWiring planned, Set<ConnectedBoxes.Place> interest) {
        Set<ConnectedBoxes.Place> touched = new HashSet<>(interest);
        planned.boxes().forEach((place, box) -> {
            if (!box.isLike(found.at(place))) {
                touched.add(place);
            }
        });
        return touched;
    }

    private static void requireEachOnce(List<Site> sites) {
        Set<ConnectedBoxes.GangRef> seen = new HashSet<>();
        for (Site site : sites) {
            for (int gang : site.assignment().gangs()) {
                if (!seen.add(new ConnectedBoxes.GangRef(site.lead(), gang))) {
                    throw new IllegalArgumentException("Gang " + gang + " must be given to one module only.");
                }
            }
        }
    }

    private static List<Finding> crowdedTerminals(ConnectedBoxes.Place at, BoxWiring after) {
        List<Finding> crowded = new ArrayList<>();
        after.held().forEach((place, holds) -> {
            int takes = place instanceof End.AtModule terminal
                    ? after.takes(terminal)
                    : place instanceof End.AtMechanism ? Netting.MECHANISM_TERMINAL_TAKES : Integer.MAX_VALUE;
            if (holds > takes) {
                String words = (at.prefix().isEmpty() ? "" : at.label() + ": ") + after.words(place);
                crowded.add(Finding.of(
                        FindingCode.TOO_MANY_IN_TERMINAL,
                        new Subject.Terminal(at.label(), place.key()),
                        Sentence.of("{0} holds {found} conductors; it takes {allowed}.", words)
                                .found(holds, 0, "")
                                .allowed(takes, 0, ""),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.ADD_CONNECTOR, "put a connector in between")));
            }
        });
        return crowded;
    }
}
