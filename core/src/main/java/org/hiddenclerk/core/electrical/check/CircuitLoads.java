package org.hiddenclerk.core.electrical.check;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.quantity.Tolerance;

/**
 * What hangs on each line of a circuit, over all its supply parts and all regions, against the least rating of its
 * protective devices. All loads that are on at once count in full; nothing is taken off for diversity. Regions move by
 * themselves, so the worst row of each counts.
 */
public final class CircuitLoads {

    private final Map<CircuitLine, Sum> sums = new LinkedHashMap<>();

    private record CircuitLine(String circuit, Line line) {}

    private static final class Sum {
        private double rated = Double.POSITIVE_INFINITY;
        private final List<Share> shares = new ArrayList<>();
    }

    /** The most that one region draws, and the row in which it does. */
    private static final class Share {
        private final Region region;
        private double amps;
        private int row;

        private Share(Region region) {
            this.region = region;
        }
    }

    /** Looks at the rows of one region; asked for each region in turn. */
    public RowCheck of(Region region) {
        Map<CircuitLine, Share> here = new LinkedHashMap<>();
        for (Region.Source source : region.sources()) {
            Part.Supply supply = source.supply();
            // An earth and a return are rated by the line that feeds them: two poles do not add.
            if (supply.line().isLive() || supply.line() == Line.ELV_PLUS) {
                CircuitLine line = new CircuitLine(supply.circuit(), supply.line());
                Sum sum = sums.computeIfAbsent(line, l -> new Sum());
                sum.rated = Math.min(sum.rated, supply.ratedAmps().orElse(Double.POSITIVE_INFINITY));
                here.computeIfAbsent(line, l -> {
                    Share share = new Share(region);
                    sum.shares.add(share);
                    return share;
                });
            }
        }
        return (row, solver) -> {
            if (!solver.isShorted()) {
                here.forEach((line, share) -> {
                    double amps = ampsFrom(region, line, solver);
                    if (amps > share.amps) {
                        share.amps = amps;
                        share.row = row;
                    }
                });
            }
        };
    }

    private static double ampsFrom(Region region, CircuitLine line, RowSolver solver) {
        double amps = 0;
        for (Region.Resistor resistor : region.resistors()) {
            if (isOn(region, line, resistor.a(), solver) != isOn(region, line, resistor.b(), solver)) {
                double factor = resistor.part() instanceof Part.Load load ? load.powerFactor() : 1;
                amps += solver.volts(resistor.a(), resistor.b()) / resistor.ohms() / factor;
            }
        }
        return amps;
    }

    private static boolean isOn(Region region, CircuitLine line, int node, RowSolver solver) {
        for (int s = solver.firstSource(node); s >= 0; s = solver.nextSource(s)) {
            Part.Supply supply = region.sources()[s].supply();
            if (supply.line() == line.line() && supply.circuit().equals(line.circuit())) {
                return true;
            }
        }
        return false;
    }

    /** What is found once every region was looked at. */
    public List<Finding> findings() {
        List<Finding> findings = new ArrayList<>();
        sums.forEach((line, sum) -> {
            double amps = sum.shares.stream().mapToDouble(share -> share.amps).sum();
            if (amps > sum.rated * (1 + Tolerance.WRITTEN)) {
                Subject subject =
                        new Subject.CircuitLine(line.circuit(), line.line().label());
                findings.add(Finding.of(
                                FindingCode.CIRCUIT_OVERLOAD,
                                subject,
                                Sentence.of(
                                                "Circuit {0} delivers {found} on {1}; its protective "
                                                        + "device is rated {allowed}.",
                                                line.circuit(), line.line().label())
                                        .found(amps, 2, "A")
                                        .allowed(sum.rated, 2, "A"),
                                Source.COMPUTED,
                                new Remedy(Remedy.Kind.SPLIT_LOAD, "move some of the load to another circuit"))
                        .in(List.of(together(sum.shares))));
            }
        });
        return findings;
    }

    private static SwitchingState together(List<Share> shares) {
        Map<String, Integer> switches = new LinkedHashMap<>();
        Map<String, Integer> channels = new LinkedHashMap<>();
        for (Share share : shares) {
            SwitchingState state = share.region.state(share.row);
            switches.putAll(state.switches());
            channels.putAll(state.channels());
        }
        return new SwitchingState(switches, channels);
    }
}
