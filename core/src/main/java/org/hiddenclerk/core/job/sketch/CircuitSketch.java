package org.hiddenclerk.core.job.sketch;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.ColourEra;

/**
 * A circuit as a person tells it. Its cables are filled in as they usually run, in the colours of the region, and every one of them is
 * marked as assumed: how it usually is proves nothing of how it is in the wall.
 *
 * @param era     colours that its cables are found in
 * @param neutral whether the neutral runs along with the live; where it does not, it lies elsewhere
 * @param between intermediate switches between the first and the last
 * @param loads   one, or one for each gang
 */
public record CircuitSketch(
        CircuitShape shape, CircuitId circuit, ColourEra era, boolean neutral, int between, List<SketchedLoad> loads) {
    public CircuitSketch {
        loads = List.copyOf(loads);
        if (between < 0 || between > shape.mostBetween()) {
            throw new IllegalArgumentException("There are " + between + " switches between; at most "
                    + shape.mostBetween() + " stand there in this shape.");
        }
        if (loads.size() < shape.leastLoads() || loads.size() > shape.mostLoads()) {
            throw new IllegalArgumentException("There are " + loads.size() + " loads; this shape is for "
                    + shape.leastLoads() + " to " + shape.mostLoads() + ".");
        }
        if (!neutral && !shape.has(CircuitShape.Trait.NEUTRAL_MAY_LACK)) {
            throw new IllegalArgumentException("In this shape the neutral comes with the feed.");
        }
    }

    /**
     * Where a place of the shape is.
     *
     * @param id         identity of the box
     * @param box        as it is before; empty where it is new
     * @param switchName what its switch is called
     */
    public record Target(String id, Box box, String switchName) {}

    /** Places of the shape, from the first switch on. */
    public List<SketchedPlace> places() {
        return shape.places(between);
    }

    /**
     * The boxes with the circuit in them, by identity.
     *
     * @param targets for each of {@link #places()}, by its key and in its order
     */
    public Map<String, Box> into(Map<String, Target> targets) {
        List<String> wanted = places().stream().map(SketchedPlace::key).toList();
        if (!wanted.equals(List.copyOf(targets.keySet()))) {
            throw new IllegalArgumentException("The places are " + wanted + ", not " + targets.keySet() + ".");
        }
        SketchDraft draft = new SketchDraft(this, targets);
        shape.wire(draft);
        return draft.built();
    }
}
