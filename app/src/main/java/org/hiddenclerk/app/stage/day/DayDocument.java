package org.hiddenclerk.app.stage.day;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.day.DayPlan;
import org.hiddenclerk.core.day.DayTask.Norms;

/** Days on site as they are asked for, and as they were planned. Times of day are like 08:30. */
final class DayDocument {
    static final String CLOCK = "([01]\\d|2[0-3]):[0-5]\\d";

    private DayDocument() {}

    record CrewEntry(@NotBlank @Size(max = 60) String name, boolean mayWire) {}

    /** How long things take, in minutes. */
    record NormsEntry(
            @Min(1) @Max(480) int position,
            @Min(0) @Max(480) int place,
            @Min(0) @Max(120) int setUp,
            @Min(1) @Max(120) int isolation,
            @Min(0) @Max(120) int supply,
            @Min(0) @Max(120) int closing) {
        static NormsEntry of(Norms norms) {
            return new NormsEntry(
                    norms.position(), norms.place(), norms.setUp(), norms.isolation(), norms.supply(), norms.closing());
        }

        Norms norms() {
            return new Norms(position, place, setUp, isolation, supply, closing);
        }
    }

    /**
     * What is asked for.
     *
     * @param zone      of the house, by its name in the time zone database
     * @param notBefore when a day is planned anew after a delay: nothing is begun before; left out otherwise
     * @param mostOff   minutes that a circuit may be off, by its label; circuits that are left out may be off all day
     */
    record DayQuestion(
            @NotNull LocalDate date,
            @NotBlank @Size(max = 60) String zone,
            @NotNull @Pattern(regexp = CLOCK) String from,
            @NotNull @Pattern(regexp = CLOCK) String to,
            @NotNull @Pattern(regexp = CLOCK) String daylightFrom,
            @NotNull @Pattern(regexp = CLOCK) String daylightTo,
            @MayBeAbsent @Pattern(regexp = CLOCK) String notBefore,
            @NotNull @Size(min = 1, max = 6) List<@Valid @NotNull CrewEntry> crew,
            @NotNull @Size(max = 100)
                    Map<@NotBlank @Size(max = 40) String, @NotNull @Min(10) @Max(1440) Integer> mostOff,
            @Min(0) @Max(240) int tryOutMinutes,
            @Valid @NotNull NormsEntry norms) {}

    /** What somebody does, from and to in minutes since midnight. */
    record VisitView(
            DayPlan.Kind kind,
            @MayBeAbsent UUID box,
            String words,
            Set<String> circuits,
            String person,
            int from,
            int to) {}

    record OpeningView(Set<String> circuits, int from, int to, List<String> boxes) {}

    record DayView(
            LocalDate date, List<VisitView> visits, List<OpeningView> openings, List<String> notes, boolean optimal) {}

    /** How often a circuit is opened over all days, beside what no plan goes below. */
    record CircuitOpenings(String circuit, int openings, int fewest) {}

    /**
     * @param left works that fit into no day, in words @param openings by circuit; none in plans that were kept
     * before they were counted
     */
    record DaysView(List<DayView> days, List<String> left, List<CircuitOpenings> openings) {
        DaysView {
            openings = openings == null ? List.of() : List.copyOf(openings);
        }
    }
}
