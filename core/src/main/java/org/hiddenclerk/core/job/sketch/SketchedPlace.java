package org.hiddenclerk.core.job.sketch;

import org.hiddenclerk.core.job.BoxKind;

/**
 * A place that a circuit of some shape needs.
 *
 * @param key   which one, in the words of the shape: A and B the switches at both ends, I1 … between them, J a junction, X where the lamp hangs
 * @param words what it is to people
 */
public record SketchedPlace(String key, BoxKind kind, String words) {}
