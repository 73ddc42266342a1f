package org.hiddenclerk.core.live;

import java.util.PriorityQueue;

/** How far the clock of a house has come, and what is still to come. */
final class EventQueue {
    private final PriorityQueue<Due> queue = new PriorityQueue<>();
    private long now;
    private int dues;

    private record Due(long atMs, int number, Runnable deed) implements Comparable<Due> {
        @Override
        public int compareTo(Due other) {
            return atMs != other.atMs ? Long.compare(atMs, other.atMs) : Integer.compare(number, other.number);
        }
    }

    long now() {
        return now;
    }

    void comesTo(long ms) {
        now = Math.max(now, ms);
    }

    void later(long ms, Runnable deed) {
        queue.add(new Due(now + ms, dues++, deed));
    }

    /** When something is to come; {@link Long#MAX_VALUE} when nothing is. */
    long next() {
        return queue.isEmpty() ? Long.MAX_VALUE : queue.peek().atMs();
    }

    /** Lets happen what is due. */
    void happen() {
        while (!queue.isEmpty() && queue.peek().atMs() <= now) {
            queue.poll().deed().run();
        }
    }
}
