package org.hiddenclerk.app.stage.rules;

import java.io.IOException;
import java.io.StringReader;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.DayOfWeek;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.OffsetDateTime;
import java.time.ZonedDateTime;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import net.fortuna.ical4j.data.CalendarBuilder;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.data.ParserException;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Component;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.TimeZoneRegistryFactory;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.RRule;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Uid;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Action;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.rules.SentencePart;
import org.hiddenclerk.core.rules.Trigger;
import org.hiddenclerk.core.rules.Words;
import org.hiddenclerk.core.schedule.Location;
import org.hiddenclerk.core.schedule.Occurrences;
import org.hiddenclerk.core.schedule.Schedule;

/** Schedules of rules as iCalendar (RFC 5545), and events of a calendar as schedules. */
final class RuleCalendar {
    /** The sun follows no recurrence: so many of its times are written one by one. */
    private static final int SUN_TIMES = 60;

    static {
        // The library's own cache needs a package that is not here.
        System.setProperty("net.fortuna.ical4j.timezone.cache.impl", "net.fortuna.ical4j.util.MapTimeZoneCache");
    }

    private RuleCalendar() {}

    static String write(RuledHouse house, Location where, Instant now) {
        Calendar calendar = new Calendar()
                .withProdId("-//Hidden Clerk//schedules//EN")
                .withDefaults()
                .getFluentTarget();
        Optional.ofNullable(TimeZoneRegistryFactory.getInstance()
                        .createRegistry()
                        .getTimeZone(where.zone().getId()))
                .ifPresent(zone -> calendar.add(zone.getVTimeZone()));
        for (Rule rule : house.rules()) {
            for (Trigger trigger : rule.triggers()) {
                if (rule.enabled() && trigger instanceof Trigger.Due due) {
                    events(rule, due.schedule(), where, now).forEach(event -> {
                        event.add(new Description(SentencePart.plain(Words.of(house, rule))));
                        calendar.add(event);
                    });
                }
            }
        }
        StringWriter text = new StringWriter();
        try {
            new CalendarOutputter(false).output(calendar, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static List<VEvent> events(Rule rule, Schedule schedule, Location where, Instant now) {
        List<VEvent> events = new ArrayList<>();
        if (schedule instanceof Schedule.BySun) {
            Occurrences.next(schedule, where, now, SUN_TIMES)
                    .forEach(at -> events.add(event(rule, at, Optional.empty())));
        } else if (schedule instanceof Schedule.Daily daily) {
            Occurrences.next(schedule, where, now, 1)
                    .forEach(at -> events.add(event(
                            rule,
                            at,
                            Optional.of(
                                    daily.days().size() == 7
                                            ? "FREQ=DAILY"
                                            : "FREQ=WEEKLY;BYDAY="
                                                    + daily.days().stream()
                                                            .map(RuleCalendar::day)
                                                            .collect(Collectors.joining(","))))));
        } else {
            Schedule.Recurring recurring = (Schedule.Recurring) schedule;
            events.add(event(rule, recurring.first().atZone(where.zone()), Optional.of(recurring.rule())));
        }
        return events;
    }

    private static String day(DayOfWeek day) {
        return day.name().substring(0, 2);
    }

    private static VEvent event(Rule rule, ZonedDateTime at, Optional<String> recurrence) {
        VEvent event = new VEvent(at, rule.name());
        event.add(new Uid(UUID.nameUUIDFromBytes((rule.id() + at).getBytes(StandardCharsets.UTF_8)) + "@hidden-clerk"));
        recurrence.ifPresent(text -> event.add(new RRule<ZonedDateTime>(text)));
        return event;
    }

    /**
     * A rule for each event, not acting yet: it switches the first light, until somebody says what it is to do.
     *
     * @throws IllegalArgumentException for what is no calendar, and for a house without an output
     */
    static List<Rule> read(String text, RuledHouse house, Location where) {
        OutputId light = house.outputs().values().stream()
                .filter(output -> output.drives() == Device.Drives.LIGHT)
                .map(Device.Output::id)
                .findFirst()
                .or(() -> house.outputs().keySet().stream().findFirst())
                .orElseThrow(() -> new IllegalArgumentException("Nothing in this house can be switched yet."));
        Calendar calendar;
        try {
            calendar = new CalendarBuilder().build(new StringReader(text));
        } catch (IOException | ParserException | RuntimeException e) {
            throw new IllegalArgumentException("This is no iCalendar text: " + e.getMessage(), e);
        }
        List<Rule> rules = new ArrayList<>();
        for (Object each : calendar.getComponents(Component.VEVENT)) {
            VEvent event = (VEvent) each;
            String name = event.<Summary>getProperty(Property.SUMMARY)
                    .map(Summary::getValue)
                    .filter(value -> !value.isBlank())
                    .orElse("From a calendar");
            LocalDateTime first = event.<DtStart<Temporal>>getProperty(Property.DTSTART)
                    .map(start -> local(start.getDate(), where))
                    .orElseThrow(() -> new IllegalArgumentException("The event \"" + name + "\" has no DTSTART."));
            String recurrence =
                    event.getProperty(Property.RRULE).map(Property::getValue).orElse("FREQ=DAILY;COUNT=1");
            rules.add(new Rule(
                    "r" + UUID.randomUUID().toString().substring(0, 8),
                    name.length() > 80 ? name.substring(0, 80) : name,
                    Rule.RunsOn.HUB,
                    List.of(new Trigger.Due(new Schedule.Recurring(first, recurrence))),
                    List.of(),
                    List.of(new Rule.Deed(new Action.Turn(light, Action.Command.ON), 0)),
                    false));
        }
        return rules;
    }

    /** A time of another zone is read by the clocks of the house; a day without a time begins with the day. */
    private static LocalDateTime local(Temporal start, Location where) {
        if (start instanceof LocalDate date) {
            return date.atTime(LocalTime.MIDNIGHT);
        } else if (start instanceof LocalDateTime floating) {
            return floating;
        } else if (start instanceof OffsetDateTime offset) {
            return offset.atZoneSameInstant(where.zone()).toLocalDateTime();
        } else if (start instanceof Instant instant) {
            return instant.atZone(where.zone()).toLocalDateTime();
        }
        return ((ZonedDateTime) start).withZoneSameInstant(where.zone()).toLocalDateTime();
    }
}
