package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.electrical.check.CircuitLoads;
import org.hiddenclerk.core.electrical.check.ConductorLoads;
import org.hiddenclerk.core.electrical.check.ContactLoads;
import org.hiddenclerk.core.electrical.check.Dimmers;
import org.hiddenclerk.core.electrical.check.EarthPins;
import org.hiddenclerk.core.electrical.check.Effects;
import org.hiddenclerk.core.electrical.check.ElvReach;
import org.hiddenclerk.core.electrical.check.FindingLog;
import org.hiddenclerk.core.electrical.check.JoinedSupplies;
import org.hiddenclerk.core.electrical.check.LeftOver;
import org.hiddenclerk.core.electrical.check.NeutralPath;
import org.hiddenclerk.core.electrical.check.PairInputs;
import org.hiddenclerk.core.electrical.check.TwoCircuits;
import org.hiddenclerk.core.electrical.check.VoltageChecks;
import org.hiddenclerk.core.electrical.operation.IntentProof;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.Netlist;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.finding.Verdict;

/**
 * Judges a wiring by exhausting every switch position and relay contact, and by exploring what hands and remote commands
 * can reach.
 *
 * <p>Cost: linear in the rows of each region, that is exponential in its two-state elements; the limits of
 * {@link Wiring} and {@link WiringRules} bound it. The wiring must have no {@link WiringRules#problemsOf problems}.
 */
public final class WiringCheck {
    private WiringCheck() {}

    /**
     * @param verdict   the worst severity
     * @param findings  in the order of {@link Finding#ORDER}
     * @param truthTable every state
     */
    public record Result(Verdict verdict, List<Finding> findings, TruthTable truthTable) {
        public Result {
            findings = List.copyOf(findings);
        }
    }

    /** The wiring's verdict, findings and truth table. */
    public static Result of(Wiring wiring) {
        Netlist netlist = new Netlist(wiring);
        List<Finding> findings = new ArrayList<>();
        Map<Region, RegionTable> tables = new LinkedHashMap<>();
        CircuitLoads circuits = new CircuitLoads();
        for (Region region : netlist.regions()) {
            tables.put(region, judge(region, circuits.of(region), findings));
        }
        findings.addAll(circuits.findings());
        if (tables.values().stream().noneMatch(RegionTable::hasShorts)) {
            for (List<Region> cluster : IntentProof.clusters(netlist)) {
                addNew(
                        findings,
                        IntentProof.check(cluster.stream().map(tables::get).toList(), wiring.intents()));
            }
        }
        findings.sort(Finding.ORDER);
        return new Result(Verdict.of(findings), findings, new TruthTable(List.copyOf(tables.values())));
    }

    private static RegionTable judge(Region region, RowCheck circuits, List<Finding> findings) {
        FindingLog log = new FindingLog(region);
        RegionTable table = RegionTable.of(
                region,
                List.of(
                        new JoinedSupplies(region, log),
                        new ElvReach(region, log),
                        new VoltageChecks(region, log),
                        new EarthPins(region, log),
                        new PairInputs(region, log),
                        new TwoCircuits(region, log),
                        circuits,
                        new ConductorLoads(region, log)));
        NeutralPath.check(table, log);
        ContactLoads.check(table, log);
        Effects.check(table, log);
        Dimmers.check(table, log);
        LeftOver.check(region, log);
        findings.addAll(log.findings());
        return table;
    }

    /** The proof of the intent may come to what a table already showed; one finding of a code and subject is enough. */
    private static void addNew(List<Finding> findings, List<Finding> more) {
        Set<Finding.Key> known = new HashSet<>();
        findings.forEach(f -> known.add(f.key()));
        more.stream().filter(finding -> known.add(finding.key())).forEach(findings::add);
    }

    /**
     * The nodes that are live in every state: above {@value VoltageChecks#TOUCH_VOLTS} V to earth, or on a live.
     *
     * @return live nodes by state; regions without anything that moves share the state that names nothing
     */
    public static Map<SwitchingState, List<NodeId>> liveNodes(Wiring wiring) {
        Map<SwitchingState, List<NodeId>> live = new LinkedHashMap<>();
        for (Region region : new Netlist(wiring).regions()) {
            RowSolver solver = new RowSolver(region);
            for (int row = 0; row < region.rowCount(); row++) {
                if (!region.isExcluded(row)) {
                    solver.solve(row);
                    live.computeIfAbsent(region.state(row), state -> new ArrayList<>())
                            .addAll(liveNodes(region, solver));
                }
            }
        }
        return live;
    }

    private static List<NodeId> liveNodes(Region region, RowSolver solver) {
        List<NodeId> live = new ArrayList<>();
        for (int node = 0; node < region.nodeCount(); node++) {
            if (solver.isOnLive(node) || !solver.isShorted() && solver.voltsToEarth(node) > VoltageChecks.TOUCH_VOLTS) {
                live.add(region.nodeId(node));
            }
        }
        return live;
    }
}
