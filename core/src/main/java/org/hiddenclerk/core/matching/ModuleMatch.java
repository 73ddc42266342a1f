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
import org.hiddenclerk.core.behaviour.InputBehaviour;
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
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.BoxWiring;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.PartsToAdd;
import org.hiddenclerk.core.wiring.Scheme;
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
    private static final Comparator<Candidate> RANKING = Comparator
            .comparing((Candidate c) -> c.verdict()).reversed()
            .thenComparing(c -> c.findings().stream().filter(f -> f.severity() != Severity.NOTE).count())
            .thenComparing(c -> c.findings().size())
            .thenComparing(c -> c.assignment().model().priceCents())
            .thenComparing(c -> c.assignment().model().code());

    private final HouseContext house;
    private final Box box;

    public ModuleMatch(HouseContext house, Box box) {
        this.house = house;
        this.box = box;
    }

    /** Every module judged for the gangs, best first. */
    public List<Candidate> rank(List<Integer> gangs, List<ModuleModel> models) {
        return models.stream().map(model -> judge(gangs, model)).sorted(RANKING).toList();
    }

    /** Judges one module with its usual behaviours, and with a bypass where one is needed. */
    public Candidate judge(List<Integer> gangs, ModuleModel model) {
        if (gangs.size() > model.channels().size()) {
            return tooFewChannels(gangs, model);
        }
        return judge(new Assignment(model, gangs, usualBehaviours(gangs, model), bypassFor(gangs, model)));
    }

    /** Judges an assignment as it stands. */
    public Candidate judge(Assignment assignment) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        loads(assignment, findings, margins);
        minimumLoad(assignment, findings, margins);
        RoomInBox.Judgement room = RoomInBox.of(box, List.of(assignment));
        findings.addAll(room.findings());
        margins.addAll(room.margins());
        voltage(assignment.model(), findings);
        conductors(assignment.model(), findings);
        suitability(assignment, findings);
        wiring(assignment, findings);
        findings.sort(Finding.ORDER);
        return new Candidate(assignment, Scheme.behindSwitch(assignment).code(), findings, margins);
    }

    private Candidate tooFewChannels(List<Integer> gangs, ModuleModel model) {
        List<Integer> first = gangs.subList(0, model.channels().size());
        Assignment partial = new Assignment(model, first, usualBehaviours(first, model), bypassFor(first, model));
        Candidate judged = judge(partial);
        List<Finding> findings = new ArrayList<>(judged.findings());
        findings.add(Finding.of(FindingCode.TOO_FEW_CHANNELS, model.code(), gangs.size() + " gangs need "
                + gangs.size() + " channels; " + model.code() + " has " + model.channels().size() + ".", Source.MAKER,
                new Remedy(Remedy.Kind.OTHER_MODULE, "one module for each gang, or one with more channels")));
        findings.sort(Finding.ORDER);
        List<Margin> margins = new ArrayList<>(judged.margins());
        margins.add(new Margin("channels", BigDecimal.valueOf(gangs.size()),
                BigDecimal.valueOf(model.channels().size()), ""));
        return new Candidate(partial, judged.scheme(), findings, margins);
    }

    private Map<Integer, InputBehaviour> usualBehaviours(List<Integer> gangs, ModuleModel model) {
        Map<Integer, InputBehaviour> behaviours = new LinkedHashMap<>();
        for (int gang : gangs) {
            Mechanism mechanism = box.gang(gang).mechanism();
            InputBehaviour usual = mechanism.isPush() ? InputBehaviour.PRESS_CHANGES : InputBehaviour.EVERY_FLIP;
            behaviours.put(gang, model.behaviours().contains(usual) ? usual : InputBehaviour.POSITION_RULES);
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
        return gangs.stream().map(gang -> box.loadsOf(gang).stream().map(SurveyedLoad::total)
                .reduce(Watts.ZERO, Watts::plus)).min(Watts::compareTo).orElse(Watts.ZERO);
    }

    private void loads(Assignment assignment, List<Finding> findings, List<Margin> margins) {
        for (int i = 0; i < assignment.gangs().size(); i++) {
            String subject = "channel " + assignment.model().channels().get(i).id();
            new ChannelLoad(house.region(), assignment.model().channels().get(i),
                    box.loadsOf(assignment.gangs().get(i)), subject).judge(findings, margins);
        }
        assignment.model().totalAmps().ifPresent(limit -> {
            BigDecimal amps = assignment.gangs().stream().flatMap(gang -> box.loadsOf(gang).stream())
                    .flatMap(load -> load.banks().stream())
                    .map(bank -> bank.total().asDecimal().divide(house.region().nominalVolts().asDecimal()
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

    private void minimumLoad(Assignment assignment, List<Finding> findings, List<Margin> margins) {
        if (!(assignment.model().supply() instanceof ModuleSupply.TwoWire supply) || supply.minimumLoadWatts() <= 0) {
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

    private void conductors(ModuleModel model, List<Finding> findings) {
        BigDecimal thickest = box.cables().stream().map(cable -> cable.mm2()).max(BigDecimal::compareTo)
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

    private void suitability(Assignment assignment, List<Finding> findings) {
        ModuleModel model = assignment.model();
        if (!model.markets().contains(house.region().market())) {
            findings.add(Finding.of(FindingCode.NOT_APPROVED_HERE, model.code(), "Approvals are stated for "
                    + model.markets().stream().sorted().collect(Collectors.joining(", ")) + ", not for "
                    + house.region().market() + ".", Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module approved here")));
        }
        if (model.interlocked()) {
            findings.add(Finding.of(FindingCode.CHANNELS_INTERLOCKED, model.code(),
                    "Made for " + Purpose.BLINDS.label() + ": only one of its channels can be on at a time.",
                    Source.MAKER, new Remedy(Remedy.Kind.OTHER_MODULE, "a module made for lights")));
        }
        if (!model.hasWetContacts()) {
            findings.add(Finding.of(FindingCode.CONTACT_ISOLATED, model.code(),
                    "Its contact stands apart from its supply; a lamp circuit needs a contact on the live.",
                    Source.MAKER, new Remedy(Remedy.Kind.OTHER_MODULE, "a module that switches its own live")));
        }
        if (box.geometry().metal() && model.protocol() != Protocol.ZWAVE) {
            findings.add(Finding.of(FindingCode.METAL_BOX_RADIO, model.code(), model.protocol().label()
                    + " at 2.4 GHz behind a metal box: measure the link with the plate back on.",
                    Source.COMMON_PRACTICE));
        }
    }

    private void wiring(Assignment assignment, List<Finding> findings) {
        WiringPlan plan = WiringPlan.of(house, box, List.of(assignment));
        plan.findings().stream().filter(f -> !SAID_HERE.contains(f.code())).forEach(findings::add);
        if (plan.after().isPresent()) {
            BoxWiring after = plan.after().get();
            PartsToAdd.of(plan.before(), after).stream().filter(item -> item.what().startsWith("connector"))
                    .forEach(item -> findings.add(Finding.of(FindingCode.CONNECTOR_NEEDED, assignment.model().code(),
                            item.count() + " " + item.what() + " goes in: its terminals can't hold them all.",
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
}
