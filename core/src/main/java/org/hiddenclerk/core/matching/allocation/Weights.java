package org.hiddenclerk.core.matching.allocation;

/**
 * What the parts of a plan count, in cents of the job's currency, so that they can be added to a price.
 *
 * @param pricePercent share of the price that counts; 100 is all of it
 * @param kind         each different module: learning, spares, firmware
 * @param maker        each different maker
 * @param box          each box that is opened
 * @param minute       each minute of work
 * @param exchanged    each mechanism or plate that is exchanged: the household notices
 * @param silent       each choice after which a wall switch no longer works
 * @param cut          each module that the wall switch can cut off
 * @param wish         each wish, not a must, that is missed
 * @param note         each reservation, as a neutral left unused
 * @param stockPercent share of its price that a module from the shelf costs less
 * @param open         each unit that gets no module at all
 */
public record Weights(
        int pricePercent,
        int kind,
        int maker,
        int box,
        int minute,
        int exchanged,
        int silent,
        int cut,
        int wish,
        int note,
        int stockPercent,
        int open) {
    public static final Weights USUAL =
            new Weights(100, 1_500, 2_000, 500, 50, 800, 4_000, 3_000, 1_000, 600, 50, 100_000);

    public Weights {
        int least = Math.min(
                Math.min(Math.min(pricePercent, kind), Math.min(maker, box)),
                Math.min(
                        Math.min(minute, exchanged),
                        Math.min(Math.min(silent, cut), Math.min(Math.min(wish, note), Math.min(stockPercent, open)))));
        if (least < 0 || stockPercent > pricePercent) {
            throw new IllegalArgumentException("Weights (" + least + ") must not be below 0, and what the shelf saves ("
                    + stockPercent + " %) not above the price (" + pricePercent + " %).");
        }
    }
}
