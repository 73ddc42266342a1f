package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.run.SurveyedWiring;
import org.hiddenclerk.core.wiring.run.Together;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.Site;

/** Plans for one run as it was found; what follows from the survey is worked out once. */
public final class Planner {
    private final SurveyedWiring found;

    /** Plans from the lead alone. */
    public Planner(HouseContext house, ConnectedBoxes run) {
        this(house, run, Set.of());
    }

    /** @param others identities of other boxes that modules are given to */
    public Planner(HouseContext house, ConnectedBoxes run, Set<String> others) {
        Set<Place> interest = new LinkedHashSet<>(Set.of(run.lead()));
        run.boxes().stream().filter(place -> others.contains(place.id())).forEach(interest::add);
        found = SurveyedWiring.of(house, run, interest);
    }

    public ConnectedBoxes run() {
        return found.run();
    }

    public HouseContext house() {
        return found.house();
    }

    /** The wiring as found, without any module. */
    public WiringPlan surveyed() {
        return WiringPlan.surveyed(found);
    }

    /**
     * Plans modules into the run from its lead.
     *
     * @param modules at least one; each gang and load of the lead at most once
     */
    public WiringPlan plan(List<Assignment> modules) {
        return plan(modules, Map.of());
    }

    /**
     * Plans the modules of the lead together with those that were given to other boxes of the run.
     *
     * @param others assignments of other boxes, by their place
     */
    public WiringPlan plan(List<Assignment> modules, Map<Place, List<Assignment>> others) {
        List<Site> sites = new ArrayList<>();
        modules.forEach(module -> sites.add(new Site(found, run().lead(), module)));
        others.forEach((place, given) -> given.forEach(module -> sites.add(new Site(found, place, module))));
        return WiringPlan.of(found, sites);
    }

    /** Loads that a gang of the lead changes, with the place where each hangs. */
    public List<ConnectedBoxes.LoadRef> loadRefsOfGang(int gang) {
        return found.loadsOf(new ConnectedBoxes.GangRef(run().lead(), gang));
    }

    /** What an assignment switches, position after position. */
    public List<List<SurveyedLoad>> loadsOf(Assignment assignment) {
        return new Site(found, run().lead(), assignment)
                .positions().stream()
                        .map(position -> position.loads().stream()
                                .map(ConnectedBoxes.LoadRef::load)
                                .toList())
                        .toList();
    }

    /** Loads that a gang of the lead changes. */
    public List<SurveyedLoad> loadsOfGang(int gang) {
        return found.loadsOf(new ConnectedBoxes.GangRef(run().lead(), gang)).stream()
                .map(ConnectedBoxes.LoadRef::load)
                .toList();
    }

    /** Every switch that changes what a gang of the lead changes, that gang among them. */
    public Set<ConnectedBoxes.GangRef> controlsOfGang(int gang) {
        ConnectedBoxes.GangRef own = new ConnectedBoxes.GangRef(run().lead(), gang);
        Set<ConnectedBoxes.GangRef> controls = new LinkedHashSet<>(Set.of(own));
        found.loadsOf(own).forEach(load -> controls.addAll(found.controlsOf(load)));
        return controls;
    }

    /** What one module may take together at the lead. */
    public List<Together> together() {
        return Together.of(found);
    }

    /** Boxes at whose switches the ways for what is in the lead are chosen; none where it has switches of its own. */
    public List<Place> chosenFrom() {
        Place lead = run().lead();
        if (!lead.box().gangs().isEmpty()) {
            return List.of();
        }
        List<Place> own = lead.box().loads().stream()
                .filter(SurveyedLoad::hangsHere)
                .flatMap(load -> controlsOfLoad(load.number()).stream())
                .map(ConnectedBoxes.GangRef::place)
                .distinct()
                .toList();
        return own.isEmpty() && lead.box().loads().isEmpty()
                ? run().gangs().stream()
                        .map(ConnectedBoxes.GangRef::place)
                        .distinct()
                        .toList()
                : own;
    }

    /** Every switch that changes a load that hangs in the lead. */
    public List<ConnectedBoxes.GangRef> controlsOfLoad(int load) {
        return found.controlsOf(run().load(run().lead(), load));
    }

    /** Switches that change the loads of an assignment as found. */
    public Set<PartId> switchesOf(Assignment assignment) {
        return new Site(found, run().lead(), assignment)
                .positions().stream()
                        .flatMap(p -> p.controls().stream())
                        .map(RunWiring::switchOf)
                        .collect(Collectors.toSet());
    }
}
