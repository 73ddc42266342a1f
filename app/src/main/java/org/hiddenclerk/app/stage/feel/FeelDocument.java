package org.hiddenclerk.app.stage.feel;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.Event;
import org.hiddenclerk.core.behaviour.Household;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.behaviour.Scenario;

/**
 * What is wanted of one switch input.
 *
 * @param other    what others of the household want, where they are of two schools
 * @param week     how often an occasion comes in a week; once where nobody said
 * @param recorded sequences that somebody kept, to play them again
 */
record FeelDocument(
        @NotNull Household.Want want,
        @MayBeAbsent Household.Want other,
        @NotNull Household.RemoteUse remote,
        @MayBeAbsent @Size(max = 20) Map<Scenario, @NotNull @Min(0) @Max(200) Integer> week,
        @NotNull @Valid ParametersEntry parameters,
        @NotNull @Size(max = 20) List<@Valid @NotNull SequenceEntry> recorded) {
    static final FeelDocument USUAL = new FeelDocument(
            Household.Want.ANY_FLIP,
            null,
            Household.RemoteUse.SOMETIMES,
            Map.of(),
            ParametersEntry.of(Parameters.USUAL),
            List.of());

    FeelDocument {
        week = week == null ? Map.of() : Map.copyOf(week);
        recorded = recorded == null ? null : List.copyOf(recorded);
    }

    Household household() {
        return new Household(want, Optional.ofNullable(other), remote, week);
    }

    /** Times in milliseconds. */
    record ParametersEntry(
            @Min(0) @Max(1_000) long debounceMs,
            @NotNull Contact rest,
            boolean inverted,
            @Min(1) @Max(10_000) long holdMs,
            @Min(1_000) @Max(86_400_000) long runOnMs,
            boolean pressStops,
            @Min(0) @Max(1_000) long minimumBlinkMs,
            @Min(0) @Max(10_000) long holdUpMs,
            @Min(1) @Max(10_000) long reversePauseMs,
            @NotNull PowerOn powerOn) {
        static ParametersEntry of(Parameters p) {
            return new ParametersEntry(
                    p.debounceMs(),
                    p.rest(),
                    p.inverted(),
                    p.holdMs(),
                    p.runOnMs(),
                    p.pressStops(),
                    p.minimumBlinkMs(),
                    p.holdUpMs(),
                    p.reversePauseMs(),
                    p.powerOn());
        }

        /** @throws IllegalArgumentException when they contradict each other */
        Parameters parameters() {
            return new Parameters(
                    debounceMs,
                    rest,
                    inverted,
                    holdMs,
                    runOnMs,
                    pressStops,
                    minimumBlinkMs,
                    holdUpMs,
                    reversePauseMs,
                    powerOn);
        }
    }

    record EventEntry(@Min(0) @Max(86_400_000) long atMs, @NotNull Event.Type deed, @Min(1) @Max(2) int input) {
        static EventEntry of(Event event) {
            return new EventEntry(event.atMs(), event.deed(), event.input());
        }
    }

    record SequenceEntry(
            @NotBlank @Size(max = 80) String name,
            @NotNull @Size(max = 200) List<@Valid @NotNull EventEntry> events,
            @Min(0) @Max(86_400_000) long untilMs) {
        SequenceEntry {
            events = events == null ? null : List.copyOf(events);
        }
    }
}
