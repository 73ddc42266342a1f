package org.hiddenclerk.core.schedule;

import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.dmfs.rfc5545.DateTime;
import org.dmfs.rfc5545.recur.InvalidRecurrenceRuleException;
import org.dmfs.rfc5545.recur.RecurrenceRule;
import org.dmfs.rfc5545.recur.RecurrenceRuleIterator;

/**
 * The next times of a schedule. A time of the clock that a change of the clocks leaves out is read with the offset before it, one
 * that comes twice is the first (RFC 5545, 3.3.5); an instance of a recurrence that falls into what is left out is none (3.3.10).
 */
public final class Occurrences {
    /** Days that are looked through: sun that does not rise for months must end somewhere. */
    private static final int MOST_DAYS = 800;

    private static final int MOST_INSTANCES = 100_000;

    private Occurrences() {}

    /** At most {@code count} times at or after an instant, in order. */
    public static List<ZonedDateTime> next(Schedule schedule, Location where, Instant from, int count) {
        if (schedule instanceof Schedule.Daily daily) {
            return days(
                    where,
                    from,
                    count,
                    daily.days(),
                    date -> Optional.of(date.atTime(daily.at()).atZone(where.zone())));
        } else if (schedule instanceof Schedule.BySun sun) {
            return days(where, from, count, sun.days(), date -> {
                SunDay day = SunDay.of(where, date);
                return (sun.event() == Schedule.SunEvent.SUNRISE ? day.rise() : day.set())
                        .map(at -> at.plusMinutes(sun.offsetMinutes()));
            });
        }
        return recurring((Schedule.Recurring) schedule, where, from, count);
    }

    private static List<ZonedDateTime> days(
            Location where,
            Instant from,
            int count,
            Set<DayOfWeek> days,
            Function<LocalDate, Optional<ZonedDateTime>> at) {
        List<ZonedDateTime> next = new ArrayList<>();
        LocalDate first = from.atZone(where.zone()).toLocalDate().minusDays(1);
        for (int i = 0; i < MOST_DAYS && next.size() < count; i++) {
            LocalDate date = first.plusDays(i);
            if (days.contains(date.getDayOfWeek())) {
                at.apply(date).filter(time -> !time.toInstant().isBefore(from)).ifPresent(next::add);
            }
        }
        return next;
    }

    /** Why a recurrence rule cannot be; empty when it can. */
    public static Optional<String> problem(String rule) {
        if (rule.contains("COUNT=") && rule.contains("UNTIL=")) {
            return Optional.of("COUNT and UNTIL in one rule (RFC 5545, 3.3.10)");
        }
        try {
            new RecurrenceRule(rule, RecurrenceRule.RfcMode.RFC5545_STRICT);
            return Optional.empty();
        } catch (InvalidRecurrenceRuleException | IllegalArgumentException e) {
            return Optional.of(String.valueOf(e.getMessage()));
        }
    }

    private static List<ZonedDateTime> recurring(
            Schedule.Recurring recurring, Location where, Instant from, int count) {
        problem(recurring.rule()).ifPresent(why -> {
            throw new IllegalArgumentException("The recurrence (" + recurring.rule() + ") cannot be: " + why + ".");
        });
        RecurrenceRule rule = parse(recurring.rule());
        int most = rule.getCount() == null ? Integer.MAX_VALUE : rule.getCount();
        Optional<DateTime> until = Optional.ofNullable(rule.getUntil());
        rule.setUntil(null);
        LocalDateTime first = recurring.first();
        RecurrenceRuleIterator instances = rule.iterator(new DateTime(
                first.getYear(),
                first.getMonthValue() - 1,
                first.getDayOfMonth(),
                first.getHour(),
                first.getMinute(),
                first.getSecond()));
        List<ZonedDateTime> next = new ArrayList<>();
        int counted = 0;
        for (int i = 0; i < MOST_INSTANCES && counted < most && next.size() < count && instances.hasNext(); i++) {
            LocalDateTime local = local(instances.nextDateTime());
            ZonedDateTime at = local.atZone(where.zone());
            if (until.filter(end -> isAfter(at, local, end)).isPresent()) {
                break;
            }
            // The first is what DTSTART says, and read with the offset before a gap; instances made by the rule fall
            // away there.
            if (i == 0 || at.toLocalDateTime().equals(local)) {
                counted++;
                if (!at.toInstant().isBefore(from)) {
                    next.add(at);
                }
            }
        }
        return next;
    }

    private static RecurrenceRule parse(String rule) {
        try {
            return new RecurrenceRule(rule, RecurrenceRule.RfcMode.RFC5545_STRICT);
        } catch (InvalidRecurrenceRuleException e) {
            throw new IllegalStateException("Impossible state: " + rule + " was checked.", e);
        }
    }

    private static LocalDateTime local(DateTime time) {
        return LocalDateTime.of(
                time.getYear(),
                time.getMonth() + 1,
                time.getDayOfMonth(),
                time.getHours(),
                time.getMinutes(),
                time.getSeconds());
    }

    private static boolean isAfter(ZonedDateTime at, LocalDateTime local, DateTime until) {
        if (until.isAllDay()) {
            return local.toLocalDate()
                    .isAfter(LocalDate.of(until.getYear(), until.getMonth() + 1, until.getDayOfMonth()));
        }
        return until.isFloating()
                ? local.isAfter(local(until))
                : at.toInstant().isAfter(local(until).toInstant(ZoneOffset.UTC));
    }
}
