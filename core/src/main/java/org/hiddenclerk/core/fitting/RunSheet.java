package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * A run sheet: steps in a fixed order, and what has been entered.
 *
 * <p>Only the current step can be entered, so no gate can be passed by. A reading outside its limits stops the sheet. A
 * stop voids what was proved: after it the work starts again at the first isolation step still needed, and everything
 * from there on is open again.
 */
public final class RunSheet {
    private final List<Step> steps;
    private final Map<String, Entry.Done> done = new LinkedHashMap<>();
    private Optional<Entry.Stopped> stopped = Optional.empty();

    private RunSheet(List<Step> steps) {
        this.steps = List.copyOf(steps);
    }

    /** What came of trying to enter something. */
    public sealed interface Outcome {
    }

    /**
     * The entry stands.
     *
     * @param entry what to keep: the entry itself, or the stop that its readings caused
     */
    public record Accepted(Entry entry) implements Outcome {
    }

    /**
     * The entry is refused and nothing changes.
     *
     * @param field    what is wrong with it: "stepId", "confirmed", "readings" or "reason"
     * @param found    what it says
     * @param expected what is expected
     */
    public record Refused(String field, String found, String expected) implements Outcome {
    }

    /** The sheet as entries have left it. Entries that were accepted once are accepted again. */
    public static RunSheet replay(List<Step> steps, List<Entry> entries) {
        RunSheet sheet = new RunSheet(steps);
        for (Entry entry : entries) {
            sheet.apply(entry);
        }
        return sheet;
    }

    /** Judges an entry without changing this sheet. */
    public Outcome judge(Entry entry) {
        if (entry instanceof Entry.Done attempt) {
            return judgeDone(attempt);
        }
        if (entry instanceof Entry.Stopped stop) {
            return isFinished() ? new Refused("stepId", stop.stepId(), "nothing: the sheet is finished")
                    : stop.reason().isBlank() ? new Refused("reason", "nothing", "what was found") : new Accepted(stop);
        }
        Entry.Resumed resumed = (Entry.Resumed) entry;
        if (stopped.isEmpty()) {
            return new Refused("reason", "a sheet that is not stopped", "a stopped sheet");
        }
        return resumed.reason().isBlank() ? new Refused("reason", "nothing", "what was put right")
                : new Accepted(resumed);
    }

    private Outcome judgeDone(Entry.Done attempt) {
        if (stopped.isPresent()) {
            return new Refused("stepId", attempt.stepId(), "nothing: the sheet is stopped. Say what was put right first");
        }
        Optional<Step> current = current();
        if (current.isEmpty()) {
            return new Refused("stepId", attempt.stepId(), "nothing: the sheet is finished");
        }
        Step step = current.get();
        if (!step.id().equals(attempt.stepId())) {
            return new Refused("stepId", attempt.stepId(), step.id() + ", the step that is open (" + step.title() + ")");
        }
        for (Step.Confirm confirm : step.confirms()) {
            if (!attempt.confirmed().contains(confirm.id())) {
                return new Refused("confirmed", "not confirmed: " + confirm.text(), confirm.id());
            }
        }
        for (Step.Reading reading : step.readings()) {
            BigDecimal value = attempt.readings().get(reading.id());
            if (value == null) {
                return new Refused("readings", "no reading: " + reading.text(), "a value in " + reading.unit());
            }
            if (!reading.passes(value)) {
                return new Accepted(new Entry.Stopped(step.id(), reading.text() + " reads " + value.toPlainString()
                        + "\u2009" + reading.unit() + "; " + reading.least().toPlainString() + " to "
                        + reading.most().toPlainString() + "\u2009" + reading.unit() + " passes.", attempt.who(),
                        attempt.when()));
            }
        }
        Set<String> unknown = new java.util.TreeSet<>(attempt.readings().keySet());
        step.readings().forEach(reading -> unknown.remove(reading.id()));
        return unknown.isEmpty() ? new Accepted(attempt)
                : new Refused("readings", unknown.iterator().next(), "readings of this step only");
    }

    private void apply(Entry entry) {
        if (entry instanceof Entry.Done entered) {
            done.put(entered.stepId(), entered);
        } else if (entry instanceof Entry.Stopped stop) {
            stopped = Optional.of(stop);
        } else {
            stopped = Optional.empty();
            voidProofs();
        }
    }

    /** After a stop nothing counts as isolated: the last isolation that was begun is begun again. */
    private void voidProofs() {
        int from = 0;
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).effect() == Step.Effect.SWITCHED_OFF && done.containsKey(steps.get(i).id())) {
                from = i;
            }
        }
        for (int i = from; i < steps.size(); i++) {
            done.remove(steps.get(i).id());
        }
    }

    public List<Step> steps() {
        return steps;
    }

    /** The one step that can be entered; empty when all are done. */
    public Optional<Step> current() {
        return steps.stream().filter(step -> !done.containsKey(step.id())).findFirst();
    }

    public Optional<Entry.Done> entryOf(Step step) {
        return Optional.ofNullable(done.get(step.id()));
    }

    public Optional<Entry.Stopped> stopped() {
        return stopped;
    }

    public boolean isFinished() {
        return current().isEmpty() && stopped.isEmpty();
    }

    /** Steps done. */
    public int progress() {
        return done.size();
    }

    /** How the circuits of the box stand, by the last step that changed it. */
    public Isolation isolation() {
        Isolation state = new Isolation(Isolation.State.ON, "", Optional.empty());
        List<Entry.Done> entries = new ArrayList<>(done.values());
        for (Entry.Done entry : entries) {
            Step step = steps.stream().filter(s -> s.id().equals(entry.stepId())).findFirst().orElseThrow();
            state = switch (step.effect()) {
                case NONE -> state;
                case SWITCHED_OFF -> new Isolation(Isolation.State.OFF_NOT_PROVED, entry.who(),
                        Optional.of(entry.when()));
                case PROVED_DEAD -> new Isolation(Isolation.State.PROVED_DEAD, entry.who(), Optional.of(entry.when()));
                case LIVE_WHILE_OPEN -> new Isolation(Isolation.State.LIVE_WHILE_OPEN, entry.who(),
                        Optional.of(entry.when()));
                case LIVE_AND_CLOSED -> new Isolation(Isolation.State.ON, entry.who(), Optional.of(entry.when()));
            };
        }
        boolean voided = stopped.isPresent() && state.state() == Isolation.State.PROVED_DEAD;
        return voided ? new Isolation(Isolation.State.OFF_NOT_PROVED, state.who(), state.since()) : state;
    }

    /** How the circuits of a box stand. */
    public record Isolation(State state, String who, Optional<java.time.Instant> since) {

        /** Never "safe": only what was recorded. */
        public enum State { ON, OFF_NOT_PROVED, PROVED_DEAD, LIVE_WHILE_OPEN }
    }
}
