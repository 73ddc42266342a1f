package org.hiddenclerk.app.testing;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.config.BeanPostProcessor;

/**
 * The clock of the application under test. It goes, unless a test holds it: what changes every so many seconds is
 * then tested without waiting.
 */
public final class HeldClock extends Clock implements BeanPostProcessor, AutoCloseable {
    private static volatile @Nullable Instant held;

    /** Holds the clock until this is closed. */
    public static HeldClock hold() {
        held = Instant.now().truncatedTo(ChronoUnit.SECONDS);
        return new HeldClock();
    }

    /** Lets time pass while it is held. */
    public void passes(Duration time) {
        held = instant().plus(time);
    }

    @Override
    public void close() {
        held = null;
    }

    @Override
    public Instant instant() {
        Instant now = held;
        return now == null ? Instant.now() : now;
    }

    @Override
    public ZoneId getZone() {
        return ZoneOffset.UTC;
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return this;
    }

    @Override
    public Object postProcessAfterInitialization(Object bean, String name) {
        return bean instanceof Clock ? this : bean;
    }
}
