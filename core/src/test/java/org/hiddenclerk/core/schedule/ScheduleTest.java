package org.hiddenclerk.core.schedule;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.format.DateTimeFormatter;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * Sun against values computed by the published low-precision formulas (NOAA, Meeus); recurrences against the
 * examples of RFC 5545, 3.8.5.3.
 */
class ScheduleTest {
    private static final Location NEW_YORK = new Location(40.7128, -74.006, ZoneId.of("America/New_York"));
    private static final Location HELSINKI = new Location(60.1699, 24.9384, ZoneId.of("Europe/Helsinki"));

    @ParameterizedTest
    @CsvSource(
            textBlock =
                    """
            SN-1,Europe/Helsinki,60.1699,24.9384,2026-03-28,+02:00,05:58,12:25,18:54
            SN-2,Europe/Helsinki,60.1699,24.9384,2026-03-29,+03:00,06:55,13:25,19:57
            SN-3,Europe/Helsinki,60.1699,24.9384,2026-06-21,+03:00,03:54,13:22,22:50
            SN-4,Europe/Helsinki,60.1699,24.9384,2026-10-25,+02:00,07:25,12:04,16:43
            SN-5,Europe/Helsinki,60.1699,24.9384,2026-12-21,+02:00,09:24,12:18,15:13
            SN-6,America/New_York,40.7128,-74.006,2026-03-07,-05:00,06:20,12:07,17:54
            SN-7,America/New_York,40.7128,-74.006,2026-03-08,-04:00,07:19,13:07,18:55
            SN-8,America/New_York,40.7128,-74.006,2026-06-21,-04:00,05:25,12:58,20:31
            SN-9,America/New_York,40.7128,-74.006,2026-11-01,-05:00,06:26,11:40,16:52
            SN-10,Australia/Sydney,-33.8688,151.2093,2026-04-05,+10:00,06:10,11:58,17:45
            SN-11,Australia/Sydney,-33.8688,151.2093,2026-10-04,+11:00,06:29,12:44,19:00
            SN-12,Australia/Sydney,-33.8688,151.2093,2026-12-21,+11:00,05:41,12:53,20:05
            SN-13,Pacific/Auckland,-36.8485,174.7633,2026-04-05,+12:00,06:37,12:24,18:10
            SN-14,Pacific/Auckland,-36.8485,174.7633,2026-09-27,+13:00,07:04,13:12,19:21
            SN-15,Europe/London,51.5074,-0.1278,2026-02-14,+00:00,07:16,12:15,17:14
            SN-16,America/Guayaquil,-0.1807,-78.4678,2026-01-15,-05:00,06:19,12:23,18:27
            SN-17,Asia/Kolkata,28.6139,77.209,2026-08-15,+05:30,05:50,12:26,19:01
            SN-18,America/Sao_Paulo,-23.5505,-46.6333,2026-06-21,-03:00,06:48,12:08,17:29
            SN-19,Pacific/Apia,-13.8333,-171.7667,2026-06-21,+13:00,06:49,12:29,18:08
            SN-20,Atlantic/Reykjavik,64.1466,-21.9426,2026-06-21,+00:00,02:55,13:30,00:04 (next day)
            SN-21,Europe/Helsinki,69.909,27.027,2026-06-21,+03:00,none sun up,13:14,none sun up
            SN-22,Europe/Helsinki,69.909,27.027,2026-12-21,+02:00,none sun down,12:10,none sun down
            """)
    void sun(
            String id,
            String zone,
            double latitude,
            double longitude,
            LocalDate date,
            String offset,
            String rise,
            String noon,
            String set) {
        SunDay day = SunDay.of(new Location(latitude, longitude, ZoneId.of(zone)), date);
        Duration tolerance = Duration.ofMinutes(Math.abs(latitude) > 60 ? 3 : 2);
        assertThat(day.noon().getOffset()).isEqualTo(ZoneOffset.of(offset));
        near(day.noon(), date, noon, tolerance);
        if (rise.startsWith("none")) {
            assertThat(day.rise()).isEmpty();
            assertThat(day.set()).isEmpty();
            assertThat(day.isUp()).isEqualTo(rise.endsWith("up"));
        } else {
            near(day.rise().orElseThrow(), date, rise, tolerance);
            near(day.set().orElseThrow(), date, set, tolerance);
        }
    }

    private static void near(ZonedDateTime actual, LocalDate date, String expected, Duration tolerance) {
        LocalDateTime local = (expected.endsWith("(next day)") ? date.plusDays(1) : date)
                .atTime(LocalTime.parse(expected.substring(0, 5)));
        // Minutes are rounded in the table.
        assertThat(Duration.between(local, actual.toLocalDateTime()).abs())
                .as(actual + " and " + expected)
                .isLessThanOrEqualTo(tolerance.plusSeconds(30));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            RR-1 | 19970902 | FREQ=DAILY;INTERVAL=10;COUNT=5 | 1997-09-02 1997-09-12 1997-09-22 1997-10-02 1997-10-12
            RR-2 | 19970902 | FREQ=WEEKLY;COUNT=10 | 1997-09-02 1997-09-09 1997-09-16 1997-09-23 1997-09-30 1997-10-07 1997-10-14 1997-10-21 1997-10-28 1997-11-04
            RR-3 | 19970902 | FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH | 1997-09-02 1997-09-04 1997-09-16 1997-09-18 1997-09-30 1997-10-02 1997-10-14 1997-10-16
            RR-4 | 19970905 | FREQ=MONTHLY;COUNT=10;BYDAY=1FR | 1997-09-05 1997-10-03 1997-11-07 1997-12-05 1998-01-02 1998-02-06 1998-03-06 1998-04-03 1998-05-01 1998-06-05
            RR-5 | 19970922 | FREQ=MONTHLY;COUNT=6;BYDAY=-2MO | 1997-09-22 1997-10-20 1997-11-17 1997-12-22 1998-01-19 1998-02-16
            RR-6 | 19970930 | FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1 | 1997-09-30 1997-10-01 1997-10-31 1997-11-01 1997-11-30 1997-12-01 1997-12-31 1998-01-01 1998-01-31 1998-02-01
            RR-7 | 19970904 | FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3 | 1997-09-04 1997-10-07 1997-11-06
            RR-8 | 19970805 | FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO | 1997-08-05 1997-08-10 1997-08-19 1997-08-24
            RR-9 | 19970805 | FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU | 1997-08-05 1997-08-17 1997-08-19 1997-08-31
            RR-10 | 20070115 | FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5 | 2007-01-15 2007-01-30 2007-02-15 2007-03-15 2007-03-30
            RR-11 | 19970101 | FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200 | 1997-01-01 1997-04-10 1997-07-19 2000-01-01 2000-04-09 2000-07-18 2003-01-01 2003-04-10 2003-07-19 2006-01-01
            RR-12 | 20260131 | FREQ=MONTHLY;COUNT=4 | 2026-01-31 2026-03-31 2026-05-31 2026-07-31
            RR-13 | 20260131 | FREQ=MONTHLY;BYMONTHDAY=-1;COUNT=4 | 2026-01-31 2026-02-28 2026-03-31 2026-04-30
            """)
    void recurrences(String id, String first, String rule, String dates) {
        LocalDateTime start =
                LocalDate.parse(first, DateTimeFormatter.BASIC_ISO_DATE).atTime(9, 0);
        List<ZonedDateTime> all = Occurrences.next(new Schedule.Recurring(start, rule), NEW_YORK, Instant.EPOCH, 50);
        assertThat(all.stream().map(ZonedDateTime::toLocalDate))
                .containsExactlyElementsOf(
                        Arrays.stream(dates.split(" ")).map(LocalDate::parse).toList());
        assertThat(all).allSatisfy(at -> assertThat(at.toLocalTime()).isEqualTo(LocalTime.of(9, 0)));
    }

    private static List<String> utc(Schedule schedule, Location where, String from, int count) {
        return Occurrences.next(schedule, where, Instant.parse(from), count).stream()
                .map(at -> at.toInstant().toString())
                .toList();
    }

    private static Schedule daily(String at) {
        return new Schedule.Daily(LocalTime.parse(at), Set.of());
    }

    @Test
    void clocksThatChange() {
        assertThat(utc(
                        new Schedule.Recurring(LocalDateTime.parse("2007-03-11T02:30:00"), "FREQ=DAILY;COUNT=1"),
                        NEW_YORK,
                        "2007-01-01T00:00:00Z",
                        1))
                .as("DT-1, RFC 5545 3.3.5")
                .containsExactly("2007-03-11T07:30:00Z");
        assertThat(utc(
                        new Schedule.Recurring(LocalDateTime.parse("2007-11-04T01:30:00"), "FREQ=DAILY;COUNT=1"),
                        NEW_YORK,
                        "2007-01-01T00:00:00Z",
                        1))
                .as("DT-2, RFC 5545 3.3.5")
                .containsExactly("2007-11-04T05:30:00Z");
        assertThat(utc(
                        new Schedule.Recurring(LocalDateTime.parse("2007-03-10T02:30:00"), "FREQ=DAILY;COUNT=2"),
                        NEW_YORK,
                        "2007-01-01T00:00:00Z",
                        5))
                .as("DT-3, RFC 5545 3.3.10")
                .containsExactly("2007-03-10T07:30:00Z", "2007-03-12T06:30:00Z");
        assertThat(utc(daily("06:30"), NEW_YORK, "2026-03-07T06:00:00Z", 3))
                .as("DT-4")
                .containsExactly("2026-03-07T11:30:00Z", "2026-03-08T10:30:00Z", "2026-03-09T10:30:00Z");
        assertThat(utc(daily("02:30"), HELSINKI, "2026-03-28T22:00:00Z", 1))
                .as("DT-5")
                .containsExactly("2026-03-29T00:30:00Z");
        assertThat(utc(daily("03:30"), HELSINKI, "2026-10-24T22:00:00Z", 2))
                .as("DT-6, the first of the two")
                .containsExactly("2026-10-25T00:30:00Z", "2026-10-26T01:30:00Z");
    }

    @Test
    void whatNoRuleMayBe() {
        assertThat(Occurrences.problem("FREQ=DAILY;COUNT=2;UNTIL=20260101T000000Z"))
                .as("DT-7, RFC 5545 3.3.10")
                .isPresent();
        assertThat(Occurrences.problem("FREQ=SOMETIMES")).isPresent();
        assertThat(Occurrences.problem("")).isPresent();
        assertThat(Occurrences.problem("FREQ=WEEKLY;BYDAY=MO")).isEqualTo(Optional.empty());
        assertThatThrownBy(() -> utc(
                        new Schedule.Recurring(LocalDateTime.parse("2026-01-01T00:00:00"), "FREQ=NEVER"),
                        HELSINKI,
                        "2026-01-01T00:00:00Z",
                        1))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Location(91, 0, ZoneId.of("UTC"))).isInstanceOf(IllegalArgumentException.class);
    }

    @Test
    void untilIsTheLastThatMayBe() {
        assertThat(utc(
                        new Schedule.Recurring(
                                LocalDateTime.parse("1997-09-02T09:00:00"), "FREQ=DAILY;UNTIL=19970904T130000Z"),
                        NEW_YORK,
                        "1997-01-01T00:00:00Z",
                        9))
                .hasSize(3);
        assertThat(utc(
                        new Schedule.Recurring(
                                LocalDateTime.parse("1997-09-02T09:00:00"), "FREQ=DAILY;UNTIL=19970904T125959Z"),
                        NEW_YORK,
                        "1997-01-01T00:00:00Z",
                        9))
                .hasSize(2);
    }

    @Test
    void sunsetWithAnOffsetFollowsTheSeasonAndTheNamedDays() {
        Schedule evening =
                new Schedule.BySun(Schedule.SunEvent.SUNSET, -30, Set.of(DayOfWeek.SATURDAY, DayOfWeek.SUNDAY));
        List<ZonedDateTime> next = Occurrences.next(evening, HELSINKI, Instant.parse("2026-03-27T00:00:00Z"), 2);
        assertThat(next)
                .extracting(ZonedDateTime::toLocalDate)
                .containsExactly(LocalDate.parse("2026-03-28"), LocalDate.parse("2026-03-29"));
        assertThat(next.get(0).toLocalTime()).isBetween(LocalTime.of(18, 20), LocalTime.of(18, 28));
        assertThat(next.get(1).toLocalTime()).as("summer time").isBetween(LocalTime.of(19, 23), LocalTime.of(19, 31));
    }

    @Test
    void aSunThatDoesNotRiseIsWaitedFor() {
        Location north = new Location(69.909, 27.027, ZoneId.of("Europe/Helsinki"));
        Schedule rise = new Schedule.BySun(Schedule.SunEvent.SUNRISE, 0, Set.of());
        ZonedDateTime next = Occurrences.next(rise, north, Instant.parse("2026-12-10T00:00:00Z"), 1)
                .get(0);
        assertThat(next.toLocalDate()).isBetween(LocalDate.parse("2027-01-10"), LocalDate.parse("2027-01-25"));
    }
}
