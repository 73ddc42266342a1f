package org.hiddenclerk.app.feel;

import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.List;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.Event;
import org.hiddenclerk.core.behaviour.Household;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;

/**
 * What is wanted of one switch input.
 *
 * @param recorded sequences that somebody kept, to play them again
 */
record FeelDocument(@NotNull Household.Want want, @NotNull Household.RemoteUse remote, @NotNull @Valid ParametersEntry parameters,
                    @NotNull @Size(max = 20) List<@Valid @NotNull SequenceEntry> recorded) {
    static final FeelDocument USUAL = new FeelDocument(Household.Want.ANY_FLIP, Household.RemoteUse.SOMETIMES, ParametersEntry.of(Parameters.USUAL), List.of());

    FeelDocument {
        recorded = recorded == null ? null : List.copyOf(recorded);
    }

    /** Times in milliseconds. */
    record ParametersEntry(@Min(0) @Max(1_000) long debounceMs, @NotNull Contact rest, boolean inverted, @Min(1) @Max(10_000) long holdMs,
                           @Min(1_000) @Max(86_400_000) long runOnMs, boolean pressStops, @Min(0) @Max(1_000) long minimumBlinkMs, @Min(0) @Max(10_000) long holdUpMs,
                           @Min(1) @Max(10_000) long reversePauseMs, @NotNull PowerOn powerOn) {
        static ParametersEntry of(Parameters p) {
            return new ParametersEntry(p.debounceMs(), p.rest(), p.inverted(), p.holdMs(), p.runOnMs(), p.pressStops(), p.minimumBlinkMs(), p.holdUpMs(), p.reversePauseMs(),
                    p.powerOn());
        }

        /** @throws IllegalArgumentException when they contradict each other */
        Parameters parameters() {
            return new Parameters(debounceMs, rest, inverted, holdMs, runOnMs, pressStops, minimumBlinkMs, holdUpMs, reversePauseMs, powerOn);
        }
    }

    record EventEntry(@Min(0) @Max(86_400_000) long atMs, @NotNull Event.Deed deed, @Min(1) @Max(2) int input) {
        static EventEntry of(Event event) {
            return new EventEntry(event.atMs(), event.deed(), event.input());
        }
    }

    record SequenceEntry(@NotBlank @Size(max = 80) String name, @NotNull @Size(max = 200) List<@Valid @NotNull EventEntry> events, @Min(0) @Max(86_400_000) long untilMs) {
        SequenceEntry {
            events = events == null ? null : List.copyOf(events);
        }
    }
}
