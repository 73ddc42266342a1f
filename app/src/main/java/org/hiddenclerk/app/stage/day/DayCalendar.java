package org.hiddenclerk.app.stage.day;

import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.UUID;
import net.fortuna.ical4j.data.CalendarOutputter;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.Description;
import net.fortuna.ical4j.model.property.Location;
import net.fortuna.ical4j.model.property.Uid;
import org.hiddenclerk.app.stage.day.DayDocument.DayView;
import org.hiddenclerk.app.stage.day.DayDocument.DaysView;
import org.hiddenclerk.app.stage.day.DayDocument.VisitView;

/** Days as iCalendar (RFC 5545), times in UTC, so that every calendar shows them right wherever it is. */
final class DayCalendar {
    static {
        // The library's own cache needs a package that is not here.
        System.setProperty("net.fortuna.ical4j.timezone.cache.impl", "net.fortuna.ical4j.util.MapTimeZoneCache");
    }

    private DayCalendar() {}

    static String of(DaysView days, ZoneId zone, UUID job, String house) {
        Calendar calendar = new Calendar()
                .withProdId("-//Hidden Clerk//days on site//EN")
                .withDefaults()
                .getFluentTarget();
        for (DayView day : days.days()) {
            for (VisitView visit : day.visits()) {
                VEvent event =
                        new VEvent(at(day.date(), visit.from(), zone), at(day.date(), visit.to(), zone), visit.words());
                event.add(new Uid(UUID.nameUUIDFromBytes((job + visit.words() + visit.kind() + day.date())
                                .getBytes(java.nio.charset.StandardCharsets.UTF_8))
                        + "@hidden-clerk"));
                event.add(new Location(house));
                event.add(new Description(visit.person()
                        + (visit.circuits().isEmpty() ? "" : "; circuits " + String.join(", ", visit.circuits()))));
                calendar.add(event);
            }
        }
        StringWriter text = new StringWriter();
        try {
            new CalendarOutputter(true).output(calendar, text);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static Instant at(LocalDate date, int minute, ZoneId zone) {
        return date.atStartOfDay().plusMinutes(minute).atZone(zone).toInstant();
    }
}
