package org.hiddenclerk.core.finding;

/**
 * Where a rule comes from.
 *
 * @param text document and clause, or "common practice, no source"
 */
public record Source(String text) {
    public static final Source COMMON_PRACTICE = new Source("common practice, no source");
    public static final Source MAKER = new Source("maker's rating in the stock book");
    public static final Source COMPUTED = new Source("computed from the wiring, every switching state");
    public static final Source PLAYED =
            new Source("computed by letting everything happen; what is wrong with it is common practice, no source");
}
