package org.hiddenclerk.core.electrical.operation;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.Netlist;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.electrical.solving.TruthTable;

/**
 * A wiring that is in use: what any one position of its switches and relays makes of lamps, modules and inputs. Not
 * for several threads at once.
 */
public final class Installation {
    private final Wiring wiring;
    private Set<String> deadCircuits = Set.of();
    private List<RowSolver> solvers;
    private List<Region> regions;

    public Installation(Wiring wiring) {
        this.wiring = wiring;
        regions = new Netlist(wiring).regions();
        solvers = regions.stream().map(RowSolver::new).toList();
    }

    public Wiring wiring() {
        return wiring;
    }

    /**
     * How it stands at a moment.
     *
     * @param loads   by load; a load behind a short has no volts
     * @param modules modules and senders, with their inputs
     * @param tripped whether some net joins potentials that differ, so that its protection opens
     */
    public record Standing(
            Map<PartId, TruthTable.LoadReading> loads,
            Map<PartId, TruthTable.ModuleReading> modules,
            boolean tripped) {}

    /** How a closed channel is named among what is closed. */
    public static String closedContact(PartId module, String channel) {
        return module + "/" + channel;
    }

    /**
     * How it stands.
     *
     * @param closed  switches in their second position, and channels that are closed
     * @param between switches on their way from one position to the other, touching nothing
     * @param dead    circuits that are switched off
     */
    public Standing at(Set<String> closed, Set<String> between, Set<String> dead) {
        if (!dead.equals(deadCircuits)) {
            regions = new Netlist(wiring.withoutLives(dead)).regions();
            solvers = regions.stream().map(RowSolver::new).toList();
            deadCircuits = Set.copyOf(dead);
        }
        Map<PartId, TruthTable.LoadReading> loads = new LinkedHashMap<>();
        Map<PartId, TruthTable.ModuleReading> modules = new LinkedHashMap<>();
        boolean tripped = false;
        for (int r = 0; r < regions.size(); r++) {
            tripped |= read(regions.get(r), solvers.get(r), closed, between, loads, modules);
        }
        return new Standing(loads, modules, tripped);
    }

    private static boolean read(
            Region region,
            RowSolver solver,
            Set<String> closed,
            Set<String> between,
            Map<PartId, TruthTable.LoadReading> loads,
            Map<PartId, TruthTable.ModuleReading> modules) {
        int row = 0;
        int moving = -1;
        for (int e = 0; e < region.elements().length; e++) {
            row |= closed.contains(region.elements()[e].id()) ? region.bit(e) : 0;
            moving = between.contains(region.elements()[e].id()) ? e : moving;
        }
        solver.solve(row, moving);
        boolean shorted = solver.isShorted();
        for (Region.Resistor resistor : region.resistors()) {
            if (resistor.kind() == Region.ResistorKind.LOAD) {
                double volts = shorted ? 0 : solver.volts(resistor.a(), resistor.b());
                loads.put(
                        resistor.part().id(),
                        new TruthTable.LoadReading(
                                Math.round(volts * 10) / 10.0, LoadState.at(volts, resistor.nominalVolts())));
            }
        }
        boolean[] powered = new boolean[region.devices().length];
        boolean[] joined = new boolean[region.inputPins().length];
        for (int d = 0; d < powered.length; d++) {
            powered[d] = !shorted && RegionTable.isSupplied(region.devices()[d], solver);
        }
        for (int i = 0; i < joined.length; i++) {
            joined[i] = !shorted && RegionTable.isAsserted(region.inputPins()[i], solver);
        }
        for (int d = 0; d < powered.length; d++) {
            Region.Device device = region.devices()[d];
            // A two-wire module lives on what flows while its contacts are open.
            if (device.part() instanceof Part.FittedModule module
                    && module.supply() instanceof ModuleSupply.TwoWire
                    && (row & device.ownChannels()) != 0) {
                solver.solve(row & ~device.ownChannels(), moving);
                powered[d] = !solver.isShorted() && RegionTable.isSupplied(device, solver);
            }
            Map<String, Boolean> inputs = new LinkedHashMap<>();
            for (int i = 0; i < joined.length; i++) {
                if (region.inputPins()[i].device() == d) {
                    inputs.put(region.inputPins()[i].input().id(), powered[d] && joined[i]);
                }
            }
            modules.put(device.part().id(), new TruthTable.ModuleReading(powered[d], inputs));
        }
        return shorted;
    }
}
