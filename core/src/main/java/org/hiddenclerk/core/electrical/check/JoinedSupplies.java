package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.BORROWED_NEUTRAL;
import static org.hiddenclerk.core.finding.FindingCode.EARTH_AS_NEUTRAL;
import static org.hiddenclerk.core.finding.FindingCode.MAINS_ON_ELV;
import static org.hiddenclerk.core.finding.FindingCode.PHASES_JOINED;
import static org.hiddenclerk.core.finding.FindingCode.SECOND_FEED;
import static org.hiddenclerk.core.finding.FindingCode.SHORT_LIVE_EARTH;
import static org.hiddenclerk.core.finding.FindingCode.SHORT_LIVE_NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Subject;

/** Supplies that meet in one net, looked for in every row, shorted or not. */
public final class JoinedSupplies implements RowCheck {
    private final Region region;
    private final FindingLog log;
    private final List<PartPin> neverOnEarth = new ArrayList<>();

    private record PartPin(Part part, int node) {}

    public JoinedSupplies(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
        for (Part part : region.parts()) {
            if (part instanceof Part.Load
                    || part instanceof Part.Bypass
                    || part instanceof Part.Sender
                    || part instanceof Part.FittedModule) {
                for (String pin : part.pinNames()) {
                    if (!pin.equals(EarthPins.PIN)) {
                        neverOnEarth.add(new PartPin(part, region.node(part, pin)));
                    }
                }
            }
        }
    }

    @Override
    public void look(int row, RowSolver solver) {
        Region.Source[] sources = region.sources();
        for (int a = 0; a < sources.length; a++) {
            for (int b = solver.nextSource(a); b >= 0; b = solver.nextSource(b)) {
                meet(sources[a], sources[b], row, solver);
            }
        }
        for (PartPin pin : neverOnEarth) {
            if (solver.isOn(pin.node(), Line.PE)
                    && !solver.isOn(pin.node(), Line.ELV_MINUS)
                    && !solver.isOnLive(pin.node())) {
                log.add(
                        EARTH_AS_NEUTRAL,
                        pin.part().subject(),
                        row,
                        () -> Sentence.of(
                                "{0} has a pin on earth; earth must never carry its current.",
                                region.called(pin.part())),
                        Remedy.rewire("put it on the neutral of its own circuit"));
            }
        }
    }

    private void meet(Region.Source one, Region.Source other, int row, RowSolver solver) {
        Part.Supply a = one.supply();
        Part.Supply b = other.supply();
        boolean sameCircuit = a.circuit().equals(b.circuit());
        if (a.line().isElv() != b.line().isElv()) {
            meetElv(a.line().isElv() ? a : b, a.line().isElv() ? b : a, row);
        } else if (a.line().isElv()) {
            meetPoles(one, other, row);
        } else if (a.line().isLive() && b.line().isLive()) {
            if (a.line() != b.line()) {
                report(PHASES_JOINED, a, b, row);
            } else if (!sameCircuit) {
                report(SECOND_FEED, a, b, row);
            }
        } else if (a.line().isLive() || b.line().isLive()) {
            boolean earth = a.line() == Line.PE || b.line() == Line.PE;
            report(earth ? SHORT_LIVE_EARTH : SHORT_LIVE_NEUTRAL, a, b, row);
        } else if (a.line() == Line.N && b.line() == Line.N) {
            if (!sameCircuit) {
                report(BORROWED_NEUTRAL, a, b, row);
            }
        } else if (a.line() != b.line() && !solver.isOnLive(one.node())) {
            report(EARTH_AS_NEUTRAL, a, b, row);
        }
    }

    /** Poles of extra-low voltage. Two of different volts drive current through each other as two phases do. */
    private void meetPoles(Region.Source one, Region.Source other, int row) {
        Part.Supply a = one.supply();
        Part.Supply b = other.supply();
        if (a.line() != b.line()) {
            report(SHORT_LIVE_NEUTRAL, a, b, row);
        } else if (!RowSolver.samePotential(one, other)) {
            report(PHASES_JOINED, a, b, row);
        } else if (a.line() == Line.ELV_PLUS && !a.circuit().equals(b.circuit())) {
            report(SECOND_FEED, a, b, row);
        }
    }

    private void meetElv(Part.Supply elv, Part.Supply other, int row) {
        if (other.line() != Line.PE) {
            report(MAINS_ON_ELV, elv, other, row);
        } else if (elv.line() == Line.ELV_PLUS) {
            report(SHORT_LIVE_EARTH, elv, other, row);
        }
    }

    private void report(FindingCode code, Part.Supply a, Part.Supply b, int row) {
        Part.Supply first = a.id().compareTo(b.id()) <= 0 ? a : b;
        Part.Supply second = first == a ? b : a;
        log.add(
                code,
                new Subject.Together(first.subject(), second.subject()),
                row,
                () -> Sentence.of("{0} and {1} are joined.", describe(first), describe(second)),
                Remedy.rewire("separate them"));
    }

    private static String describe(Part.Supply supply) {
        return supply.line().label() + (supply.circuit().isBlank() ? "" : " of circuit " + supply.circuit());
    }
}
