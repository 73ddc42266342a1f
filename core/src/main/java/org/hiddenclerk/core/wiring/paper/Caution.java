package org.hiddenclerk.core.wiring.paper;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.solving.FixedNets;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** What a plan gives reason to be careful about. The general ones stand on every sheet and are not among these. */
public enum Caution {
    SEVERAL_CIRCUITS("More than one circuit is in a box that is opened: all of them go off."),
    ALTERNATIVE_SUPPLY(
            "A circuit has another supply (inverter, battery, generator): it has more than one isolation point."),
    LIVE_INPUT("A switch input is at mains potential, and so is everything wired to it."),
    ELV_INPUT("The switch inputs are extra-low voltage: no mains on any of them or on their common, ever."),
    SWITCH_NO_LONGER_ISOLATES(
            "The wall switch no longer takes the lamp off the live: isolate at the board before a lamp is "
                    + "touched."),
    WORK_AT_LAMP(
            "The module sits where it gets warm and where nobody looks: note its place, and keep its radio free of metal."),
    PAIR_AT_BENCH(
            "The button of the module can't be reached once it is in: let it join at the bench, and keep its code, before it goes up."),
    UNREACHABLE_WHEN_OFF(
            "Off at the wall means that the module is gone from the network, and no longer passes messages on."),
    HEAVY_LOAD(
            "A heavy or motor load: the contact's rating for that very kind decides, and terminals get warm when loose."),
    METAL_BOX("A metal box shields the radio; measure the link with the plate on."),
    POLARITY(
            "Direct current: exchanged poles or too many volts destroy the module. Set the jumper for unregulated 12 V first "
                    + "where it has one."),
    ELV_BESIDE_MAINS(
            "Mains and extra-low voltage meet in one box: a barrier between them, no common cable, no common terminal."),
    CAPPED_CONDUCTORS(
            "Cores that are left over are capped at both ends and labelled: as spare, or with what they are live from."),
    ANOTHER_CIRCUIT_LINKED(
            "Two modules on different circuits work together by radio only: no conductor may join them."),
    NO_PLAIN_SWITCH(
            "There is no plain switch any more: not for rooms of children or of people in care without another light."),
    PULSE("The contact for a gate, door or lock closes for about a second and opens by "
            + "itself, as a finger does on the button: set that before it is connected, and "
            + "try what the drive does when the power comes back."),
    BLIND_TRAVEL(
            "Set the travel time and the pause before reversing; the motor's own end stops decide, not the module.");

    private final String words;

    Caution(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** Those that apply to a plan, in this order. */
    public static List<Caution> of(WiringPlan plan, HouseContext house) {
        if (plan.planned().isEmpty()) {
            return List.of();
        }
        RunWiring planned = plan.planned().get();
        Set<Caution> cautions = new LinkedHashSet<>();
        for (Place place : plan.placesOfWork()) {
            Set<CircuitId> circuits = plan.run().circuitsIn(place);
            boolean elv =
                    circuits.stream().anyMatch(c -> house.circuits().get(c).isElv());
            boolean mains =
                    circuits.stream().anyMatch(c -> !house.circuits().get(c).isElv());
            add(cautions, SEVERAL_CIRCUITS, circuits.size() > 1);
            add(cautions, ALTERNATIVE_SUPPLY, circuits.stream().anyMatch(c -> house.circuits()
                    .get(c)
                    .alternativelySupplied()));
            add(cautions, ELV_BESIDE_MAINS, elv && mains);
            add(
                    cautions,
                    METAL_BOX,
                    place.box().geometry().filter(BoxGeometry::metal).isPresent()
                            && !planned.at(place).modules().isEmpty());
            add(
                    cautions,
                    CAPPED_CONDUCTORS,
                    !planned.at(place).isLike(plan.found().at(place))
                            && planned.at(place).box().cores().stream()
                                    .anyMatch(core -> planned.at(place).endOf(core) instanceof End.Capped));
        }
        for (Fitted fitted : planned.fitted()) {
            module(fitted, cautions);
        }
        add(
                cautions,
                ANOTHER_CIRCUIT_LINKED,
                circuitsFeeding(planned.fitted(), FixedNets.of(plan.wiring())).size() > 1);
        loads(plan, planned, cautions);
        List<Caution> ordered = new ArrayList<>(cautions);
        ordered.sort(null);
        return ordered;
    }

    private static void module(Fitted fitted, Set<Caution> cautions) {
        ModuleModel model = fitted.model();
        add(
                cautions,
                LIVE_INPUT,
                fitted.inputs().stream().anyMatch(i -> i.hasContact() && i.potential() == Input.Potential.MAINS));
        add(
                cautions,
                ELV_INPUT,
                !(model.supply() instanceof ModuleSupply.DirectCurrent)
                        && fitted.inputs().stream().anyMatch(i -> i.potential() == Input.Potential.ELV));
        add(cautions, POLARITY, model.supply() instanceof ModuleSupply.DirectCurrent);
        boolean atLoad = fitted.place().box().kind().isAtLoad();
        add(cautions, WORK_AT_LAMP, atLoad);
        add(cautions, PAIR_AT_BENCH, fitted.isOutOfReach());
        add(cautions, BLIND_TRAVEL, model.interlocked());
    }

    /** Circuits whose live stands on a terminal of a module. */
    private static Set<String> circuitsFeeding(List<Fitted> fitted, FixedNets nets) {
        return fitted.stream()
                .flatMap(module -> module.model().terminals().stream()
                        .map(terminal ->
                                RunWiring.node(module.place(), new End.AtModule(module.number(), terminal.name()))))
                .flatMap(node -> nets.netOf(node).stream())
                .flatMap(net -> nets.suppliesOf(net).stream())
                .filter(supply -> supply.line().isLive())
                .map(Part.Supply::circuit)
                .collect(Collectors.toSet());
    }

    private static void loads(WiringPlan plan, RunWiring planned, Set<Caution> cautions) {
        Set<PartId> onMains = plan.wiring().parts().stream()
                .filter(part -> part instanceof Part.Load load && load.volts().isEmpty())
                .map(Part::id)
                .collect(Collectors.toSet());
        boolean commanded = planned.intents().stream()
                .anyMatch(intent -> intent.remote() && !intent.controls().isEmpty() && onMains.contains(intent.load()));
        boolean upstream = plan.findings().stream().anyMatch(f -> f.code() == FindingCode.MODULE_CUT_BY_SWITCH);
        add(cautions, SWITCH_NO_LONGER_ISOLATES, commanded && !upstream);
        add(cautions, UNREACHABLE_WHEN_OFF, upstream);
        add(cautions, NO_PLAIN_SWITCH, planned.boxes().values().stream().anyMatch(box -> box.box().gangs().stream()
                .anyMatch(gang -> gang.mechanism() == Mechanism.FIXED_ON)));
        add(
                cautions,
                PULSE,
                planned.fitted().stream().anyMatch(fitted -> !fitted.model().hasWetContacts())
                        && plan.run().loads().stream()
                                .flatMap(load -> load.load().banks().stream())
                                .anyMatch(bank -> bank.kind().isPulsed()));
        add(
                cautions,
                HEAVY_LOAD,
                plan.run().loads().stream()
                        .flatMap(load -> load.load().banks().stream())
                        .map(LoadBank::kind)
                        .anyMatch(kind -> kind == LoadKind.HEATER
                                || kind == LoadKind.MOTOR
                                || kind == LoadKind.SOCKET
                                || kind == LoadKind.BLIND_MOTOR));
    }

    private static void add(Set<Caution> cautions, Caution caution, boolean applies) {
        if (applies) {
            cautions.add(caution);
        }
    }
}
