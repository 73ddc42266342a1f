package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.EARTH_AS_NEUTRAL;
import static org.hiddenclerk.core.finding.FindingCode.EARTH_MISSING;
import static org.hiddenclerk.core.finding.FindingCode.LIVE_ON_EARTH_PIN;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RowCheck;
import org.hiddenclerk.core.electrical.solving.RowSolver;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/** Earth terminals of parts: on earth in every state, and never on anything else. Metal that a hand touches hangs on them. */
public final class EarthPins implements RowCheck {
    /** What an earth terminal is called on any part. */
    static final String PIN = "PE";

    private final Region region;
    private final FindingLog log;
    private final List<Pin> pins = new ArrayList<>();

    /** @param node -1 where a part that must be earthed has no earth terminal connected */
    private record Pin(Part part, int node) {}

    public EarthPins(Region region, FindingLog log) {
        this.region = region;
        this.log = log;
        for (Part part : region.parts()) {
            boolean connected = part.pins().containsKey(PIN);
            if (connected || part instanceof Part.Load load && load.earthRequired()) {
                pins.add(new Pin(part, connected ? region.node(part, PIN) : -1));
            }
        }
    }

    @Override
    public void look(int row, RowSolver solver) {
        if (solver.isShorted()) {
            return;
        }
        for (Pin pin : pins) {
            if (pin.node() < 0) {
                log.add(
                        EARTH_MISSING,
                        pin.part().subject(),
                        row,
                        () -> Sentence.of("{0} needs earth and has none.", region.called(pin.part())),
                        Remedy.rewire("connect its earth"));
            } else {
                look(pin, row, solver);
            }
        }
    }

    private void look(Pin pin, int row, RowSolver solver) {
        boolean earthed = solver.isOn(pin.node(), Line.PE);
        if (solver.isOnLive(pin.node())) {
            log.add(
                    LIVE_ON_EARTH_PIN,
                    pin.part().subject(),
                    row,
                    () -> Sentence.of(
                            "The earth terminal of {0} is live: so is all metal on it.", region.called(pin.part())),
                    Remedy.rewire("put it on earth, and take the live off"));
        }
        if (solver.isOn(pin.node(), Line.N) && !earthed) {
            log.add(
                    EARTH_AS_NEUTRAL,
                    pin.part().subject(),
                    row,
                    () -> Sentence.of(
                            "The earth terminal of {0} is on a neutral: where that neutral opens, its metal is live.",
                            region.called(pin.part())),
                    Remedy.rewire("put it on earth"));
        }
        if (!earthed) {
            log.add(
                    EARTH_MISSING,
                    pin.part().subject(),
                    row,
                    () -> Sentence.of("The earth terminal of {0} is not on earth.", region.called(pin.part())),
                    Remedy.rewire("connect its earth"));
        }
    }
}
