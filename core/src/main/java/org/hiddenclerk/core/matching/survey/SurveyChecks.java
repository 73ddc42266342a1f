package org.hiddenclerk.core.matching.survey;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.matching.room.BoxFill;
import org.hiddenclerk.core.matching.room.ModulesInPlace;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** What a surveyed box shows beside its wiring, before any module is thought of. */
public final class SurveyChecks {
    /** What wires need behind a mechanism; common practice, no source. */
    private static final String WIRES = "5 to 10\u2009mm";

    private SurveyChecks() {}

    /**
     * The checks of the lead of a run. What all loads of its circuits come to is a matter of the whole house, see
     * {@link CircuitSum}.
     */
    public static List<Finding> of(HouseContext house, ConnectedBoxes run) {
        return of(house, run, run.lead());
    }

    /** The checks of one box of a run. */
    public static List<Finding> of(HouseContext house, ConnectedBoxes run, ConnectedBoxes.Place place) {
        Box box = place.box();
        List<Finding> findings = new ArrayList<>();
        var circuits = run.circuitsIn(place);
        circuits.stream()
                .map(house.circuits()::get)
                .forEach(circuit -> circuit(house.region(), circuit, box, findings));
        motors(house, box, findings);
        behindDimmers(box, findings);
        if (circuits.size() > 1) {
            findings.add(Finding.of(
                    FindingCode.SEVERAL_CIRCUITS,
                    new Subject.Box(box.label()),
                    Sentence.of(
                            "Circuits {0} are in this box: all of them go off before it is opened.",
                            circuits.stream().map(house::label).sorted().collect(Collectors.joining(" and "))),
                    Source.COMMON_PRACTICE));
        }
        for (Gang gang : box.gangs()) {
            if (gang.mechanism().isRegulator()) {
                findings.add(Finding.of(
                        FindingCode.REGULATOR_PRESENT,
                        new Subject.Gang(box.label(), gang.number()),
                        Sentence.of(
                                "{0} is a {1}; a relay module is never fed from it or into it.",
                                gang.name(), gang.mechanism().label()),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.REWIRE, "take it out, or choose a dimmer module for a dimmable lamp")));
            }
        }
        box.geometry().ifPresent(room -> inside(box, room, house.region(), findings));
        findings.addAll(ModulesInPlace.notProved(box));
        findings.sort(Finding.ORDER);
        return findings;
    }

    /** What the protection of a circuit leaves unprotected in this box, and conductors that few terminals take. */
    private static void circuit(RegionProfile region, Circuit circuit, Box box, List<Finding> findings) {
        Optional<Finding> whole = circuit.protection()
                .cableMm2()
                .flatMap(mm2 ->
                        CableProtection.judge(circuit, mm2, region, new Subject.Circuit(circuit.label()), "The cable"));
        whole.ifPresent(findings::add);
        if (whole.isEmpty()) {
            box.cables().stream()
                    .filter(cable -> cable.leads() instanceof Leads.FromSupply feed
                                    && feed.circuit().equals(circuit.id())
                            || cable.leads() instanceof Leads.ToLoadWithFeed loop
                                    && loop.circuit().equals(circuit.id()))
                    .forEach(cable -> CableProtection.judge(
                                    circuit,
                                    cable.mm2(),
                                    region,
                                    new Subject.Cable(box.label(), cable.name()),
                                    "Cable " + cable.name())
                            .ifPresent(findings::add));
        }
        if (circuit.protection()
                .metal()
                .filter(metal -> metal == Protection.Metal.ALUMINIUM)
                .isPresent()) {
            findings.add(Finding.of(
                    FindingCode.ALUMINIUM_CONDUCTOR,
                    new Subject.Circuit(circuit.label()),
                    Sentence.of(
                            "Circuit {0} is wired in aluminium: only terminals and connectors that are marked for it may hold it.",
                            circuit.label()),
                    Source.COMMON_PRACTICE,
                    new Remedy(
                            Remedy.Kind.ADD_CONNECTOR,
                            "copper tails in connectors made for both, by a licensed person")));
        }
    }

    /** A motor with two windings: each tells its motor and its direction, and both hang on one circuit. */
    private static void motors(HouseContext house, Box box, List<Finding> findings) {
        Map<String, List<SurveyedLoad>> motors = new LinkedHashMap<>();
        for (SurveyedLoad load : box.loads()) {
            load.drive().ifPresent(drive -> motors.computeIfAbsent(drive.motor(), m -> new ArrayList<>())
                    .add(load));
            if (load.drive().isEmpty() && load.banks().stream().anyMatch(bank -> bank.kind() == LoadKind.BLIND_MOTOR)) {
                findings.add(Finding.of(
                        FindingCode.SURVEY_INCOMPLETE,
                        new Subject.SurveyedLoad(box.label(), load.number()),
                        Sentence.of(
                                "{0} is a blind: which motor it is and which way it turns is not surveyed.",
                                load.name()),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.COMPLETE_SURVEY, "give it its motor and direction")));
            }
        }
        motors.forEach((motor, windings) -> {
            Subject subject = new Subject.Motor(motor);
            List<Drive.Direction> directions = windings.stream()
                    .map(load -> load.drive().orElseThrow().direction())
                    .toList();
            if (directions.stream().distinct().count() < directions.size()) {
                findings.add(Finding.of(
                        FindingCode.SURVEY_INCOMPLETE,
                        subject,
                        Sentence.of(
                                "Two windings of {0} turn it the same way: one of them is the other direction.", motor),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.COMPLETE_SURVEY, "look which wire turns it which way")));
            }
            Set<CircuitId> circuits = windings.stream()
                    .filter(load -> !load.hangsHere())
                    .map(load -> box.gang(load.gang()).circuit())
                    .collect(Collectors.toSet());
            if (circuits.size() > 1) {
                findings.add(Finding.of(
                        FindingCode.SEPARATE_FEEDS,
                        subject,
                        Sentence.of(
                                "The two directions of {0} hang on circuits {1}: with both on, each feeds back into the other.",
                                motor,
                                circuits.stream().map(house::label).sorted().collect(Collectors.joining(" and "))),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.REWIRE, "both directions on one circuit, by a licensed person")));
            }
        });
    }

    /** A lamp dimmer is for lamps: nothing that turns, and nothing that anybody plugs in. */
    private static void behindDimmers(Box box, List<Finding> findings) {
        for (Gang gang : box.gangs()) {
            if (gang.mechanism() == Mechanism.DIMMER) {
                box.loadsOf(gang.number()).stream()
                        .filter(load -> load.banks().stream()
                                .anyMatch(bank -> bank.kind().isMotor() || bank.kind() == LoadKind.SOCKET))
                        .forEach(load -> findings.add(Finding.of(
                                FindingCode.DIMMER_IN_SERIES,
                                new Subject.Together(
                                        new Subject.Gang(box.label(), gang.number()),
                                        new Subject.SurveyedLoad(box.label(), load.number())),
                                Sentence.of("{0} is fed through the dimmer {1}.", load.name(), gang.name()),
                                Source.COMMON_PRACTICE,
                                new Remedy(Remedy.Kind.REWIRE, "take the dimmer out and put a plain switch in"))));
            }
        }
    }

    private static void inside(Box box, BoxGeometry room, RegionProfile region, List<Finding> findings) {
        boolean earthed = box.cores().stream().anyMatch(core -> core.core().role() == Role.EARTH);
        if (room.metal() && !box.cables().isEmpty() && !earthed) {
            findings.add(Finding.of(
                    FindingCode.EARTH_NOT_FOUND,
                    new Subject.Box(box.label()),
                    "The box is metal and no core in it is surveyed as protective earth.",
                    Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.FIND_OUT, "look for it behind the box, or test the box against earth")));
        }
        if (room.metal()) {
            findings.add(Finding.of(
                    FindingCode.METAL_BOX_RADIO,
                    new Subject.Box(box.label()),
                    "A radio module in this metal box is shielded by it; the link is measured with the plate on.",
                    Source.COMMON_PRACTICE));
        }
        if (region.code().countsBoxVolume()) {
            List<Margin> fill = new ArrayList<>();
            BoxFill.judge(box, List.of(), findings, fill);
            fill.stream()
                    .filter(margin -> !margin.isOver())
                    .forEach(margin -> findings.add(Finding.of(
                            FindingCode.ROOM_BEHIND,
                            new Subject.Box(box.label()),
                            Sentence.of("Conductors, devices and earths need {found} of {allowed}.")
                                    .found(margin.found(), margin.unit())
                                    .allowed(margin.allowed(), margin.unit()),
                            BoxFill.SOURCE)));
        } else if (!box.gangs().isEmpty()) {
            Millimetres deepest = box.gangs().stream()
                    .map(Gang::depth)
                    .max(Millimetres::compareTo)
                    .orElseThrow();
            long left = room.depth().micrometres() - deepest.micrometres();
            findings.add(Finding.of(
                    FindingCode.ROOM_BEHIND,
                    new Subject.Box(box.label()),
                    left < 0
                            ? Sentence.of("The mechanism is deeper than the box: measure again.")
                            : Sentence.of(
                                            "{found} of {allowed} are left behind the mechanism; wires take {0} of that.",
                                            WIRES)
                                    .found(new Millimetres(left).asDecimal(), "mm")
                                    .allowed(room.depth().asDecimal(), "mm"),
                    Source.COMMON_PRACTICE));
        }
    }
}
