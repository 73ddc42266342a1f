package org.hiddenclerk.core.schedule;

import java.time.Duration;
import java.time.LocalDate;
import java.time.ZonedDateTime;
import java.util.Optional;
import org.shredzone.commons.suncalc.SunTimes;

/**
 * The sun of one day: upper limb, refraction of a standard atmosphere, at sea level. Rise and set belong to the noon of the local
 * date, so a set after midnight carries the next date.
 *
 * @param rise empty where the sun stays up or down
 * @param set  empty where the sun stays up or down
 * @param isUp whether it is up at noon
 */
public record SunDay(Optional<ZonedDateTime> rise, ZonedDateTime noon, Optional<ZonedDateTime> set, boolean isUp) {
    private static final Duration HALF_A_DAY = Duration.ofHours(12);

    /** By the library commons-suncalc, which follows Montenbruck and Pfleger, Astronomy on the Personal Computer (its own statement). */
    public static SunDay of(Location where, LocalDate date) {
        ZonedDateTime noon = times(where, date.atStartOfDay(where.zone()), Duration.ofHours(24))
                .getNoon();
        if (noon == null) {
            noon = date.atTime(12, 0).atZone(where.zone());
        }
        SunTimes morning = times(where, noon.minus(HALF_A_DAY), HALF_A_DAY);
        SunTimes evening = times(where, noon, HALF_A_DAY);
        boolean isUp = !morning.isAlwaysDown() && !evening.isAlwaysDown() || morning.getRise() != null;
        return new SunDay(Optional.ofNullable(morning.getRise()), noon, Optional.ofNullable(evening.getSet()), isUp);
    }

    /** Whether it is up at an instant of this local date. */
    public boolean isUp(ZonedDateTime at) {
        boolean beforeRise = rise.filter(at::isBefore).isPresent();
        boolean afterSet = set.filter(at::isAfter).isPresent();
        return (isUp || rise.isPresent() || set.isPresent()) && !beforeRise && !afterSet;
    }

    private static SunTimes times(Location where, ZonedDateTime from, Duration limit) {
        return SunTimes.compute()
                .on(from)
                .timezone(where.zone())
                .at(where.latitude(), where.longitude())
                .limit(limit)
                .execute();
    }
}
