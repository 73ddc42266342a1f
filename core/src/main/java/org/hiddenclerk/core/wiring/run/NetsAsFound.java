package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.FixedNets;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/**
 * Nets of a run as it was found: what every core and terminal is part of, what holds it, where supplies come in. Worked out once,
 * because every plan of the run asks for all of it.
 */
public final class NetsAsFound {
    private final HouseContext house;
    private final FixedNets nets;
    private final Map<Place, List<End>> ends = new HashMap<>();
    private final Map<Place, Map<End, Integer>> netsOfEnds = new HashMap<>();
    private final Map<Place, Map<Box.CableCore, Integer>> netsOfCores = new HashMap<>();
    private final Map<Integer, Net> supplies = new LinkedHashMap<>();
    private final Map<Net, Set<Place>> reached = new HashMap<>();
    private final Map<Net, Set<Place>> sources = new HashMap<>();
    private final List<ConductorPath> ways = new ArrayList<>();

    NetsAsFound(HouseContext house, RunWiring wiring, Wiring netlist) {
        this.house = house;
        nets = FixedNets.of(netlist);
        wiring.boxes().forEach(this::add);
        addWays(wiring.run());
    }

    private void add(Place place, BoxWiring box) {
        ends.put(place, box.places());
        Map<End, Integer> ofEnds = new HashMap<>();
        ends.get(place).forEach(end -> numbered(place, end).ifPresent(net -> {
            ofEnds.put(end, net);
            held(net).ifPresent(supply -> supplies.put(net, supply));
        }));
        netsOfEnds.put(place, ofEnds);
        Map<Box.CableCore, Integer> ofCores = new HashMap<>();
        place.box().cores().forEach(core -> numbered(place, core).ifPresent(net -> {
            ofCores.put(core, net);
            held(net).ifPresent(supply -> {
                supplies.put(net, supply);
                reached.computeIfAbsent(supply, s -> new LinkedHashSet<>()).add(place);
                if (core.cable().leads() instanceof Leads.FromSupply) {
                    sources.computeIfAbsent(supply, s -> new LinkedHashSet<>()).add(place);
                }
            });
        }));
        netsOfCores.put(place, ofCores);
    }

    private void addWays(ConnectedBoxes run) {
        for (ConnectedBoxes.Span span : run.spans()) {
            for (var core : span.atA().cores()) {
                span.twin(core).ifPresent(twin -> {
                    Box.CableCore atA = new Box.CableCore(span.atA(), core);
                    ways.add(new ConductorPath(
                            span.a(),
                            atA,
                            span.b(),
                            new Box.CableCore(span.atB(), twin),
                            netOf(span.a(), atA).orElse(-1)));
                });
            }
        }
    }

    private Optional<Integer> numbered(Place place, End end) {
        return nets.netOf(RunWiring.node(place, end));
    }

    private Optional<Integer> numbered(Place place, Box.CableCore core) {
        End end = core.core().end();
        boolean alone = end instanceof End.Capped || end instanceof End.Loose;
        return alone ? nets.netOf(new NodeId(place.prefix() + core.key() + ".end")) : numbered(place, end);
    }

    private Optional<Net> held(int net) {
        Net known = supplies.get(net);
        return known != null
                ? Optional.of(known)
                : nets.suppliesOf(net).stream().findFirst().map(this::named);
    }

    private Net named(Part.Supply supply) {
        if (supply.line() == Line.PE) {
            return Net.earth();
        }
        CircuitId circuit = circuitOf(supply);
        return switch (supply.line()) {
            case L1, L2, L3 -> Net.live(circuit);
            case N -> Net.neutral(circuit);
            case ELV_PLUS -> Net.plus(circuit);
            case ELV_MINUS -> Net.minus(circuit);
            case PE -> throw new IllegalStateException("Impossible state: earth has no circuit.");
        };
    }

    private CircuitId circuitOf(Part.Supply supply) {
        return house.circuits().entrySet().stream()
                .filter(e -> e.getValue().label().equals(supply.circuit()))
                .map(Map.Entry::getKey)
                .findFirst()
                .orElseThrow(() -> new IllegalStateException("Impossible state: no circuit " + supply.circuit() + "."));
    }

    /** Ends that hold something at a place, in a stable order. */
    public List<End> endsAt(Place place) {
        return ends.get(place);
    }

    Optional<Integer> netAt(Place place, End end) {
        Integer known = netsOfEnds.get(place).get(end);
        return known != null ? Optional.of(known) : numbered(place, end);
    }

    /** The net of a core, from its end at a place. */
    Optional<Integer> netOf(Place place, Box.CableCore core) {
        return Optional.ofNullable(netsOfCores.get(place).get(core));
    }

    /** The supply net that a net is part of, if any. */
    Optional<Net> supplyOf(int net) {
        Net known = supplies.get(net);
        return known != null ? Optional.of(known) : held(net);
    }

    /** Every net that a supply holds and that has an end or a core somewhere, by its number. */
    public Map<Integer, Net> supplies() {
        return supplies;
    }

    /** Circuit of the supply that holds a net. */
    Optional<CircuitId> circuitOfNet(int net) {
        return nets.suppliesOf(net).stream()
                .filter(supply -> supply.line() != Line.PE)
                .findFirst()
                .map(this::circuitOf);
    }

    /** Whether a supply net has a core at a place. */
    boolean reaches(Net net, Place place) {
        return reached.getOrDefault(net, Set.of()).contains(place);
    }

    /** Places where a supply comes in from outside the run. */
    public Set<Place> sources(Net net) {
        return sources.getOrDefault(net, Set.of());
    }

    /** Every conductor between two places. */
    public List<ConductorPath> ways() {
        return ways;
    }
}
