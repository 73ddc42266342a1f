package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.fitting.Step.Confirm;
import org.hiddenclerk.core.fitting.Step.Reading;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** What a run sheet is made for: the boxes of a work before and after, and what is known of each place. */
final class Work {
    private final HouseContext house;
    private final RunWiring before;
    private final RunWiring after;
    private final List<Place> places;
    private final Set<CircuitId> circuits;
    private final Wiring wiring;

    Work(HouseContext house, WiringPlan plan) {
        this.house = house;
        before = plan.found();
        after = plan.planned().orElseThrow(() -> new IllegalArgumentException("There is no plan to work by."));
        places = plan.placesOfWork();
        circuits = RunSheetPlan.circuits(plan);
        wiring = plan.wiring();
    }

    HouseContext house() {
        return house;
    }

    RunWiring before() {
        return before;
    }

    RunWiring after() {
        return after;
    }

    /** Places that are opened. */
    List<Place> places() {
        return places;
    }

    Set<CircuitId> circuits() {
        return circuits;
    }

    /** Where something is, said only when there is more than one place. */
    String at(Place place) {
        return places.size() > 1 ? place.label() + ": " : "";
    }

    String box(Place place) {
        return before.run().boxOf(place);
    }

    Confirm confirm(Place place, String id, String text) {
        return new Confirm(id, at(place) + text, box(place));
    }

    boolean isEarthed(Place place) {
        return has(place, Set.of(Role.EARTH));
    }

    boolean has(Place place, Set<Role> roles) {
        return before.at(place).box().cores().stream()
                .anyMatch(core -> roles.contains(core.core().role()));
    }

    boolean isMetal(Place place) {
        return place.box().geometry().filter(room -> room.metal()).isPresent();
    }

    boolean mixesVoltages(Place place) {
        return places.contains(place)
                && before.run().circuitsIn(place).stream()
                                .map(id -> house.circuits().get(id).isElv())
                                .distinct()
                                .count()
                        > 1;
    }

    /** Between which conductors of a place insulation can be measured; empty where nothing of mains is there, or one conductor only. */
    Optional<String> insulatedBetween(Place place) {
        Set<Role> lives = Set.of(Role.PERMANENT_LIVE, Role.SWITCHED_LIVE, Role.TRAVELLER);
        boolean mains = before.run().circuitsIn(place).stream()
                .anyMatch(id -> !house.circuits().get(id).isElv());
        if (!mains || !has(place, lives)) {
            return Optional.empty();
        }
        if (isEarthed(place)) {
            return Optional.of(
                    has(place, Set.of(Role.NEUTRAL))
                            ? "live and neutral joined, to earth"
                            : "all lives joined, to earth");
        }
        if (has(place, Set.of(Role.NEUTRAL))) {
            return Optional.of("live to neutral, lamps out and nothing plugged in");
        }
        return before.at(place).box().cores().stream()
                                .filter(core -> lives.contains(core.core().role()))
                                .count()
                        > 1
                ? Optional.of("one live to the other, the switch open and the lamp out")
                : Optional.empty();
    }

    Reading insulation(Place place, String id, String between, BigDecimal least) {
        return new Reading(
                id + place.prefix(), at(place) + between, "M\u03a9", least, DeadCircuitTests.MOST_MEGOHMS, box(place));
    }

    static String key(GangRef gang) {
        return gang.place().prefix() + gang.number();
    }

    /** Switches of the places that are opened, those taken out excepted. */
    List<GangRef> switches() {
        return before.run().gangs().stream()
                .filter(gang -> places.contains(gang.place())
                        && after.at(gang.place()).box().gang(gang.number()).mechanism() != Mechanism.FIXED_ON)
                .toList();
    }

    List<ConnectedBoxes.LoadRef> remoteLoads() {
        return before.run().loads().stream()
                .filter(load -> after.intents().stream()
                        .anyMatch(intent -> intent.remote() && intent.load().equals(RunWiring.loadOf(load, 0))))
                .toList();
    }

    /** Switches that change nothing before modules have joined: what they command is reached by radio. */
    Set<PartId> byRadio() {
        boolean radio = inputs(wiring).anyMatch(input -> input.target().isPresent());
        if (!radio) {
            return Set.of();
        }
        List<Part> local = wiring.parts().stream().map(Work::withoutRadio).toList();
        return WiringCheck.of(new Wiring(wiring.supply(), local, wiring.intents())).findings().stream()
                .filter(f -> f.code() == FindingCode.SWITCH_WITHOUT_EFFECT && f.subject() instanceof Subject.Switch)
                .map(f -> new PartId(f.subject().key()))
                .collect(Collectors.toSet());
    }

    private static Stream<Input> inputs(Wiring wiring) {
        return wiring.parts().stream()
                .flatMap(part -> part instanceof Part.FittedModule module
                        ? module.inputs().stream()
                        : part instanceof Part.Sender sender ? sender.inputs().stream() : Stream.empty());
    }

    private static Part withoutRadio(Part part) {
        if (part instanceof Part.FittedModule module) {
            return new Part.FittedModule(
                    module.id(),
                    module.supply(),
                    module.channels(),
                    local(module.inputs()),
                    module.interlocked(),
                    module.pins());
        }
        return part instanceof Part.Sender sender
                ? new Part.Sender(sender.id(), local(sender.inputs()), sender.pins())
                : part;
    }

    private static List<Input> local(List<Input> inputs) {
        return inputs.stream().filter(input -> input.target().isEmpty()).toList();
    }
}
