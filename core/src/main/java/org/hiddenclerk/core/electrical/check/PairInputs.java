package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.SUPPLY_ON_INPUT;

import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/** Inputs that read a contact between two pins of their own: nothing of a supply belongs there, but where the maker says so. */
public final class PairInputs implements RowCheck {
    private final Region region;
    private final FindingLog log;

    public PairInputs(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
    }

    @Override
    public void look(int row, RowSolver solver) {
        if (solver.isShorted()) {
            return;
        }
        for (Region.InputPin input : region.inputPins()) {
            if (input.other() >= 0) {
                look(input, input.pin(), row, solver);
                look(input, input.other(), row, solver);
            }
        }
    }

    private void look(Region.InputPin input, int pin, int row, RowSolver solver) {
        int source = solver.firstSource(pin);
        boolean meant = input.common() >= 0 && solver.net(input.common()) == solver.net(pin);
        if (source >= 0 && !meant) {
            Part.Supply supply = region.sources()[source].supply();
            log.add(
                    SUPPLY_ON_INPUT,
                    region.subjectOf(input),
                    row,
                    () -> Sentence.of(
                            "{0} of circuit {1} is on a pin of input {2}, which reads a contact "
                                    + "and takes no supply.",
                            supply.line().label(), supply.circuit(), region.called(input)),
                    Remedy.rewire("keep everything but the switch off this input"));
        }
    }
}
