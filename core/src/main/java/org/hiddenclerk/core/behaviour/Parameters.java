package org.hiddenclerk.core.behaviour;

import java.util.ArrayList;
import java.util.List;

/**
 * How a behaviour is set. Times in milliseconds; a behaviour that has no use for one ignores it.
 *
 * @param debounceMs     a contact change counts once it has stayed for so long
 * @param rest           where the contact stands when nobody touches it
 * @param inverted       reverses POSITION_RULES only
 * @param holdMs         from here on a press is long
 * @param runOnMs        how long RUN_ON keeps it on
 * @param pressStops     whether a press ends a run-on early
 * @param minimumBlinkMs a shorter loss of supply is nothing
 * @param holdUpMs       a longer one is a real loss
 * @param reversePauseMs between one direction and the other
 */
public record Parameters(
        long debounceMs,
        Contact rest,
        boolean inverted,
        long holdMs,
        long runOnMs,
        boolean pressStops,
        long minimumBlinkMs,
        long holdUpMs,
        long reversePauseMs,
        PowerOn powerOn) {
    public static final Parameters USUAL =
            new Parameters(30, Contact.OPEN, false, 500, 300_000, false, 20, 400, 500, PowerOn.OFF);

    /** A value that cannot be, with what may be instead. */
    public record Problem(String parameter, String found, String expected) {}

    /** What is wrong with values before they are put together. */
    public static List<Problem> problems(
            long debounceMs, long holdMs, long runOnMs, long minimumBlinkMs, long holdUpMs, long reversePauseMs) {
        List<Problem> problems = new ArrayList<>();
        atLeast(problems, "debounceMs", debounceMs, 0);
        atLeast(problems, "holdMs", holdMs, 1);
        atLeast(problems, "runOnMs", runOnMs, 1);
        atLeast(problems, "minimumBlinkMs", minimumBlinkMs, 0);
        atLeast(problems, "holdUpMs", holdUpMs, 0);
        atLeast(problems, "reversePauseMs", reversePauseMs, 1);
        if (minimumBlinkMs > holdUpMs && holdUpMs >= 0) {
            problems.add(new Problem(
                    "minimumBlinkMs", minimumBlinkMs + " ms", "not above the hold-up time, " + holdUpMs + " ms"));
        }
        return problems;
    }

    private static void atLeast(List<Problem> problems, String parameter, long value, long least) {
        if (value < least) {
            problems.add(new Problem(parameter, value + " ms", "at least " + least + " ms"));
        }
    }

    public Parameters {
        problems(debounceMs, holdMs, runOnMs, minimumBlinkMs, holdUpMs, reversePauseMs).stream()
                .findFirst()
                .ifPresent(problem -> {
                    throw new IllegalArgumentException("The parameter " + problem.parameter() + " (" + problem.found()
                            + ") must be " + problem.expected() + ".");
                });
    }

    public Parameters withPowerOn(PowerOn other) {
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
                other);
    }

    public Parameters withRunOn(long ms) {
        return new Parameters(
                debounceMs, rest, inverted, holdMs, ms, pressStops, minimumBlinkMs, holdUpMs, reversePauseMs, powerOn);
    }

    Parameters withoutDebounce() {
        return new Parameters(
                0, rest, inverted, holdMs, runOnMs, pressStops, minimumBlinkMs, holdUpMs, reversePauseMs, powerOn);
    }

    boolean isActive(Contact contact) {
        return contact != rest;
    }
}
