package org.hiddenclerk.core.matching;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.BlinkTiming;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.electrical.Mechanism;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.PartsToAdd;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.Run;
import org.hiddenclerk.core.wiring.SchemeCode;
import org.hiddenclerk.core.wiring.WiringPlan;

/**
 * Judges modules for gangs of a box: every rule is asked, so that all reasons stand beside the first.
 *
 * <p>A two-wire module that would see less than its minimum load is judged with the bypass it needs.
 */
public final class ModuleMatch {
    /** A bypass as it is carried, in watts. */
    private static final Watts BYPASS = Watts.of(20);
    /** Codes for which the rules here have the better words; the proof's own are left out. */
    static final Set<FindingCode> SAID_HERE = Set.of(FindingCode.CONTACT_OVERLOAD, FindingCode.RATING_UNKNOWN,
            FindingCode.BELOW_MINIMUM_LOAD, FindingCode.NEAR_LIMIT);
    static final Comparator<Candidate> RANKING = Comparator
            .comparing((Candidate c) -> c.verdict()).reversed()
            .thenComparing(c -> c.findings().stream().filter(f -> f.severity() != Severity.NOTE).count())
            .thenComparing(c -> c.findings().size())
            .thenComparing(c -> c.assignment().model().priceCents())
            .thenComparing(c -> c.assignment().model().code());

    /** Longest break of a flip, and the shortest: a rocker moved by hand; common practice, no source. */
    private static final int LONGEST_FLIP_MS = 100;
    private static final int SHORTEST_FLIP_MS = 20;

    private final HouseContext house;
    private final Planner planner;
    private final Box box;

    public ModuleMatch(HouseContext house, Box box) {
        this(new Planner(house, Run.of(box, house.region())));
    }

    /** For the lead box of a run. */
    public ModuleMatch(Planner planner) {
        this.planner = planner;
        house = planner.house();
        box = planner.run().lead().box();
    }

    /** Every module judged for the gangs, best first. */
    public List<Candidate> rank(List<Integer> gangs, List<ModuleModel> models) {
        return models.stream().map(model -> judge(gangs, model)).sorted(RANKING).toList();
    }

    /** Judges one module with its usual behaviours, and with a bypass where one is needed. */
    public Candidate judge(List<Integer> gangs, ModuleModel model) {
        return judge(Assignment.usualScheme(model), gangs, List.of(), model, Optional.empty());
    }

    /** Judges a module for a scheme, with its usual behaviours and what goes behind the other switches. */
    public Candidate judge(SchemeCode scheme, List<Integer> gangs, List<Integer> loads, ModuleModel model,
                    Optional<ModuleModel> companion) {
        int channels = Math.max(1, model.channels().size());
        if (gangs.size() + loads.size() > channels) {
            List<Integer> firstGangs = gangs.subList(0, Math.min(channels, gangs.size()));
            List<Integer> firstLoads = loads.subList(0, channels - firstGangs.size());
            return tooFewChannels(gangs.size() + loads.size(), judge(scheme, firstGangs, firstLoads, model, companion));
        }
        Optional<Watts> bypass = scheme == SchemeCode.BEHIND_SWITCH_NO_N && !gangs.isEmpty() ? bypassFor(gangs, model)
                : Optional.empty();
        return judge(new Assignment(scheme, model, gangs, loads, usualBehaviours(gangs, model), bypass, companion));
    }

    /** Judges an assignment as it stands. */
    public Candidate judge(Assignment assignment) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        WiringPlan plan = planner.plan(List.of(assignment));
        boolean byRules = assignment.scheme() != SchemeCode.CANOPY_FAN_LIGHT;
        if (byRules) {
            loads(assignment, findings, margins);
        }
        minimumLoad(assignment, findings, margins);
        rooms(plan, assignment, findings, margins);
        voltage(assignment.model(), findings);
        conductors(plan, assignment.model(), findings);
        suitability(plan, assignment, findings);
        blinkTiming(assignment, findings);
        wiring(plan, assignment, byRules, findings);
        findings.sort(Finding.ORDER);
        return new Candidate(assignment, findings, margins, plan);
    }

    /** Every place that gets a module must have room for those that go there. */
    private void rooms(WiringPlan plan, Assignment assignment, List<Finding> findings, List<Margin> margins) {
        Map<Run.Place, List<ModuleModel>> byPlace = new LinkedHashMap<>();
        plan.planned().ifPresentOrElse(planned -> planned.fitted().forEach(fitted -> byPlace
                .computeIfAbsent(fitted.place(), p -> new ArrayList<>()).add(fitted.model())),
                () -> byPlace.put(planner.run().lead(), List.of(assignment.model())));
        byPlace.forEach((place, models) -> {
            RoomInBox.Judgement room = RoomInBox.of(place.box(), models, house.region());
            findings.addAll(room.findings());
            margins.addAll(room.margins());
        });
    }

    private void blinkTiming(Assignment assignment, List<Finding> findings) {
        if (assignment.scheme() != SchemeCode.AT_LAMP_BLINK) {
            return;
        }
        Optional<BlinkTiming> blink = assignment.model().blink();
        if (blink.isEmpty()) {
            findings.add(Finding.of(FindingCode.BLINK_NOT_SEEN, assignment.model().code(),
                    "The maker states no times for breaks of the supply; a flip takes " + SHORTEST_FLIP_MS + " to "
                            + LONGEST_FLIP_MS + " ms.", Source.MAKER,
                    new Remedy(Remedy.Kind.FIND_OUT, "find out minimum and hold-up time")));
        } else if (blink.get().minimumMs() > SHORTEST_FLIP_MS || blink.get().holdUpMs() < LONGEST_FLIP_MS) {
            findings.add(Finding.of(FindingCode.BLINK_NOT_SEEN, assignment.model().code(), String.format(
                    "It counts breaks of %d to %d ms; a flip takes %d to %d ms.", blink.get().minimumMs(),
                    blink.get().holdUpMs(), SHORTEST_FLIP_MS, LONGEST_FLIP_MS), Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module with a longer hold-up time")));
        }
    }

    private static Candidate tooFewChannels(int positions, Candidate forTheFirst) {
        ModuleModel model = forTheFirst.assignment().model();
        List<Finding> findings = new ArrayList<>(forTheFirst.findings());
        String what = forTheFirst.assignment().loads().isEmpty() ? " gangs need " : " loads need ";
        findings.add(Finding.of(FindingCode.TOO_FEW_CHANNELS, model.code(), positions + what + positions + " channels; "
                + model.code() + " has " + model.channels().size() + ".", Source.MAKER,
                new Remedy(Remedy.Kind.OTHER_MODULE, "one module for each gang, or one with more channels")));
        findings.sort(Finding.ORDER);
        List<Margin> margins = new ArrayList<>(forTheFirst.margins());
        margins.add(new Margin("channels", BigDecimal.valueOf(positions), BigDecimal.valueOf(model.channels().size()), ""));
        return new Candidate(forTheFirst.assignment(), findings, margins, forTheFirst.plan());
    }

    private Map<Integer, InputBehaviour> usualBehaviours(List<Integer> gangs, ModuleModel model) {
        Map<Integer, InputBehaviour> behaviours = new LinkedHashMap<>();
        for (int gang : gangs) {
            Mechanism mechanism = box.gang(gang).mechanism();
            InputBehaviour usual = mechanism.isPush() ? InputBehaviour.PRESS_CHANGES : InputBehaviour.EVERY_FLIP;
            behaviours.put(gang, Stream.of(usual, InputBehaviour.POSITION_RULES, InputBehaviour.UP_DOWN)
                    .filter(model.behaviours()::contains).findFirst().orElse(usual));
        }
        return behaviours;
    }

    private Optional<Watts> bypassFor(List<Integer> gangs, ModuleModel model) {
        if (!(model.supply() instanceof ModuleSupply.TwoWire supply)) {
            return Optional.empty();
        }
        Watts total = smallestLoad(gangs);
        Watts bypass = Watts.ZERO;
        while (total.plus(bypass).asDouble() < supply.minimumLoadWatts()) {
            bypass = bypass.plus(BYPASS);
        }
        return bypass.equals(Watts.ZERO) ? Optional.empty() : Optional.of(bypass);
    }

    private Watts smallestLoad(List<Integer> gangs) {
        return gangs.stream().map(gang -> loadsOf(gang).stream().map(SurveyedLoad::total)
                .reduce(Watts.ZERO, Watts::plus)).min(Watts::compareTo).orElse(Watts.ZERO);
    }

    private void loads(Assignment assignment, List<Finding> findings, List<Margin> margins) {
        List<List<SurveyedLoad>> loads = planner.loadsOf(assignment);
        for (int i = 0; i < Math.min(loads.size(), assignment.model().channels().size()); i++) {
            String subject = "channel " + assignment.model().channels().get(i).id();
            new ChannelLoad(volts(), house.region(), assignment.model().channels().get(i), loads.get(i), subject)
                    .judge(findings, margins);
        }
        assignment.model().totalAmps().ifPresent(limit -> {
            BigDecimal amps = loads.stream().flatMap(List::stream)
                    .flatMap(load -> load.banks().stream())
                    .map(bank -> bank.total().asDecimal().divide(volts()
                            .multiply(bank.powerFactor()), java.math.MathContext.DECIMAL64))
                    .reduce(BigDecimal.ZERO, BigDecimal::add);
            Margin total = new Margin("all channels", amps, limit.asDecimal(), "A");
            margins.add(total);
            if (total.isOver()) {
                findings.add(Finding.of(FindingCode.CONTACT_OVERLOAD, assignment.model().code(),
                        "All channels together carry " + ChannelLoad.figure(amps) + " A; " + limit + " is allowed.",
                        Source.MAKER, new Remedy(Remedy.Kind.OTHER_MODULE, "a module with larger contacts")));
            }
        });
    }

    /** Volts of the loads: those of an extra-low-voltage circuit where the lead hangs on one only. */
    private BigDecimal volts() {
        List<Circuit> circuits = planner.run().circuitsIn(planner.run().lead()).stream().map(house.circuits()::get).toList();
        boolean elv = !circuits.isEmpty() && circuits.stream().allMatch(Circuit::isElv);
        return (elv ? circuits.get(0).elvVolts().orElseThrow() : house.region().nominalVolts()).asDecimal();
    }

    private void minimumLoad(Assignment assignment, List<Finding> findings, List<Margin> margins) {
        if (!(assignment.model().supply() instanceof ModuleSupply.TwoWire supply) || assignment.gangs().isEmpty() || supply.minimumLoadWatts() <= 0) {
            return;
        }
        Watts load = smallestLoad(assignment.gangs());
        Watts carried = load.plus(assignment.bypass().orElse(Watts.ZERO));
        String needed = ChannelLoad.figure(BigDecimal.valueOf(supply.minimumLoadWatts()));
        if (carried.asDouble() < supply.minimumLoadWatts()) {
            findings.add(Finding.of(FindingCode.BELOW_MINIMUM_LOAD, assignment.model().code(), load
                    + " of load; this module needs at least " + needed + "\u2009W.", Source.MAKER,
                    new Remedy(Remedy.Kind.ADD_BYPASS, "add a bypass at the lamp")));
        } else if (assignment.bypass().isPresent()) {
            findings.add(Finding.of(FindingCode.BYPASS_NEEDED, assignment.model().code(), load + " of load is under "
                    + needed + "\u2009W; a bypass of " + assignment.bypass().get() + " at the lamp makes up for it.",
                    Source.MAKER));
        }
    }

    private void voltage(ModuleModel model, List<Finding> findings) {
        RegionProfile region = house.region();
        double max = model.supply().maxVolts().orElse(Double.MAX_VALUE);
        if (model.supply() instanceof ModuleSupply.DirectCurrent) {
            return;
        }
        if (model.supply().minVolts() > region.lowestVolts().asDouble() || max < region.highestVolts().asDouble()) {
            findings.add(Finding.of(FindingCode.VOLTS_OUT_OF_RANGE, model.code(), String.format(java.util.Locale.ROOT,
                    "Made for %.0f to %.0f V; here %s to %s must be expected.", model.supply().minVolts(), max,
                    region.lowestVolts(), region.highestVolts()), region.voltageSource(),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module for this voltage")));
        }
    }

    private void conductors(WiringPlan plan, ModuleModel model, List<Finding> findings) {
        List<Run.Place> places = plan.planned().map(p -> p.fitted().stream().map(f -> f.place()).distinct().toList())
                .orElse(List.of(planner.run().lead()));
        BigDecimal thickest = places.stream().flatMap(place -> place.box().cables().stream()).map(cable -> cable.mm2()).max(BigDecimal::compareTo)
                .orElse(BigDecimal.ZERO);
        BigDecimal takes = model.terminals().stream().map(t -> t.maxMm2()).min(BigDecimal::compareTo)
                .orElse(BigDecimal.ZERO);
        if (thickest.compareTo(takes) > 0) {
            findings.add(Finding.of(FindingCode.CONDUCTOR_TOO_THICK, model.code(), "Cores of "
                    + thickest.toPlainString() + "\u2009mm² do not go into terminals for " + takes.toPlainString()
                    + "\u2009mm².", Source.MAKER, new Remedy(Remedy.Kind.ADD_CONNECTOR, "a connector and a thinner tail"),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module with larger terminals")));
        }
    }

    private void suitability(WiringPlan plan, Assignment assignment, List<Finding> findings) {
        ModuleModel model = assignment.model();
        if (!model.markets().contains(house.region().market())) {
            findings.add(Finding.of(FindingCode.NOT_APPROVED_HERE, model.code(), "Approvals are stated for "
                    + model.markets().stream().sorted().collect(Collectors.joining(", ")) + ", not for "
                    + house.region().market() + ".", Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module approved here")));
        }
        if (model.interlocked() && assignment.scheme() != SchemeCode.BLIND_PAIR) {
            findings.add(Finding.of(FindingCode.CHANNELS_INTERLOCKED, model.code(),
                    "Made for " + Purpose.BLINDS.label() + ": only one of its channels can be on at a time.",
                    Source.MAKER, new Remedy(Remedy.Kind.OTHER_MODULE, "a module made for lights")));
        }
        if (!model.hasWetContacts() && assignment.scheme() != SchemeCode.VOLT_FREE) {
            findings.add(Finding.of(FindingCode.CONTACT_ISOLATED, model.code(),
                    "Its contact stands apart from its supply; a lamp circuit needs a contact on the live.",
                    Source.MAKER, new Remedy(Remedy.Kind.OTHER_MODULE, "a module that switches its own live")));
        }
        boolean metal = plan.planned().map(p -> p.fitted().stream().map(f -> f.place().box())).orElse(Stream.of(box))
                .anyMatch(b -> b.geometry().filter(BoxGeometry::metal).isPresent());
        if (metal && model.protocol() != Protocol.ZWAVE) {
            findings.add(Finding.of(FindingCode.METAL_BOX_RADIO, model.code(), model.protocol().label()
                    + " at 2.4 GHz behind a metal box: measure the link with the plate back on.",
                    Source.COMMON_PRACTICE));
        }
    }

    private void wiring(WiringPlan plan, Assignment assignment, boolean byRules, List<Finding> findings) {
        plan.findings().stream().filter(f -> !byRules || !SAID_HERE.contains(f.code())).forEach(findings::add);
        if (plan.planned().isPresent()) {
            PartsToAdd.of(plan).stream().filter(item -> item.what().startsWith("connector"))
                    .forEach(item -> findings.add(Finding.of(FindingCode.CONNECTOR_NEEDED, assignment.model().code(),
                            item.count() + " × " + item.what() + " in addition: its terminals can't hold them all.",
                            Source.COMPUTED)));
            boolean neutralHere = box.cores().stream()
                    .anyMatch(core -> core.core().role() == org.hiddenclerk.core.job.Role.NEUTRAL);
            if (neutralHere && assignment.model().supply() instanceof ModuleSupply.TwoWire) {
                findings.add(Finding.of(FindingCode.NEUTRAL_PREFERRED, assignment.model().code(),
                        "A neutral is in this box: a module that uses it has a better supply and no minimum load.",
                        Source.COMMON_PRACTICE));
            }
        }
    }

    private List<SurveyedLoad> loadsOf(int gang) {
        return planner.loadsOfGang(gang);
    }
}
