package org.hiddenclerk.core.matching.module;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.Caution;
import org.hiddenclerk.core.wiring.paper.Papers;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** Every scheme for the gangs or loads of a box: what it would take, or why it does not apply. */
public final class SchemeChooser {
    /** Working times in minutes; common practice, no source. */
    private static final int FIRST_MODULE_MINUTES = 30;

    private static final int FURTHER_MODULE_MINUTES = 20;
    private static final int FURTHER_BOX_MINUTES = 15;
    private static final int MECHANISM_MINUTES = 5;

    private static final Comparator<Candidate> BEST =
            Comparator.comparing((Candidate c) -> c.plan().planned().isEmpty()).thenComparing(ModuleMatch.RANKING);

    private final Planner planner;
    private final ModuleMatch match;
    private final List<ModuleModel> models;

    public SchemeChooser(Planner planner, List<ModuleModel> models) {
        this(planner, models, Terms.USUAL);
    }

    public SchemeChooser(Planner planner, List<ModuleModel> models, Terms terms) {
        this(planner, models, terms, PickedBeside.NOTHING);
    }

    public SchemeChooser(Planner planner, List<ModuleModel> models, Terms terms, PickedBeside beside) {
        this.planner = planner;
        this.match = new ModuleMatch(planner, terms, beside);
        this.models = List.copyOf(models);
    }

    /**
     * One scheme.
     *
     * @param best    the module that suits it best; empty when the scheme does not apply
     * @param toll    what it takes, when it applies
     * @param reasons why it does not apply, or what stands against the best module
     */
    public record Offer(SchemeCode scheme, Optional<Candidate> best, Optional<Toll> toll, List<Finding> reasons) {
        public Offer {
            reasons = List.copyOf(reasons);
        }

        public boolean applies() {
            return best.isPresent();
        }
    }

    /**
     * What a scheme takes and leaves.
     *
     * @param modules         modules that are put in
     * @param boxes           boxes that are opened
     * @param minutes         an estimate; common practice, no source
     * @param priceCents      of the modules; empty where the price of one is unknown
     * @param alwaysReachable whether the module keeps its supply whatever the switches do
     * @param switchesWork    whether every wall switch still changes the lamp
     */
    public record Toll(
            int modules,
            int connectors,
            int jumpers,
            int cappedCores,
            List<String> boxes,
            int minutes,
            OptionalInt priceCents,
            boolean alwaysReachable,
            boolean switchesWork,
            List<Caution> cautions) {
        public Toll {
            boxes = List.copyOf(boxes);
            cautions = List.copyOf(cautions);
        }
    }

    /** All schemes in their order, those that apply first. */
    public List<Offer> offers(List<Integer> gangs, List<Integer> loads) {
        List<Offer> offers = new ArrayList<>();
        for (SchemeCode scheme : SchemeCode.values()) {
            // Without a module in the box there is nothing to say of its channels.
            if (!scheme.has(SchemeCode.Trait.IN_PLACE) || !inPlace().isEmpty()) {
                offers.add(offer(scheme, gangs, loads));
            }
        }
        offers.sort(Comparator.comparing((Offer o) -> !o.applies())
                .thenComparing(
                        o -> o.best().filter(c -> c.verdict() == Verdict.OK).isEmpty())
                // What is there already costs nothing and takes no room.
                .thenComparing(o -> !o.scheme().has(SchemeCode.Trait.IN_PLACE))
                .thenComparing(Offer::scheme));
        return offers;
    }

    /** Every module judged for one scheme, best first; those with too few channels too. */
    public List<Candidate> rank(SchemeCode scheme, List<Integer> gangs, List<Integer> loads) {
        return candidates(scheme, gangs, loads, 0).stream().sorted(BEST).toList();
    }

    private Offer offer(SchemeCode scheme, List<Integer> gangs, List<Integer> loads) {
        List<Candidate> candidates = candidates(scheme, gangs, loads, gangs.size() + loads.size());
        Optional<Candidate> best = candidates.stream().min(BEST);
        if (best.isEmpty()) {
            return new Offer(
                    scheme,
                    Optional.empty(),
                    Optional.empty(),
                    List.of(Finding.of(
                            FindingCode.TOO_FEW_CHANNELS,
                            new Subject.Scheme(scheme.name()),
                            "No module of the stock book has the channels for it.",
                            Source.MAKER)));
        }
        if (best.get().plan().planned().isEmpty()) {
            return new Offer(scheme, Optional.empty(), Optional.empty(), reasonsAgainst(candidates));
        }
        return new Offer(scheme, best, Optional.of(toll(best.get())), best.get().findings());
    }

    private List<Candidate> candidates(SchemeCode scheme, List<Integer> gangs, List<Integer> loads, int channels) {
        List<Candidate> candidates = new ArrayList<>();
        for (ModuleModel model : scheme.has(SchemeCode.Trait.IN_PLACE) ? inPlace() : models) {
            if (mayTake(scheme, model)) {
                Companions.of(scheme, model, models, gangs.size()).stream()
                        .filter(companion -> channels <= Assignment.most(scheme, model, companion))
                        .forEach(companion -> candidates.add(match.judge(scheme, gangs, loads, model, companion)));
            }
        }
        return candidates;
    }

    /** Kinds of modules in the box already whose conductors were followed, and that may take more. */
    private List<ModuleModel> inPlace() {
        return planner.run().lead().box().followedModules().stream()
                .flatMap(module -> module.model().stream())
                .filter(model -> mayTake(SchemeCode.FREE_CHANNEL, model))
                .distinct()
                .toList();
    }

    /** Reasons that lie in the house, not in a module: those that every module meets. */
    private static List<Finding> reasonsAgainst(List<Candidate> candidates) {
        Candidate nearest = candidates.stream()
                .min(Comparator.comparingLong(c -> c.plan().findings().stream()
                        .filter(f -> f.severity() != Severity.NOTE)
                        .count()))
                .orElseThrow();
        return nearest.plan().findings().stream()
                .filter(f -> f.severity() != Severity.NOTE)
                .toList();
    }

    /** Two-wire modules have one scheme of their own; the rest need not be asked. */
    public static boolean mayTake(SchemeCode scheme, ModuleModel model) {
        boolean twoWire = model.supply() instanceof ModuleSupply.TwoWire;
        return !model.channels().isEmpty() && twoWire == scheme.has(SchemeCode.Trait.THROUGH_ITS_LOAD);
    }

    private Toll toll(Candidate candidate) {
        WiringPlan plan = candidate.plan();
        var planned = plan.planned().orElseThrow();
        List<Papers> papers = plan.placesOfWork().stream()
                .map(place -> Papers.of(plan, place, planner.house().region()))
                .toList();
        int connectors = PartsToAdd.connectors(plan).values().stream()
                .mapToInt(Integer::intValue)
                .sum();
        int mechanisms = PartsToAdd.mechanisms(plan);
        int modules = planned.added().size();
        Set<String> boxes = new LinkedHashSet<>();
        plan.placesOfWork().forEach(place -> boxes.add(place.label()));
        int minutes = minutes(planned.fitted().size(), boxes.size(), mechanisms);
        boolean cut = plan.findings().stream().anyMatch(f -> f.code() == FindingCode.MODULE_CUT_BY_SWITCH);
        boolean work = AtTheWall.switchesWork(planner, plan, candidate.assignment());
        return new Toll(
                modules,
                connectors,
                papers.stream().mapToInt(p -> p.pieces().size()).sum(),
                papers.stream().mapToInt(p -> p.caps().size()).sum(),
                List.copyOf(boxes),
                minutes,
                candidate.priceCents(),
                !cut,
                work,
                Caution.of(plan, planner.house()));
    }

    public static int minutes(int modules, int boxes, int mechanisms) {
        return FIRST_MODULE_MINUTES
                + FURTHER_MODULE_MINUTES * (modules - 1)
                + FURTHER_BOX_MINUTES * (boxes - 1)
                + MECHANISM_MINUTES * mechanisms;
    }
}
