package org.hiddenclerk.app.platform.accounts;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import org.hiddenclerk.app.testing.HeldClock;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;

/** Waiting grows with every failure, for the account and for the address, and ends with a success. */
@WithDatabase
class LoginThrottleTest {
    private static final String ACCOUNT = "vane";
    private static final String ADDRESS = "192.0.2.7";

    @Autowired
    private LoginFailureRepository failures;

    private final HeldClock clock = HeldClock.hold();

    @AfterEach
    void forget() {
        failures.deleteAll();
        clock.close();
    }

    @Test
    void fiveTriesAreFreeThenEachWaitsTwiceAsLong() {
        LoginThrottle throttle = new LoginThrottle(failures, clock);
        fail(throttle, 4);
        assertThat(throttle.waitFor(ACCOUNT, ADDRESS)).isZero();
        fail(throttle, 1);
        assertThat(throttle.waitFor(ACCOUNT, ADDRESS)).isEqualTo(Duration.ofSeconds(15));
        fail(throttle, 1);
        assertThat(throttle.waitFor(ACCOUNT, ADDRESS)).isEqualTo(Duration.ofSeconds(30));
        fail(throttle, 20);
        assertThat(throttle.waitFor(ACCOUNT, ADDRESS)).as("bounded").isEqualTo(Duration.ofSeconds(15 * 64));
    }

    @Test
    void theWaitRunsOut() {
        LoginThrottle throttle = new LoginThrottle(failures, clock);
        fail(throttle, 5);
        clock.passes(Duration.ofSeconds(16));

        assertThat(throttle.waitFor(ACCOUNT, ADDRESS)).isZero();
    }

    @Test
    void manyNamesFromOneAddressAreSlowedDownToo() {
        LoginThrottle throttle = new LoginThrottle(failures, clock);
        for (int i = 0; i < 20; i++) {
            throttle.failed("name" + i, ADDRESS);
        }

        assertThat(throttle.waitFor("another", ADDRESS)).isEqualTo(Duration.ofSeconds(15));
        assertThat(throttle.waitFor("another", "192.0.2.8")).isZero();
    }

    @Test
    void aSuccessForgetsAndCaseDoesNotMatter() {
        LoginThrottle throttle = new LoginThrottle(failures, clock);
        fail(throttle, 6);
        assertThat(throttle.waitFor("VANE", "192.0.2.9")).isPositive();

        throttle.succeeded(ACCOUNT, ADDRESS);

        assertThat(throttle.waitFor(ACCOUNT, ADDRESS)).isZero();
    }

    private static void fail(LoginThrottle throttle, int times) {
        for (int i = 0; i < times; i++) {
            throttle.failed(ACCOUNT, ADDRESS);
        }
    }
}
