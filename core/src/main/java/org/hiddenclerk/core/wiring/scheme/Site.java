package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.LoadRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.SurveyedWiring;

/** What one assignment is about: the run as found, and the positions that the module takes over. */
public final class Site {
    private final SurveyedWiring found;
    private final Place lead;
    private final Assignment assignment;
    private final List<Position> positions = new ArrayList<>();

    /** @param lead box from which gangs and loads are named */
    public Site(SurveyedWiring found, Place lead, Assignment assignment) {
        this.found = found;
        this.lead = lead;
        this.assignment = assignment;
        assignment.gangs().forEach(number -> positions.add(ofGang(number)));
        assignment.loads().forEach(number -> positions.add(ofLoad(number)));
    }

    /**
     * What one channel takes over.
     *
     * @param gang     gang of the lead that was named, if one was
     * @param loads    loads that it switches
     * @param controls all switches that change them
     * @param circuit  circuit that feeds them
     */
    public record Position(Optional<GangRef> gang, List<LoadRef> loads, List<GangRef> controls, CircuitId circuit) {

        String words() {
            return gang.map(GangRef::words).orElseGet(() -> loads.get(0).load().name());
        }

        Subject subject() {
            return gang.map(GangRef::subject).orElseGet(() -> loads.get(0).subject());
        }

        boolean hasSeveralSwitches() {
            return controls.size() > 1;
        }
    }

    SurveyedWiring found() {
        return found;
    }

    /** Box from which gangs and loads are named. */
    public Place lead() {
        return lead;
    }

    public Assignment assignment() {
        return assignment;
    }

    ConnectedBoxes run() {
        return found.run();
    }

    public ModuleModel model() {
        return assignment.model();
    }

    /** The module of the stock book, where a finding concerns it. */
    Subject modelSubject() {
        return new Subject.Model(model().code());
    }

    public List<Position> positions() {
        return positions;
    }

    private Position ofGang(int number) {
        GangRef gang = new GangRef(lead, number);
        List<LoadRef> loads = found.loadsOf(gang);
        Set<GangRef> controls = new LinkedHashSet<>(List.of(gang));
        loads.forEach(load -> controls.addAll(found.controlsOf(load)));
        return new Position(
                Optional.of(gang), loads, List.copyOf(controls), gang.gang().circuit());
    }

    private Position ofLoad(int number) {
        LoadRef load = run().load(lead, number);
        return new Position(Optional.empty(), List.of(load), found.controlsOf(load), circuitOf(load));
    }

    /** By the conductor on its neutral side; failing that, the only circuit there is. */
    private CircuitId circuitOf(LoadRef load) {
        return found.netAt(load.place(), new End.AtLoad(load.number(), "N"))
                .flatMap(found::circuitOfNet)
                .or(() -> run().circuits().stream().findFirst())
                .orElseGet(() -> found.house().circuits().keySet().iterator().next());
    }

    /** The one place where all loads of the positions hang. */
    Optional<Place> lampPlace() {
        return lampPlaces().size() == 1 ? Optional.of(lampPlaces().get(0)) : Optional.empty();
    }

    /** Every place where a load of the positions hangs: a module at one of them may feed the others from there. */
    List<Place> lampPlaces() {
        return positions.stream()
                .flatMap(position -> position.loads().stream())
                .map(LoadRef::place)
                .distinct()
                .toList();
    }

    /** Switches of all positions by the place where they are, each with its position. */
    Map<Place, Map<GangRef, Position>> switchesByPlace() {
        Map<Place, Map<GangRef, Position>> byPlace = new LinkedHashMap<>();
        positions.forEach(position -> position.controls()
                .forEach(gang -> byPlace.computeIfAbsent(gang.place(), p -> new LinkedHashMap<>())
                        .put(gang, position)));
        return byPlace;
    }

    InputBehaviour behaviour(Position position) {
        return position.gang().map(gang -> assignment.behaviour(gang.number())).orElse(InputBehaviour.EVERY_FLIP);
    }

    /** The two terminals between which a mechanism opens and closes; empty when it does neither by itself. */
    static List<String> contactOf(Mechanism mechanism) {
        return switch (mechanism) {
            case ONE_WAY, PULL_CORD, PUSH_MAKE, PUSH_BREAK -> List.of("COM", "L1");
            case TWO_WAY -> List.of("COM", "L1");
            case INTERMEDIATE -> List.of("A1", "B1");
            case DOUBLE_POLE -> List.of("L-IN", "L-OUT");
            case FIXED_ON, DIMMER, FAN_SPEED -> List.of();
        };
    }
}
