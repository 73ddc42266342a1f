package org.hiddenclerk.app.platform.background;

import java.time.Duration;

/** Work behind that of people: after each piece it rests, so that it takes only a part of the time of one processor. */
public final class Rest {
    private static final Duration LONGEST = Duration.ofSeconds(10);

    private Rest() {}

    /**
     * Does a piece of work, then rests.
     *
     * @param times how many times as long as the work took it rests, ten seconds at most
     */
    public static void after(Runnable piece, int times) {
        long began = System.nanoTime();
        try {
            piece.run();
        } finally {
            rest(Duration.ofNanos(System.nanoTime() - began).multipliedBy(times));
        }
    }

    private static void rest(Duration wanted) {
        try {
            Thread.sleep(wanted.compareTo(LONGEST) < 0 ? wanted.toMillis() : LONGEST.toMillis());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
