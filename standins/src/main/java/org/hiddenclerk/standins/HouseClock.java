package org.hiddenclerk.standins;

import java.time.Duration;

/** Time in a stand-in house. */
public interface HouseClock {
    /** Milliseconds since the house was built. */
    long millis();

    /** How long something takes in this house that takes so long in life. */
    default Duration takes(Duration inLife) {
        return inLife;
    }

    /** Lets something take its time. */
    void pass(Duration time);

    /** A clock that moves only when something takes time: the same calls give the same house. */
    static HouseClock virtual() {
        return new HouseClock() {
            private long now;

            @Override
            public synchronized long millis() {
                return now;
            }

            @Override
            public synchronized void pass(Duration time) {
                now += time.toMillis();
            }
        };
    }

    /** The clock of the machine. @param hurry how many times faster than in life things are done; time itself goes as it goes */
    static HouseClock live(int hurry) {
        long begin = System.nanoTime();
        return new HouseClock() {
            @Override
            public long millis() {
                return (System.nanoTime() - begin) / 1_000_000;
            }

            @Override
            public Duration takes(Duration inLife) {
                return inLife.dividedBy(hurry);
            }

            @Override
            public void pass(Duration time) {
                try {
                    Thread.sleep(takes(time).toMillis());
                } catch (InterruptedException e) {
                    Thread.currentThread().interrupt();
                }
            }
        };
    }
}
