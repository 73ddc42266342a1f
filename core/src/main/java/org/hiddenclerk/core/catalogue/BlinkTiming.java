package org.hiddenclerk.core.catalogue;

/**
 * Breaks of its supply that a module takes for a flip.
 *
 * @param minimumMs shorter ones are nothing, in milliseconds
 * @param holdUpMs  longer ones are a loss of supply, in milliseconds
 */
public record BlinkTiming(int minimumMs, int holdUpMs) {
    public BlinkTiming {
        if (minimumMs < 0 || holdUpMs < minimumMs) {
            throw new IllegalArgumentException("The hold-up time (" + holdUpMs + " ms) must be at least the minimum ("
                    + minimumMs + " ms), and that not below 0.");
        }
    }
}
