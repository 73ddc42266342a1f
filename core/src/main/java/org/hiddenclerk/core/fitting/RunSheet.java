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
 * <p>Nothing can be entered behind a gate that is open, and a gate only when everything in front of it is done, so no gate can be
 * passed by. Steps between two gates may be done in any order, by more than one person: what they tick and measure adds up. A reading
 * outside its limits stops the sheet. A stop voids what was proved: after it the work starts again at the first isolation step still
 * needed, and everything from there on is open again.
 */
public final class RunSheet {
    private final List<Step> steps;
    private final Map<String, Entry.Done> done = new LinkedHashMap<>();
    private final Map<String, Entry.Skipped> skipped = new LinkedHashMap<>();
    private final Map<String, Map<String, Entry.Ticked>> ticks = new LinkedHashMap<>();
    private final Map<String, Map<String, Entry.Measured>> measured = new LinkedHashMap<>();
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
        if (entry instanceof Entry.Resumed resumed) {
            if (stopped.isEmpty()) {
                return new Refused("reason", "a sheet that is not stopped", "a stopped sheet");
            }
            return resumed.reason().isBlank() ? new Refused("reason", "nothing", "what was put right")
                    : new Accepted(resumed);
        }
        if (entry instanceof Entry.Skipped skip) {
            return judgeSkipped(skip);
        }
        return entry instanceof Entry.Ticked tick ? judgeTicked(tick) : judgeMeasured((Entry.Measured) entry);
    }

    private Outcome judgeSkipped(Entry.Skipped skip) {
        Optional<Refused> closed = closed(skip.stepId());
        if (closed.isPresent()) {
            return closed.get();
        }
        return step(skip.stepId()).gate() ? new Refused("stepId", skip.stepId(), "a step that is no gate: a gate is never left out")
                : skip.reason().isBlank() ? new Refused("reason", "nothing", "why it is left out") : new Accepted(skip);
    }

    private Outcome judgeTicked(Entry.Ticked tick) {
        return closed(tick.stepId()).<Outcome>map(refused -> refused).orElseGet(() -> step(tick.stepId()).confirms().stream().noneMatch(c ->
                c.id().equals(tick.item())) ? new Refused("confirmed", tick.item(), "something that this step asks for") : new Accepted(tick));
    }

    private Outcome judgeMeasured(Entry.Measured value) {
        Optional<Refused> closed = closed(value.stepId());
        if (closed.isPresent()) {
            return closed.get();
        }
        Optional<Step.Reading> reading = step(value.stepId()).readings().stream().filter(r -> r.id().equals(value.item())).findFirst();
        return reading.isEmpty() ? new Refused("readings", value.item(), "readings of this step only")
                : reading.get().passes(value.value()) ? new Accepted(value) : new Accepted(stop(value.stepId(), reading.get(), value.value(), value));
    }

    /** Why nothing can be entered at a step now; empty when something can. */
    private Optional<Refused> closed(String stepId) {
        if (stopped.isPresent()) {
            return Optional.of(new Refused("stepId", stepId, "nothing: the sheet is stopped. Say what was put right first"));
        }
        Optional<Step> current = current();
        if (current.isEmpty()) {
            return Optional.of(new Refused("stepId", stepId, "nothing: the sheet is finished"));
        }
        return steps.stream().anyMatch(step -> step.id().equals(stepId) && isOpen(step)) ? Optional.empty()
                : Optional.of(new Refused("stepId", stepId, current.get().id() + ", the step that is open (" + current.get().title() + ")"));
    }

    /** Whether something can be entered at a step: it is not done, no gate in front of it is open, and before a gate nothing is. */
    public boolean isOpen(Step step) {
        return !isBehind(step) && steps.subList(0, steps.indexOf(step)).stream().allMatch(before -> isBehind(before) || !before.gate() && !step.gate());
    }

    private boolean isBehind(Step step) {
        return done.containsKey(step.id()) || skipped.containsKey(step.id());
    }

    private Step step(String id) {
        return steps.stream().filter(step -> step.id().equals(id)).findFirst().orElseThrow();
    }

    private static Entry.Stopped stop(String stepId, Step.Reading reading, BigDecimal value, Entry by) {
        return new Entry.Stopped(stepId, reading.text() + " reads " + value.toPlainString() + "\u2009" + reading.unit() + "; "
                + reading.least().toPlainString() + " to " + reading.most().toPlainString() + "\u2009" + reading.unit() + " passes.", by.who(), by.when());
    }

    /** What was ticked and measured of the step so far, by anybody, belongs to it. */
    private Entry.Done withTicks(Entry.Done attempt) {
        Set<String> confirmed = new java.util.TreeSet<>(attempt.confirmed());
        confirmed.addAll(ticksOf(attempt.stepId()).keySet());
        Map<String, BigDecimal> readings = new LinkedHashMap<>();
        measurementsOf(attempt.stepId()).forEach((id, value) -> readings.put(id, value.value()));
        readings.putAll(attempt.readings());
        return new Entry.Done(attempt.stepId(), confirmed, readings, attempt.note(), attempt.who(), attempt.when());
    }

    private Outcome judgeDone(Entry.Done bare) {
        Entry.Done attempt = withTicks(bare);
        Optional<Refused> closed = closed(attempt.stepId());
        if (closed.isPresent()) {
            return closed.get();
        }
        Step step = step(attempt.stepId());
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
                return new Accepted(stop(step.id(), reading, value, attempt));
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
        } else if (entry instanceof Entry.Skipped skip) {
            skipped.put(skip.stepId(), skip);
        } else if (entry instanceof Entry.Ticked tick) {
            Map<String, Entry.Ticked> ofStep = ticks.computeIfAbsent(tick.stepId(), id -> new LinkedHashMap<>());
            if (tick.on()) {
                ofStep.putIfAbsent(tick.item(), tick);
            } else {
                ofStep.remove(tick.item());
            }
        } else if (entry instanceof Entry.Measured value) {
            measured.computeIfAbsent(value.stepId(), id -> new LinkedHashMap<>()).put(value.item(), value);
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
            String id = steps.get(i).id();
            List.of(done, skipped, ticks, measured).forEach(entered -> entered.remove(id));
        }
    }

    public List<Step> steps() {
        return steps;
    }

    /** The first step that is not done; empty when all are. */
    public Optional<Step> current() {
        return steps.stream().filter(step -> !isBehind(step)).findFirst();
    }

    /** What was confirmed of a step that is not done, by item. */
    public Map<String, Entry.Ticked> ticksOf(String stepId) {
        return ticks.getOrDefault(stepId, Map.of());
    }

    /** What was measured of a step that is not done, by item; of two readings the later counts. */
    public Map<String, Entry.Measured> measurementsOf(String stepId) {
        return measured.getOrDefault(stepId, Map.of());
    }

    public Optional<Entry.Skipped> skipOf(Step step) {
        return Optional.ofNullable(skipped.get(step.id()));
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
        return done.size() + skipped.size();
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
