package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.MAINS_ON_ELV;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/**
 * Mains that reaches an extra-low-voltage part, directly or through loads, but not through another supply's net. Looked
 * for in every row.
 */
public final class ElvReach implements RowCheck {
    /** Highest nominal volts of a load that counts as extra-low voltage (IEC 61140: 50 V AC). */
    static final double ELV_VOLTS = 50;

    private final Region region;
    private final FindingLog log;
    private final Map<Integer, Part> starts = new LinkedHashMap<>();

    public ElvReach(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
        for (Region.Source source : region.sources()) {
            if (source.supply().line().isElv()) {
                starts.putIfAbsent(source.node(), source.supply());
            }
        }
        for (Region.Resistor resistor : region.resistors()) {
            boolean elvLoad = resistor.kind() == Region.ResistorKind.LOAD && resistor.nominalVolts() <= ELV_VOLTS;
            boolean elvModule = resistor.part() instanceof Part.FittedModule module
                    && module.supply() instanceof ModuleSupply.DirectCurrent;
            if (elvLoad || elvModule) {
                starts.putIfAbsent(resistor.a(), resistor.part());
                starts.putIfAbsent(resistor.b(), resistor.part());
            }
        }
        for (Region.InputPin input : region.inputPins()) {
            if (input.input().potential() == Input.Potential.ELV) {
                Part part = region.devices()[input.device()].part();
                for (int node : new int[] {input.pin(), input.other(), input.activeWith()}) {
                    if (node >= 0) {
                        starts.putIfAbsent(node, part);
                    }
                }
            }
        }
    }

    @Override
    public void look(int row, RowSolver solver) {
        starts.forEach((node, part) -> {
            int source = mainsReachedFrom(node, solver);
            if (source >= 0) {
                Part.Supply supply = region.sources()[source].supply();
                log.add(
                        MAINS_ON_ELV,
                        part.subject(),
                        row,
                        () -> Sentence.of(
                                "{0} of circuit {1} reaches {2}, which is an extra-low-voltage part.",
                                supply.line().label(), supply.circuit(), region.called(part)),
                        Remedy.rewire("keep mains and extra-low voltage apart"));
            }
        });
    }

    private int mainsReachedFrom(int start, RowSolver solver) {
        BitSet seen = new BitSet();
        Deque<Integer> open = new ArrayDeque<>(List.of(solver.net(start)));
        seen.set(solver.net(start));
        boolean first = true;
        while (!open.isEmpty()) {
            int net = open.remove();
            int mains = mainsIn(net, solver);
            if (mains >= 0) {
                return mains;
            }
            if (first || solver.firstSource(net) < 0) {
                for (int next : neighbours(net, solver)) {
                    if (!seen.get(next)) {
                        seen.set(next);
                        open.add(next);
                    }
                }
            }
            first = false;
        }
        return -1;
    }

    private int mainsIn(int net, RowSolver solver) {
        for (int s = solver.firstSource(net); s >= 0; s = solver.nextSource(s)) {
            Line line = region.sources()[s].supply().line();
            if (line.isLive() || line == Line.N) {
                return s;
            }
        }
        return -1;
    }

    private List<Integer> neighbours(int net, RowSolver solver) {
        List<Integer> nets = new ArrayList<>();
        for (Region.Resistor resistor : region.resistors()) {
            int a = solver.net(resistor.a());
            int b = solver.net(resistor.b());
            if (a == net && b != net) {
                nets.add(b);
            } else if (b == net && a != net) {
                nets.add(a);
            }
        }
        return nets;
    }
}
