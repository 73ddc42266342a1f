package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.TWO_CIRCUITS;

import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/** A contact whose live is of another circuit than the module's own supply: both are off before anybody works there. */
public final class TwoCircuits implements RowCheck {
    private final Region region;
    private final FindingLog log;

    public TwoCircuits(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
    }

    @Override
    public void look(int row, RowSolver solver) {
        if (solver.isShorted()) {
            return;
        }
        for (Region.Device device : region.devices()) {
            if (device.part() instanceof Part.FittedModule module) {
                Set<String> own = circuits(solver, false, device.live(), device.back());
                own.addAll(own.isEmpty() ? circuits(solver, true, device.live(), device.back()) : Set.of());
                for (Channel channel : own.isEmpty() ? java.util.List.<Channel>of() : module.channels()) {
                    Set<String> others = circuits(
                            solver, false, region.node(module, channel.from()), region.node(module, channel.to()));
                    others.removeAll(own);
                    if (!others.isEmpty()) {
                        log.add(
                                TWO_CIRCUITS,
                                module.subjectOf(channel),
                                row,
                                () -> Sentence.of(
                                        "Contact {0} of {1} switches circuit {2}; the module is fed by circuit {3}. Both "
                                                + "are to be isolated.",
                                        channel.id(),
                                        region.called(module),
                                        String.join(", ", others),
                                        String.join(", ", own)),
                                Remedy.rewire("label both circuits at the module"));
                    }
                }
            }
        }
    }

    private Set<String> circuits(RowSolver solver, boolean elv, int... nodes) {
        Set<String> circuits = new TreeSet<>();
        for (int node : nodes) {
            for (int s = node < 0 ? -1 : solver.firstSource(node); s >= 0; s = solver.nextSource(s)) {
                Part.Supply supply = region.sources()[s].supply();
                if (elv ? supply.line() == Line.ELV_PLUS : supply.line().isLive()) {
                    circuits.add(supply.circuit());
                }
            }
        }
        return circuits;
    }
}
