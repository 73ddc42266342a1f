package org.hiddenclerk.core.wiring.routing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConductorPath;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.LoadRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.hiddenclerk.core.wiring.run.ModuleInPlace;
import org.hiddenclerk.core.wiring.run.Net;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.run.SurveyedWiring;

/**
 * A plan while schemes add to it. A scheme says which terminals belong together and which switches it takes over; what is
 * not mentioned stays as it was found. {@link PlanDraft#finish} finds the ways and makes the wiring of every place.
 */
public final class PlanDraft {
    private final SurveyedWiring found;
    private final Map<Net, Map<Place, Set<End>>> demands = new LinkedHashMap<>();
    private final Set<GangRef> takenOver = new LinkedHashSet<>();
    private final Set<LoadRef> loads = new LinkedHashSet<>();
    private final Map<Place, Millimetres> spacers = new LinkedHashMap<>();
    private final Map<GangRef, Mechanism> mechanisms = new LinkedHashMap<>();
    private final List<Fitted> fitted = new ArrayList<>();
    private final Map<LoadRef, Watts> bypasses = new LinkedHashMap<>();
    private final Map<LoadRef, Wish> wishes = new LinkedHashMap<>();
    private final Map<Net, Integer> homes = new LinkedHashMap<>();
    private final Set<String> lifted = new LinkedHashSet<>();
    private final List<Bridge> bridges = new ArrayList<>();
    private int assignment = -1;

    /** What is wanted of a load that the plan touches. */
    record Wish(List<GangRef> controls, boolean remote) {}

    /** Two terminals of one place that are joined by a piece of wire, all else at them staying as it is. */
    record Bridge(Net net, Place place, End one, End other) {}

    public PlanDraft(SurveyedWiring found) {
        this.found = found;
    }

    public SurveyedWiring found() {
        return found;
    }

    /** What is fitted from now on is for the next assignment of the plan. */
    public void beginAssignment() {
        assignment++;
    }

    /** Fits a module and tells its number; its inputs are told later. */
    public int fit(Place place, ModuleModel model) {
        int number = 1 + (int) fitted.stream().filter(f -> !f.inPlace()).count();
        fitted.add(new Fitted(number, assignment, place, model, List.of(), false));
        return number;
    }

    /** Makes a module that is in place one that the assignment uses more of; what it does today it goes on doing. */
    public void take(ModuleInPlace module) {
        Fitted asFound = module.asFound();
        fitted.add(new Fitted(asFound.number(), assignment, asFound.place(), asFound.model(), asFound.inputs(), true));
    }

    /** Makes an input of a module one that is used. */
    public void use(int module, Input input) {
        fitted.replaceAll(old -> {
            if (old.number() != module) {
                return old;
            }
            List<Input> inputs = new ArrayList<>(old.inputs());
            inputs.add(input);
            return new Fitted(module, old.assignment(), old.place(), old.model(), inputs, old.inPlace());
        });
    }

    /** Puts a terminal on a net; the first of a net at a place holds the cores if it can. */
    public void put(Net net, Place place, End terminal) {
        demands.computeIfAbsent(net, n -> new LinkedHashMap<>())
                .computeIfAbsent(place, p -> new LinkedHashSet<>())
                .add(terminal);
    }

    /** Puts a terminal on the net that another terminal is on as found, and which otherwise stays as it is. */
    public void putAsFound(Place on, End known, Place place, End terminal) {
        put(asFound(on, known), place, terminal);
    }

    /** The net that a terminal is on as found. */
    public Net asFound(Place place, End terminal) {
        int net = found.netAt(place, terminal).orElseThrow();
        return found.supplyOf(net).orElseGet(() -> Net.kept(net));
    }

    /** Takes a switch over: whatever stood on its terminals is put elsewhere, or capped. */
    public void takeOver(GangRef gang) {
        takenOver.add(gang);
    }

    /** Takes the live side of a load over. */
    public void takeOver(LoadRef load) {
        loads.add(load);
    }

    /** Lifts one terminal of a switch that otherwise stays as it is. */
    public void lift(Place place, End terminal) {
        lifted.add(RunWiring.node(place, terminal).value());
    }

    /** Joins two nets as found, and all that hangs on them, by one piece of wire between two terminals. */
    public void bridge(Net net, Place place, End one, End other) {
        bridges.add(new Bridge(net, place, one, other));
    }

    /** Makes a net of the plan prefer the conductors of a net as found. */
    public void prefer(Net net, Place place, End terminal) {
        found.netAt(place, terminal).ifPresent(home -> homes.putIfAbsent(net, home));
    }

    /** Puts a spacer under the plate; of several the highest counts. */
    public void raise(Place place, Millimetres spacer) {
        spacers.merge(place, spacer, (a, b) -> a.compareTo(b) >= 0 ? a : b);
    }

    public void change(GangRef gang, Mechanism mechanism) {
        mechanisms.put(gang, mechanism);
    }

    public void bypass(LoadRef load, Watts watts) {
        bypasses.put(load, watts);
    }

    public void want(LoadRef load, List<GangRef> controls, boolean remote) {
        wishes.put(load, new Wish(controls, remote));
    }

    public boolean isTakenOver(GangRef gang) {
        return takenOver.contains(gang);
    }

    /** What becomes of the draft. */
    public record Outcome(Optional<RunWiring> wiring, List<org.hiddenclerk.core.finding.Finding> obstacles) {}

    /** Finds the ways and joins what belongs together at every place. */
    public Outcome finish() {
        Map<Integer, Net> owners = owners();
        retain(owners);
        List<ConductorPath> ways = found.nets().ways();
        Map<ConductorPath, Net> owned = new LinkedHashMap<>();
        ways.forEach(way -> Optional.ofNullable(owners.get(way.net())).ifPresent(net -> owned.put(way, net)));
        Routing routing = new Routing(found.house().region(), ways, owned, homes);
        for (Net net : ordered()) {
            if (net.kind() != Net.Kind.KEPT && net.kind() != Net.Kind.EARTH) {
                routing.connect(net, found.nets().sources(net), demands.get(net).keySet());
                if (net.kind().isSupply()) {
                    routing.release(
                            net,
                            this::stoodOnTakenTerminal,
                            (n, place) -> found.nets().sources(n).contains(place)
                                    || demands.getOrDefault(n, Map.of()).containsKey(place));
                }
            }
        }
        if (!routing.obstacles().isEmpty()) {
            return new Outcome(Optional.empty(), routing.obstacles());
        }
        return new Outcome(Optional.of(wired(routing.assigned(), owners)), List.of());
    }

    private List<Net> ordered() {
        return demands.keySet().stream()
                .sorted(java.util.Comparator.comparing(net -> net.kind().isSupply() ? 0 : 1))
                .toList();
    }

    /** Net of the plan that each net as found goes on in: supplies do, and nets that the plan does not touch. */
    private Map<Integer, Net> owners() {
        Map<Integer, Net> owners = new LinkedHashMap<>(found.nets().supplies());
        for (Place place : found.run().places()) {
            for (End end : found.nets().endsAt(place)) {
                if (isTerminal(end) && !isTaken(place, end)) {
                    found.netAt(place, end).ifPresent(net -> owners.computeIfAbsent(net, Net::kept));
                }
            }
        }
        bridges.forEach(bridge -> List.of(bridge.one(), bridge.other())
                .forEach(end -> found.netAt(bridge.place(), end).ifPresent(net -> owners.put(net, bridge.net()))));
        return owners;
    }

    private static boolean isTerminal(End end) {
        return end instanceof End.AtMechanism || end instanceof End.AtLoad || end instanceof End.AtModule;
    }

    private boolean isTaken(Place place, End end) {
        if (lifted.contains(RunWiring.node(place, end).value())) {
            return true;
        }
        if (end instanceof End.AtMechanism pole) {
            return takenOver.contains(new GangRef(place, pole.gang()));
        }
        return end instanceof End.AtLoad terminal
                && terminal.terminal().equals("L")
                && loads.contains(new LoadRef(place, terminal.load()));
    }

    /** Terminals that the plan does not take over stay on their nets. */
    private void retain(Map<Integer, Net> owners) {
        for (Place place : found.run().places()) {
            for (End end : found.nets().endsAt(place)) {
                if (isTerminal(end) && !isTaken(place, end)) {
                    found.netAt(place, end).map(owners::get).ifPresent(net -> put(net, place, end));
                }
            }
        }
    }

    private boolean stoodOnTakenTerminal(ConductorPath way, Place place) {
        End end = way.at(place).core().end();
        return isTerminal(end) && isTaken(place, end);
    }

    private RunWiring wired(Map<ConductorPath, Net> assigned, Map<Integer, Net> owners) {
        Map<Place, BoxWiring> boxes = new LinkedHashMap<>();
        for (Place place : found.run().places()) {
            List<Bridge> here = bridges.stream()
                    .filter(bridge -> bridge.place().equals(place))
                    .toList();
            boxes.put(
                    place,
                    new PlaceWiring(found, place, owners, modulesAt(place), this::isTaken)
                            .wired(assigned, demands, boxAt(place), bypassesAt(place), here));
        }
        return new RunWiring(found.run(), boxes, fitted, intents());
    }

    private Map<Integer, ModuleModel> modulesAt(Place place) {
        Map<Integer, ModuleModel> modules =
                new LinkedHashMap<>(found.wiring().at(place).modules());
        fitted.stream().filter(f -> f.place().equals(place)).forEach(f -> modules.put(f.number(), f.model()));
        return modules;
    }

    private Box boxAt(Place place) {
        Box box =
                Optional.ofNullable(spacers.get(place)).map(place.box()::raised).orElse(place.box());
        for (Map.Entry<GangRef, Mechanism> change : mechanisms.entrySet()) {
            box = change.getKey().place().equals(place)
                    ? box.withMechanism(change.getKey().number(), change.getValue())
                    : box;
        }
        return box;
    }

    private Map<Integer, Watts> bypassesAt(Place place) {
        Map<Integer, Watts> watts = new LinkedHashMap<>();
        bypasses.forEach((load, bypass) -> {
            if (load.place().equals(place)) {
                watts.put(load.number(), bypass);
            }
        });
        return watts;
    }

    private List<org.hiddenclerk.core.electrical.part.Intent> intents() {
        List<org.hiddenclerk.core.electrical.part.Intent> intents = new ArrayList<>();
        for (LoadRef load : found.run().loads()) {
            Wish wish = wishes.getOrDefault(load, new Wish(found.controlsOf(load), found.isSwitchedByModule(load)));
            intents.addAll(SurveyedWiring.intents(load, wish.controls(), wish.remote()));
        }
        return intents;
    }

    /** The live of a circuit, whatever it is. */
    public Net feed(CircuitId circuit) {
        return found.house().circuits().get(circuit).isElv() ? Net.plus(circuit) : Net.live(circuit);
    }

    /** What current comes back by. */
    public Net back(CircuitId circuit) {
        return found.house().circuits().get(circuit).isElv() ? Net.minus(circuit) : Net.neutral(circuit);
    }
}
