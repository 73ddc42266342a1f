package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;

/**
 * One step of a run sheet.
 *
 * @param id       unique within the sheet
 * @param phase    part of the work it belongs to
 * @param title    what is done
 * @param detail   how, and what to watch
 * @param gate     whether everything behind it waits for it
 * @param confirms what must be confirmed one by one
 * @param readings what must be measured
 * @param effect   what it does to the circuits
 * @param leavable whether it may be left out with a reason: what cannot be measured everywhere
 * @param box      the box that all of it is done at; empty when it is done at several, or at the board
 */
public record Step(
        String id,
        Phase phase,
        String title,
        String detail,
        boolean gate,
        List<Confirm> confirms,
        List<Reading> readings,
        Effect effect,
        boolean leavable,
        String box) {
    public Step(
            String id,
            Phase phase,
            String title,
            String detail,
            boolean gate,
            List<Confirm> confirms,
            List<Reading> readings,
            Effect effect) {
        this(id, phase, title, detail, gate, confirms, readings, effect, false, "");
    }

    public Step {
        confirms = List.copyOf(confirms);
        readings = List.copyOf(readings);
    }

    /**
     * Readings of this step in short, by unit: of what must be low the highest, of insulation the lowest. Empty where nothing was measured.
     *
     * @param values by reading id
     */
    public String inShort(Map<String, BigDecimal> values) {
        Map<String, BigDecimal> worst = new LinkedHashMap<>();
        for (Reading reading : readings) {
            BigDecimal value = values.get(reading.id());
            if (value != null) {
                worst.merge(reading.unit(), value, reading.isLowestThatMatters() ? BigDecimal::min : BigDecimal::max);
            }
        }
        return worst.entrySet().stream()
                .map(e -> (readings.stream().anyMatch(r -> r.unit().equals(e.getKey()) && r.isLowestThatMatters())
                                ? "lowest "
                                : "highest ")
                        + e.getValue().stripTrailingZeros().toPlainString() + "\u2009" + e.getKey())
                .collect(Collectors.joining(", "));
    }

    /** Parts of the work, in order. */
    public enum Phase {
        ISOLATE("Isolate"),
        OPEN("Label and disconnect"),
        WIRE("Wire"),
        FUNCTION("Function test"),
        ISOLATE_AGAIN("Isolate again"),
        CLOSE("Close"),
        FINAL("Energise and test");

        private final String label;

        Phase(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        /** Whether a hand is in the box while it is done, so that its circuits must be dead. */
        public boolean isDeadWork() {
            return this == OPEN || this == WIRE || this == CLOSE;
        }
    }

    /** What a step does to the circuits of the box once it is recorded. */
    public enum Effect {
        NONE,
        /** The circuits are switched off and locked. */
        SWITCHED_OFF,
        /** The circuits are proved dead. */
        PROVED_DEAD,
        /** The circuits are on with the box open. */
        LIVE_WHILE_OPEN,
        /** The circuits are on with the box closed: the work is no longer open. */
        LIVE_AND_CLOSED
    }

    /** Something to confirm. @param box where; empty for what is done at the board or at all boxes */
    public record Confirm(String id, String text, String box) {
        public Confirm(String id, String text) {
            this(id, text, "");
        }
    }

    /**
     * Something to measure.
     *
     * @param id    unique within the step
     * @param text  between what
     * @param unit  unit, fixed
     * @param least lowest reading that passes
     * @param most  highest reading that passes
     * @param box   where; empty for what is read at the board
     */
    public record Reading(String id, String text, String unit, BigDecimal least, BigDecimal most, String box) {
        public Reading(String id, String text, String unit, BigDecimal least, BigDecimal most) {
            this(id, text, unit, least, most, "");
        }

        /** Of insulation little is bad; of volts on a dead core, and of ohms on the way to earth, much. */
        boolean isLowestThatMatters() {
            return unit.equals("M\u03a9");
        }

        /** What passes, in words. */
        String allowed() {
            return (isLowestThatMatters()
                            ? least.toPlainString()
                            : least.toPlainString() + " to " + most.toPlainString())
                    + "\u2009" + unit + (isLowestThatMatters() ? " or more passes" : " passes");
        }

        public boolean passes(BigDecimal value) {
            return value.compareTo(least) >= 0 && value.compareTo(most) <= 0;
        }
    }
}
