package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.LoadRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.ModuleInPlace;
import org.hiddenclerk.core.wiring.run.Net;
import org.hiddenclerk.core.wiring.scheme.Site.Position;

/** Reasons why a scheme does not apply, collected question by question. */
final class Obstacles {
    /** From this share of nominal on a load is made for mains. */
    private static final double LEAST_OF_MAINS = 0.85;

    private final Site site;
    private final List<Finding> found = new ArrayList<>();

    Obstacles(Site site) {
        this.site = site;
    }

    List<Finding> list() {
        return List.copyOf(found);
    }

    Obstacles notFor(boolean obstacle, Subject subject, String reason) {
        return notFor(obstacle, subject, Sentence.of(reason));
    }

    Obstacles notFor(boolean obstacle, Subject subject, Sentence reason) {
        if (obstacle) {
            found.add(Finding.of(FindingCode.SCHEME_NOT_FOR_THIS, subject, reason, Source.COMMON_PRACTICE));
        }
        return this;
    }

    Obstacles lacks(boolean obstacle, String reason, String remedy) {
        return lacks(obstacle, Sentence.of(reason), remedy);
    }

    Obstacles lacks(boolean obstacle, Sentence reason, String remedy) {
        if (obstacle) {
            found.add(Finding.of(
                    FindingCode.FEATURE_MISSING,
                    site.modelSubject(),
                    reason,
                    Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, remedy)));
        }
        return this;
    }

    /** Channels of one module share its live: all positions must hang on one circuit. */
    Obstacles oneCircuit() {
        Set<String> circuits = new LinkedHashSet<>();
        site.positions().forEach(position -> circuits.add(site.found().house().label(position.circuit())));
        if (circuits.size() > 1) {
            found.add(Finding.of(
                    FindingCode.SEPARATE_FEEDS,
                    new Subject.Together(
                            site.positions().stream().map(Position::subject).toList()),
                    Sentence.of(
                            "These gangs hang on circuits {0}; the channels of one module share one live.",
                            String.join(" and ", circuits)),
                    Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module of its own for each circuit")));
        }
        return this;
    }

    /** Every position was named by its gang, and has a load that was found. */
    Obstacles gangsWithLoads() {
        for (Position position : site.positions()) {
            notFor(
                    position.gang().isEmpty(),
                    position.subject(),
                    Sentence.of("{0} has no switch in this box.", position.words()));
            if (position.gang().isPresent() && position.loads().stream().noneMatch(this::isWired)) {
                found.add(missing(position.gang().get(), "no lamp wire of this gang is surveyed in this box"));
            }
        }
        return this;
    }

    /** Each position has a switch of its own that becomes the contact of an input, all on one circuit of mains. */
    Obstacles aSwitchForEachOnMains() {
        return gangsWithLoads()
                .inputs()
                .contacts()
                .oneCircuit()
                .singleSwitch()
                .mainsCircuit()
                .mainsModule();
    }

    /** A module that is in place lives on the circuit of what it is to take. */
    Obstacles onCircuit(ModuleInPlace module) {
        CircuitId circuit = site.positions().get(0).circuit();
        if (!OnFreeChannel.isOn(site, module, circuit)) {
            found.add(Finding.of(
                    FindingCode.SEPARATE_FEEDS,
                    new Subject.Together(
                            new Subject.Box(module.place().label()),
                            new Subject.Model(module.model().code())),
                    Sentence.of(
                            "{0} in {1} was not found on the live of circuit {2}, on which {3} hangs.",
                            module.model().code(),
                            module.place().label(),
                            site.found().house().label(circuit),
                            site.positions().get(0).words()),
                    Source.COMPUTED,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module of its own for this circuit")));
        }
        return this;
    }

    private boolean isWired(LoadRef load) {
        return site.found().nets().endsAt(load.place()).contains(new End.AtLoad(load.number(), "L"));
    }

    private static Finding missing(GangRef gang, String what) {
        return Finding.of(
                FindingCode.SURVEY_INCOMPLETE,
                gang.subject(),
                Sentence.of("{0}: {1}.", gang.words(), what),
                Source.COMPUTED,
                new Remedy(Remedy.Kind.COMPLETE_SURVEY, "complete the survey"));
    }

    /** The module reads as many switches as there are positions. */
    Obstacles inputs() {
        long inputs = site.model().inputs().stream()
                .filter(input -> input.hasContact())
                .count();
        actsAsWanted(site.model());
        return lacks(
                inputs < site.positions().size(),
                Sentence.of(
                        "{0} has {1} switch inputs; this scheme needs {2}.",
                        site.model().code(), inputs, site.positions().size()),
                "a module with switch inputs");
    }

    /** A module that reads the switches acts as these are wanted to act. */
    Obstacles actsAsWanted(ModuleModel reads) {
        for (Position position : site.positions()) {
            InputBehaviour wanted = site.behaviour(position);
            lacks(
                    position.gang().isPresent() && !reads.behaviours().contains(wanted),
                    Sentence.of("{0} has no \"{1}\", which {2} wants.", reads.code(), wanted.label(), position.words()),
                    "a module that has it");
        }
        return this;
    }

    /** Every switch that will be a contact can be one. */
    Obstacles contacts() {
        for (Position position : site.positions()) {
            for (GangRef gang : position.controls()) {
                if (Site.contactOf(gang.gang().mechanism()).isEmpty()) {
                    found.add(Finding.of(
                            FindingCode.MECHANISM_UNSUITABLE,
                            gang.subject(),
                            Sentence.of(
                                    "{0} is neither a switch nor a push button; a dimmer comes out, a plain mechanism goes in.",
                                    gang.words()),
                            Source.COMMON_PRACTICE));
                }
            }
        }
        return this;
    }

    Obstacles singleSwitch() {
        for (Position position : site.positions()) {
            notFor(
                    position.hasSeveralSwitches(),
                    position.subject(),
                    Sentence.of(
                            "The lamp of {0} has {1} switches; this scheme reads one.",
                            position.words(), position.controls().size()));
        }
        return this;
    }

    /** Several switches of a lamp make one contact, which takes an input that reads between two pins of its own. */
    Obstacles readAsOne() {
        for (int i = 0; i < site.positions().size(); i++) {
            Position position = site.positions().get(i);
            boolean across = i < site.model().inputs().size()
                    && site.model().inputs().get(i).pins().size() > 1;
            notFor(
                    position.hasSeveralSwitches() && !across,
                    position.subject(),
                    Sentence.of(
                            "The lamp of {0} has {1} switches; this scheme reads one, or all of them across an input with two pins.",
                            position.words(), position.controls().size()));
        }
        return this;
    }

    Obstacles severalSwitches() {
        for (Position position : site.positions()) {
            notFor(
                    !position.hasSeveralSwitches(),
                    position.subject(),
                    Sentence.of("The lamp of {0} has one switch only.", position.words()));
        }
        return this;
    }

    /** The lead has the live of the positions' circuit. */
    Obstacles liveAt(Place place) {
        for (Position position : site.positions()) {
            if (position.gang().isPresent() && !site.found().reaches(feed(position), place)) {
                found.add(missing(
                        position.gang().get(),
                        "no permanent live of circuit " + site.found().house().label(position.circuit())
                                + " is surveyed in this box"));
            }
        }
        return this;
    }

    private Net feed(Position position) {
        return site.found().house().circuits().get(position.circuit()).isElv()
                ? Net.plus(position.circuit())
                : Net.live(position.circuit());
    }

    Obstacles mainsModule() {
        boolean mains = site.model().supply() instanceof ModuleSupply.LineNeutral;
        boolean elv = site.model().supply() instanceof ModuleSupply.DirectCurrent;
        if (elv) {
            found.add(Finding.of(
                    FindingCode.SUPPLY_NOT_MAINS,
                    site.modelSubject(),
                    Sentence.of(
                            "{0} is powered from extra-low voltage; this box has mains only.",
                            site.model().code()),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a mains module")));
        } else if (!mains) {
            found.add(Finding.of(
                    FindingCode.SCHEME_NOT_FOR_THIS,
                    site.modelSubject(),
                    Sentence.of(
                            "{0} has no neutral terminal; this scheme feeds the module from live and neutral.",
                            site.model().code()),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module with a neutral terminal")));
        }
        notFor(
                site.model().isSender(),
                site.modelSubject(),
                Sentence.of("{0} has no contact of its own.", site.model().code()));
        return this;
    }

    Obstacles mainsCircuit() {
        for (Position position : site.positions()) {
            Circuit circuit = site.found().house().circuits().get(position.circuit());
            notFor(
                    circuit.isElv(),
                    position.subject(),
                    Sentence.of("Circuit {0} is extra-low voltage.", circuit.label()));
        }
        return this;
    }

    /** The neutral of the circuit reaches the place as found. */
    Obstacles neutralAt(Place place) {
        for (CircuitId circuit : new LinkedHashSet<>(
                site.positions().stream().map(Position::circuit).toList())) {
            if (!site.found().reaches(Net.neutral(circuit), place)) {
                String label = site.found().house().label(circuit);
                found.add(Finding.of(
                        FindingCode.NEUTRAL_ABSENT,
                        new Subject.Together(new Subject.Circuit(label), new Subject.Box(place.label())),
                        Sentence.of(
                                "No neutral of circuit {0} reaches {1}. A neutral of another circuit, or earth, must never take its place.",
                                label, place.equals(site.lead()) ? "this box" : place.label()),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a module that needs no neutral"),
                        new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp, where the neutral is")));
            }
        }
        return this;
    }

    /** All loads hang in one place. */
    Obstacles oneLampPlace() {
        boolean several = site.lampPlace().isEmpty();
        notFor(
                several,
                site.positions().get(0).subject(),
                Sentence.of(
                        "The loads of {0} hang in several places, or none is surveyed.",
                        site.positions().get(0).words()));
        return this;
    }

    /** The loads of each position hang somewhere that is known. */
    Obstacles lampPlaces() {
        for (Position position : site.positions()) {
            notFor(
                    position.loads().isEmpty(),
                    position.subject(),
                    Sentence.of("No load of {0} is surveyed.", position.words()));
        }
        return this;
    }

    /** What goes behind the switches of a box has an input for each. */
    Obstacles inputsForEach(Map<Place, Map<GangRef, Position>> boxes, ModuleModel reads) {
        boxes.forEach((place, switches) -> lacks(
                reads.inputs().stream().filter(Input::hasContact).count() < switches.size(),
                Sentence.of(
                        "{0} has {1} inputs; {2} has {3} switches to be read.",
                        reads.code(), reads.inputs().size(), place.label(), switches.size()),
                "one with an input for each switch"));
        return this;
    }

    /** The contact closes the load's own circuit: its volts are known, and mains never comes to a load that is not made for it. */
    Obstacles ownVolts() {
        for (Position position : site.positions()) {
            Circuit circuit = site.found().house().circuits().get(position.circuit());
            for (LoadRef load : circuit.isElv() ? List.<LoadRef>of() : position.loads()) {
                double nominal = site.found().house().region().nominalVolts().asDouble();
                boolean known = load.load().banks().stream()
                        .allMatch(bank -> bank.volts().isPresent());
                boolean mains = load.load().banks().stream().allMatch(bank -> bank.volts()
                        .filter(v -> v.asDouble() >= LEAST_OF_MAINS * nominal)
                        .isPresent());
                if (!known) {
                    found.add(Finding.of(
                            FindingCode.SURVEY_INCOMPLETE,
                            load.subject(),
                            Sentence.of(
                                    "What volts {0} works with by itself is not surveyed; a volt-free contact closes "
                                            + "its circuit and brings it nothing.",
                                    load.load().name()),
                            Source.COMMON_PRACTICE,
                            new Remedy(
                                    Remedy.Kind.COMPLETE_SURVEY,
                                    "read it on the device, and add \"at 24 V\" or what it says to the load")));
                } else if (!mains) {
                    found.add(Finding.of(
                            FindingCode.SURVEY_INCOMPLETE,
                            load.subject(),
                            Sentence.of(
                                    "{0} is not made for mains: its own supply is surveyed as a circuit of its volts first.",
                                    load.load().name()),
                            Source.COMMON_PRACTICE,
                            new Remedy(Remedy.Kind.COMPLETE_SURVEY, "survey the circuit of its own supply")));
                }
            }
        }
        return this;
    }

    /** No inverter, battery or generator on the circuit. */
    Obstacles singleSupply() {
        for (Position position : site.positions()) {
            Circuit circuit = site.found().house().circuits().get(position.circuit());
            if (circuit.alternativelySupplied()) {
                found.add(Finding.of(
                        FindingCode.ALTERNATIVE_SUPPLY,
                        new Subject.Circuit(circuit.label()),
                        Sentence.of(
                                "Circuit {0} has another supply. A heavy module goes on one phase of one supply only.",
                                circuit.label()),
                        Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.REWIRE, "put the appliance on a circuit without one")));
            }
        }
        return this;
    }
}
