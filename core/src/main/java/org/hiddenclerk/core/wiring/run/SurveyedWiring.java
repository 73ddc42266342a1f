package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.Neighbourhood;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.LoadRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/**
 * A run as it was found, with what follows from it: which switches change which loads, what is joined to what, and what
 * is wrong with it.
 */
public final class SurveyedWiring {
    /** Switches and channels up to which a whole run is proved at once, whatever box one looks from. */
    private static final int ENOUGH_ELEMENTS = 12;

    private final HouseContext house;
    private final ConnectedBoxes run;
    private final Set<Place> interest;
    private final RunWiring wiring;
    private final Wiring netlist;
    private final WiringCheck.Result proof;
    private final NetsAsFound nets;
    private final Map<LoadRef, List<GangRef>> controls = new LinkedHashMap<>();
    private final Set<PartId> switched;

    private SurveyedWiring(HouseContext house, ConnectedBoxes run, Set<Place> interest) {
        this.house = house;
        this.run = run;
        this.interest = interest;
        Wiring unasked = near(new Netlisting(RunWiring.surveyed(run, List.of()), house).wiring(), interest);
        WiringCheck.Result bare = WiringCheck.of(unasked);
        Map<PartId, Set<PartId>> commands = Commands.of(unasked, bare.truthTable());
        run.loads().forEach(load -> controls.put(load, controlsOf(load, bare.truthTable(), commands)));
        switched = Commands.switched(unasked, bare.truthTable());
        wiring = RunWiring.surveyed(run, intents());
        netlist = near(new Netlisting(wiring, house).wiring(), interest);
        proof = WiringCheck.of(netlist);
        nets = new NetsAsFound(house, wiring, netlist);
    }

    /** @param interest places that are planned from */
    public static SurveyedWiring of(HouseContext house, ConnectedBoxes run, Set<Place> interest) {
        return new SurveyedWiring(house, run, interest);
    }

    public Set<Place> interest() {
        return interest;
    }

    /** What can influence the switches, loads and modules of some places; all of it where that is not much. */
    public static Wiring near(Wiring wiring, Set<Place> places) {
        List<String> prefixes = places.stream()
                .flatMap(place -> java.util.stream.Stream.of(place.prefix(), place.owner()))
                .distinct()
                .toList();
        return Neighbourhood.of(
                wiring, ENOUGH_ELEMENTS, id -> prefixes.stream().anyMatch(prefix -> isIn(id.value(), prefix)));
    }

    /** Parts of a place are called by a letter and a number behind its prefix; modules have no place in their names. */
    private static boolean isIn(String id, String prefix) {
        return id.startsWith(prefix) && id.substring(prefix.length()).matches("[SXB]\\d+(\\.\\d+)?")
                || id.matches("K\\d+");
    }

    private List<GangRef> controlsOf(LoadRef load, TruthTable table, Map<PartId, Set<PartId>> commands) {
        Set<GangRef> gangs = new LinkedHashSet<>();
        run.gangNamedFor(load).ifPresent(gangs::add);
        for (int bank = 0; bank < load.load().banks().size(); bank++) {
            PartId part = RunWiring.loadOf(load, bank);
            Set<PartId> ids = new LinkedHashSet<>(table.controlsOf(part));
            ids.addAll(commands.getOrDefault(part, Set.of()));
            run.gangs().stream()
                    .filter(gang -> ids.contains(RunWiring.switchOf(gang)))
                    .forEach(gangs::add);
        }
        return List.copyOf(gangs);
    }

    private List<Intent> intents() {
        List<Intent> intents = new ArrayList<>();
        controls.forEach((load, gangs) -> intents.addAll(intents(load, gangs, isSwitchedByModule(load))));
        return intents;
    }

    /** Whether a module that is in place switches it today, so that it can be commanded from afar. */
    public boolean isSwitchedByModule(LoadRef load) {
        return switched.contains(RunWiring.loadOf(load, 0));
    }

    /** One intent for each bank of a load that something controls. */
    public static List<Intent> intents(LoadRef load, List<GangRef> gangs, boolean remote) {
        List<Intent> intents = new ArrayList<>();
        List<PartId> ids = gangs.stream().map(RunWiring::switchOf).toList();
        for (int bank = 0; bank < load.load().banks().size() && (remote || !ids.isEmpty()); bank++) {
            intents.add(new Intent(RunWiring.loadOf(load, bank), ids, remote));
        }
        return intents;
    }

    public HouseContext house() {
        return house;
    }

    public ConnectedBoxes run() {
        return run;
    }

    public RunWiring wiring() {
        return wiring;
    }

    public Wiring netlist() {
        return netlist;
    }

    public WiringCheck.Result proof() {
        return proof;
    }

    /** Switches that change a load, that of the survey first. */
    public List<GangRef> controlsOf(LoadRef load) {
        return controls.getOrDefault(load, List.of());
    }

    public List<LoadRef> loadsOf(GangRef gang) {
        return controls.entrySet().stream()
                .filter(e -> e.getValue().contains(gang))
                .map(Map.Entry::getKey)
                .toList();
    }

    public NetsAsFound nets() {
        return nets;
    }

    public Optional<Integer> netAt(Place place, End end) {
        return nets.netAt(place, end);
    }

    /** The net of a core, from its end at a place. */
    public Optional<Integer> netOf(Place place, Box.CableCore core) {
        return nets.netOf(place, core);
    }

    /** The supply net that a net is part of, if any. */
    public Optional<Net> supplyOf(int net) {
        return nets.supplyOf(net);
    }

    /** Circuit of the supply that holds a net. */
    public Optional<CircuitId> circuitOfNet(int net) {
        return nets.circuitOfNet(net);
    }

    /** Whether a supply net reaches a place as found. */
    public boolean reaches(Net net, Place place) {
        return nets.reaches(net, place);
    }

    /** Circuits whose live and neutral both reach a place as found. */
    public List<CircuitId> circuitsAt(Place place) {
        return house.circuits().keySet().stream()
                .sorted(java.util.Comparator.comparing(CircuitId::value))
                .filter(c -> reaches(Net.live(c), place) && reaches(Net.neutral(c), place))
                .toList();
    }
}
