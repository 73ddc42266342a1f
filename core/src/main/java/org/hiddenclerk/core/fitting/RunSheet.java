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
 * outside its limits stops the sheet. After a stop what rests on the failed reading is done again: of a test of the
 * new wiring the checks of
 * the wiring, of anything else the isolation and all that was tested since. When somebody else does something to a circuit, see
 * {@link SharedCircuits}, isolation is done again and what was wired stays.
 */
public final class RunSheet {
    private final List<Step> steps;
    private final Map<String, Entry.Done> done = new LinkedHashMap<>();
    private final Map<String, Entry.Skipped> skipped = new LinkedHashMap<>();
    private final Map<String, Map<String, Entry.Ticked>> ticks = new LinkedHashMap<>();
    private final Map<String, Map<String, Entry.Measured>> measured = new LinkedHashMap<>();
    private Optional<Entry.Stopped> stopped = Optional.empty();
    private Isolation isolation = new Isolation(Isolation.State.ON, "", Optional.empty());

    private RunSheet(List<Step> steps) {
        this.steps = List.copyOf(steps);
    }

    /** What came of trying to enter something. */
    public sealed interface Outcome {}

    /**
     * The entry stands.
     *
     * @param entries what to keep: the entry itself, or the stop that its readings caused, behind the rest of what was measured with it
     */
    public record Accepted(List<Entry> entries) implements Outcome {
        public Accepted {
            entries = List.copyOf(entries);
        }

        Accepted(Entry entry) {
            this(List.of(entry));
        }

        /** What the entry came to. */
        public Entry entry() {
            return entries.get(entries.size() - 1);
        }
    }

    /**
     * The entry is refused and nothing changes.
     *
     * @param field    what is wrong with it: "stepId", "confirmed", "readings" or "reason"
     * @param found    what it says
     * @param expected what is expected
     */
    public record Refused(String field, String found, String expected) implements Outcome {}

    /** The sheet as entries have left it. Entries that were accepted once are accepted again. */
    public static RunSheet replay(List<Step> steps, List<Entry> entries) {
        RunSheet sheet = new RunSheet(steps);
        for (Entry entry : entries) {
            entry.writtenOn(sheet);
        }
        return sheet;
    }

    /** Those of some steps that entries speak of, in their order. */
    public static List<Step> answeredBy(List<Step> steps, List<Entry> entries) {
        Set<String> answered =
                entries.stream().flatMap(entry -> entry.ends().stream()).collect(java.util.stream.Collectors.toSet());
        return steps.stream().filter(step -> answered.contains(step.id())).toList();
    }

    /** Judges an entry without changing this sheet. */
    public Outcome judge(Entry entry) {
        return entry.judgedOn(this);
    }

    Outcome judgeStopped(Entry.Stopped stop) {
        return isFinished()
                ? new Refused("stepId", stop.stepId(), "nothing: the sheet is finished")
                : stop.reason().isBlank() ? new Refused("reason", "nothing", "what was found") : new Accepted(stop);
    }

    Outcome judgeResumed(Entry.Resumed resumed) {
        if (stopped.isEmpty()) {
            return new Refused("reason", "a sheet that is not stopped", "a stopped sheet");
        }
        return resumed.reason().isBlank()
                ? new Refused("reason", "nothing", "what was put right")
                : new Accepted(resumed);
    }

    Outcome judgeVoided(Entry.Voided voided) {
        return isProvingOrProved() ? new Accepted(voided) : new Refused("stepId", "", "a sheet whose circuits are off");
    }

    Outcome judgeSkipped(Entry.Skipped skip) {
        Optional<Refused> closed = closed(skip.stepId());
        if (closed.isPresent()) {
            return closed.get();
        }
        return !step(skip.stepId()).leavable()
                ? new Refused(
                        "stepId",
                        skip.stepId(),
                        "a step that may be left out; what is planned otherwise is planned again")
                : skip.reason().isBlank() ? new Refused("reason", "nothing", "why it is left out") : new Accepted(skip);
    }

    /**
     * A mistyped value is put right where it stopped the sheet, or in a step that is done. A reading of dead
     * conductors is made again instead.
     */
    Outcome judgeCorrected(Entry.Corrected correction) {
        Optional<Step> step =
                steps.stream().filter(s -> s.id().equals(correction.stepId())).findFirst();
        Optional<Step.Reading> reading = step.stream()
                .flatMap(s -> s.readings().stream())
                .filter(r -> r.id().equals(correction.item()))
                .findFirst();
        if (reading.isEmpty()) {
            return new Refused("readings", correction.item(), "a reading of this sheet");
        }
        if (correction.reason().isBlank()) {
            return new Refused("reason", "nothing", "how the value came to be mistyped");
        }
        boolean causedStop = stopped.filter(s -> s.stepId().equals(correction.stepId())
                        && s.reading().filter(correction.item()::equals).isPresent())
                .isPresent();
        if (stopped.isPresent() && !causedStop) {
            return new Refused("stepId", correction.stepId(), "the reading that stopped the sheet");
        }
        if (!causedStop && !done.containsKey(correction.stepId())) {
            return new Refused(
                    "stepId", correction.stepId(), "a step that is done; enter the value at the step itself");
        }
        if (isolates(step.get())) {
            return new Refused(
                    "stepId",
                    correction.stepId(),
                    "a reading of the new wiring; what shows whether conductors are dead is measured again");
        }
        return reading.get().passes(correction.value())
                ? new Accepted(correction)
                : new Accepted(stop(correction.stepId(), reading.get(), correction.value(), correction));
    }

    /** Whether the reading that stopped the sheet may be put right as mistyped. */
    public boolean mayBeCorrected() {
        return stopped.filter(stop -> stop.reading().isPresent()
                        && steps.stream().anyMatch(step -> step.id().equals(stop.stepId()) && !isolates(step)))
                .isPresent();
    }

    private static boolean isolates(Step step) {
        return step.phase() == Step.Phase.ISOLATE || step.phase() == Step.Phase.ISOLATE_AGAIN;
    }

    /** Whether circuits are taken to be off by this sheet, proved or not yet. */
    public boolean isProvingOrProved() {
        return isolation.state() == Isolation.State.OFF_NOT_PROVED || isolation.state() == Isolation.State.PROVED_DEAD;
    }

    /** Whether the wiring of the box is neither as it was found nor checked as it was planned. */
    public boolean isWiringOpen() {
        List<Step> wiring =
                steps.stream().filter(step -> step.phase() == Step.Phase.WIRE).toList();
        return wiring.stream().anyMatch(this::isBehind) && !wiring.stream().allMatch(this::isBehind);
    }

    Outcome judgeTicked(Entry.Ticked tick) {
        return closed(tick.stepId())
                .<Outcome>map(refused -> refused)
                .orElseGet(() -> step(tick.stepId()).confirms().stream().noneMatch(c -> c.id().equals(tick.item()))
                        ? new Refused("confirmed", tick.item(), "something that this step asks for")
                        : new Accepted(tick));
    }

    Outcome judgeMeasured(Entry.Measured value) {
        Optional<Refused> closed = closed(value.stepId());
        if (closed.isPresent()) {
            return closed.get();
        }
        Optional<Step.Reading> reading = step(value.stepId()).readings().stream()
                .filter(r -> r.id().equals(value.item()))
                .findFirst();
        return reading.isEmpty()
                ? new Refused("readings", value.item(), "readings of this step only")
                : reading.get().passes(value.value())
                        ? new Accepted(value)
                        : new Accepted(stop(value.stepId(), reading.get(), value.value(), value));
    }

    /** Why nothing can be entered at a step now; empty when something can. */
    private Optional<Refused> closed(String stepId) {
        if (stopped.isPresent()) {
            return Optional.of(
                    new Refused("stepId", stepId, "nothing: the sheet is stopped. Say what was put right first"));
        }
        Optional<Step> current = current();
        if (current.isEmpty()) {
            return Optional.of(new Refused("stepId", stepId, "nothing: the sheet is finished"));
        }
        return steps.stream().anyMatch(step -> step.id().equals(stepId) && isOpen(step))
                ? Optional.empty()
                : Optional.of(new Refused(
                        "stepId",
                        stepId,
                        current.get().id() + ", the step that is open ("
                                + current.get().title() + ")"));
    }

    /** Whether something can be entered at a step: it is not done, no gate in front of it is open, and before a gate nothing is. */
    public boolean isOpen(Step step) {
        return !isBehind(step)
                && steps.subList(0, steps.indexOf(step)).stream()
                        .allMatch(before -> isBehind(before) || !before.gate() && !step.gate());
    }

    private boolean isBehind(Step step) {
        return done.containsKey(step.id()) || skipped.containsKey(step.id());
    }

    private Step step(String id) {
        return steps.stream().filter(step -> step.id().equals(id)).findFirst().orElseThrow();
    }

    private static Entry.Stopped stop(String stepId, Step.Reading reading, BigDecimal value, Entry by) {
        return new Entry.Stopped(
                stepId,
                reading.text() + " reads " + value.toPlainString() + "\u2009" + reading.unit() + "; "
                        + reading.allowed() + ".",
                Optional.of(reading.id()),
                by.who(),
                by.when());
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

    Outcome judgeDone(Entry.Done bare) {
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
                return new Accepted(beside(step, reading, attempt));
            }
        }
        Set<String> unknown = new java.util.TreeSet<>(attempt.readings().keySet());
        step.readings().forEach(reading -> unknown.remove(reading.id()));
        return unknown.isEmpty()
                ? new Accepted(attempt)
                : new Refused("readings", unknown.iterator().next(), "readings of this step only");
    }

    /** What was measured beside a reading that fails need not be measured again. */
    private List<Entry> beside(Step step, Step.Reading failed, Entry.Done attempt) {
        List<Entry> kept = new ArrayList<>();
        for (Step.Reading reading : step.readings()) {
            BigDecimal value = attempt.readings().get(reading.id());
            if (!reading.equals(failed) && value != null && reading.passes(value)) {
                kept.add(new Entry.Measured(step.id(), reading.id(), value, attempt.who(), attempt.when()));
            }
        }
        attempt.confirmed().stream()
                .sorted()
                .forEach(item -> kept.add(new Entry.Ticked(step.id(), item, true, attempt.who(), attempt.when())));
        kept.add(stop(step.id(), failed, attempt.readings().get(failed.id()), attempt));
        return kept;
    }

    void enter(Entry.Done entered) {
        done.put(entered.stepId(), entered);
        steps.stream()
                .filter(step -> step.id().equals(entered.stepId()))
                .findFirst()
                .ifPresent(step -> isolation = after(step, entered));
    }

    void stop(Entry.Stopped stop) {
        stopped = Optional.of(stop);
    }

    void skip(Entry.Skipped skip) {
        skipped.put(skip.stepId(), skip);
    }

    void tick(Entry.Ticked tick) {
        Map<String, Entry.Ticked> ofStep = ticks.computeIfAbsent(tick.stepId(), id -> new LinkedHashMap<>());
        if (tick.on()) {
            ofStep.putIfAbsent(tick.item(), tick);
        } else {
            ofStep.remove(tick.item());
        }
    }

    void measure(Entry.Measured value) {
        measured.computeIfAbsent(value.stepId(), id -> new LinkedHashMap<>()).put(value.item(), value);
    }

    void isVoided(Entry.Voided voided) {
        isolateAgain(false);
        isolation = new Isolation(Isolation.State.ON, voided.who(), Optional.of(voided.when()));
    }

    void correct(Entry.Corrected correction) {
        stopped = Optional.empty();
        Entry.Done entered = done.get(correction.stepId());
        if (entered == null) {
            measured.computeIfAbsent(correction.stepId(), id -> new LinkedHashMap<>())
                    .put(
                            correction.item(),
                            new Entry.Measured(
                                    correction.stepId(),
                                    correction.item(),
                                    correction.value(),
                                    correction.who(),
                                    correction.when()));
        } else {
            Map<String, BigDecimal> readings = new LinkedHashMap<>(entered.readings());
            readings.put(correction.item(), correction.value());
            done.put(
                    correction.stepId(),
                    new Entry.Done(
                            entered.stepId(),
                            entered.confirmed(),
                            readings,
                            entered.note(),
                            entered.who(),
                            entered.when()));
        }
    }

    /** After a stop what rests on what was wrong is done again. */
    void goOn() {
        Optional<Step> failed = stopped.filter(stop -> stop.reading().isPresent())
                .flatMap(stop ->
                        steps.stream().filter(s -> s.id().equals(stop.stepId())).findFirst());
        stopped = Optional.empty();
        if (failed.isPresent()
                && !isolates(failed.get())
                && failed.get().phase().isDeadWork()) {
            // The circuits stay dead and proved; the wiring is mended, checked and tested anew.
            steps.stream()
                    .filter(step -> step.equals(failed.get())
                            || step.phase() == Step.Phase.WIRE
                                    && failed.get().phase() == Step.Phase.WIRE
                                    && step.gate())
                    .forEach(this::clear);
        } else {
            isolateAgain(true);
            isolation = new Isolation(Isolation.State.ON, "", Optional.empty());
        }
    }

    private void clear(Step step) {
        List.of(done, skipped, ticks, measured).forEach(entered -> entered.remove(step.id()));
    }

    /**
     * The last isolation that was begun is begun again.
     *
     * @param andTests whether what was checked and tested since counts no more either; what was labelled and moved stays
     */
    private void isolateAgain(boolean andTests) {
        int from = 0;
        for (int i = 0; i < steps.size(); i++) {
            if (steps.get(i).effect() == Step.Effect.SWITCHED_OFF
                    && done.containsKey(steps.get(i).id())) {
                from = i;
            }
        }
        boolean proving = true;
        for (int i = from; i < steps.size(); i++) {
            Step step = steps.get(i);
            if (proving
                    || andTests
                            && step.phase() != Step.Phase.OPEN
                            && (step.gate() || step.phase() != Step.Phase.WIRE)) {
                clear(step);
            }
            proving &= step.effect() != Step.Effect.PROVED_DEAD;
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

    private Isolation after(Step step, Entry.Done entry) {
        return switch (step.effect()) {
            case NONE -> isolation;
            case SWITCHED_OFF -> new Isolation(Isolation.State.OFF_NOT_PROVED, entry.who(), Optional.of(entry.when()));
            case PROVED_DEAD -> new Isolation(Isolation.State.PROVED_DEAD, entry.who(), Optional.of(entry.when()));
            case LIVE_WHILE_OPEN ->
                new Isolation(Isolation.State.LIVE_WHILE_OPEN, entry.who(), Optional.of(entry.when()));
            case LIVE_AND_CLOSED -> new Isolation(Isolation.State.ON, entry.who(), Optional.of(entry.when()));
        };
    }

    /** How the circuits of the box stand by this sheet, by the last that changed it. */
    public Isolation isolation() {
        boolean voided = stopped.filter(stop -> !isDeadTest(stop)).isPresent()
                && isolation.state() == Isolation.State.PROVED_DEAD;
        return voided ? new Isolation(Isolation.State.OFF_NOT_PROVED, isolation.who(), isolation.since()) : isolation;
    }

    /** A failed test of the wiring says nothing against its being dead. */
    private boolean isDeadTest(Entry.Stopped stop) {
        return stop.reading().isPresent()
                && steps.stream()
                        .anyMatch(step ->
                                step.id().equals(stop.stepId()) && step.phase().isDeadWork());
    }

    /** How the circuits of a box stand. */
    public record Isolation(State state, String who, Optional<java.time.Instant> since) {

        /** Never "safe": only what was recorded. */
        public enum State {
            ON,
            OFF_NOT_PROVED,
            PROVED_DEAD,
            LIVE_WHILE_OPEN
        }
    }
}
