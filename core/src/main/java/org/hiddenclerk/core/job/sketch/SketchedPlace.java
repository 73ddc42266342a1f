package org.hiddenclerk.core.job.sketch;

import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;

/**
 * A place that a circuit of some shape needs.
 *
 * @param key   which one, in the words of the shape: A and B the switches at both ends, I1 … between them, J a junction, X where the lamp hangs
 * @param words what it is to people
 */
public record SketchedPlace(String key, BoxKind kind, String words) {

    /** A box for it in which nothing is yet, and which nobody has measured. */
    public Box empty(String label) {
        return new Box(label, kind, Optional.empty(), List.of(), List.of(), List.of(), List.of());
    }
}
