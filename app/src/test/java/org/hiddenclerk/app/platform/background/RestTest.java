package org.hiddenclerk.app.platform.background;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.concurrent.TimeUnit;
import java.util.concurrent.locks.LockSupport;
import org.junit.jupiter.api.Test;

/** Work that nobody waits for leaves most of the time to others. */
class RestTest {
    private static final long WORK = TimeUnit.MILLISECONDS.toNanos(20);

    private static void work() {
        long until = System.nanoTime() + WORK;
        while (System.nanoTime() < until) {
            LockSupport.parkNanos(until - System.nanoTime());
        }
    }

    @Test
    void itRestsManyTimesAsLongAsItWorked() {
        long began = System.nanoTime();
        Rest.after(RestTest::work, 9);
        assertThat(System.nanoTime() - began).isGreaterThanOrEqualTo(9 * WORK);
    }

    @Test
    void whatGoesWrongIsToldAfterTheRest() {
        long began = System.nanoTime();
        assertThatThrownBy(() -> Rest.after(
                        () -> {
                            work();
                            throw new IllegalStateException("no database");
                        },
                        4))
                .isInstanceOf(IllegalStateException.class)
                .hasMessage("no database");
        assertThat(System.nanoTime() - began).isGreaterThanOrEqualTo(4 * WORK);
    }

    @Test
    void whoIsToldToStopRestsNoMore() {
        Thread.currentThread().interrupt();
        Rest.after(RestTest::work, 400);
        assertThat(Thread.interrupted()).as("and still knows it").isTrue();
    }
}
