package org.hiddenclerk.core.schedule;

import java.time.DayOfWeek;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.util.EnumSet;
import java.util.Set;

/** When something is due, again and again, by the clocks of the house. */
public sealed interface Schedule {
    /** Every day that is named, at a time of the clock. */
    record Daily(LocalTime at, Set<DayOfWeek> days) implements Schedule {
        public Daily {
            days = copy(days);
        }
    }

    /** Every day that is named on which the sun rises or sets. */
    record BySun(SunEvent event, int offsetMinutes, Set<DayOfWeek> days) implements Schedule {
        public BySun {
            days = copy(days);
        }
    }

    /**
     * As a recurrence rule says.
     *
     * @param first the first time, by the clocks of the house
     * @param rule  RFC 5545, 3.3.10, without its name
     */
    record Recurring(LocalDateTime first, String rule) implements Schedule {}

    /** What the sun does. */
    enum SunEvent {
        SUNRISE,
        SUNSET;

        public String label() {
            return name().toLowerCase(java.util.Locale.ROOT);
        }
    }

    private static Set<DayOfWeek> copy(Set<DayOfWeek> days) {
        return java.util.Collections.unmodifiableSet(
                days.isEmpty() ? EnumSet.allOf(DayOfWeek.class) : EnumSet.copyOf(days));
    }
}
