package org.hiddenclerk.app.platform.operations;

import java.time.Clock;
import java.time.Duration;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;

/** The time of the clerk: that of the machine. It can be put wrong on purpose, to see what a clock that jumps does. */
@Configuration
class TheClock {
    @Bean
    Clock clock(@Value("${clerk.clock-wrong-by:PT0S}") Duration wrongBy) {
        return wrongBy.isZero() ? Clock.systemUTC() : Clock.offset(Clock.systemUTC(), wrongBy);
    }
}
