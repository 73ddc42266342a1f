package org.hiddenclerk.core.bench;

import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * How far one module is on the bench: the marks that were made, the last of each step counting.
 *
 * @param facts what is known of the module beside the marks
 */
public record BenchCard(List<Mark> marks, Facts facts) {
    public BenchCard {
        marks = List.copyOf(marks);
    }

    /** What becomes of a step. */
    public enum Outcome {
        DONE,
        FAILED,
        SKIPPED
    }

    /** A step that was tried. */
    public record Mark(BenchStep step, Outcome outcome, String note) {}

    /**
     * What a step depends on.
     *
     * @param needsCode whether its protocol joins by a code
     * @param hasCode   whether one is kept
     * @param isNamed   whether it has a name
     * @param hasPlace  whether a box waits for it
     * @param joinsHere whether its button can't be reached once it is in
     * @param isInPlace whether it is in its box already: no bench sees it
     * @param unset     settings that are wanted otherwise than it was set, in words
     */
    public record Facts(
            boolean needsCode,
            boolean hasCode,
            boolean isNamed,
            boolean hasPlace,
            boolean joinsHere,
            boolean isInPlace,
            List<String> unset) {
        public Facts {
            unset = List.copyOf(unset);
        }
    }

    /** The last outcome of a step; empty when it was not tried. */
    public Optional<Outcome> outcome(BenchStep step) {
        return marks.stream()
                .filter(mark -> mark.step() == step)
                .map(Mark::outcome)
                .reduce((earlier, later) -> later);
    }

    /** Whether a step lies behind: done, left out with a reason, or neither asked of this module nor tried. */
    public boolean isBehind(BenchStep step) {
        boolean stands = step != BenchStep.SETTINGS || facts.unset().isEmpty();
        return outcome(step)
                .map(last -> last == Outcome.SKIPPED || last == Outcome.DONE && stands)
                .orElse(step == BenchStep.CREDENTIAL && !facts.needsCode()
                        || step == BenchStep.JOIN && !facts.joinsHere()
                        || facts.isInPlace() && step.isForTheBench());
    }

    /** The first step that does not lie behind; empty for a module that is ready. */
    public Optional<BenchStep> next() {
        return Arrays.stream(BenchStep.values()).filter(step -> !isBehind(step)).findFirst();
    }

    public boolean isReady() {
        return next().isEmpty();
    }

    /** Steps that failed and were not done since. */
    public List<BenchStep> failed() {
        return Arrays.stream(BenchStep.values())
                .filter(step -> outcome(step).filter(o -> o == Outcome.FAILED).isPresent())
                .toList();
    }

    /** Why a mark is not taken, in words; empty when it is. */
    public Optional<String> refusal(Mark mark) {
        BenchStep step = mark.step();
        if (mark.outcome() == Outcome.SKIPPED) {
            return !step.isSkippable()
                    ? Optional.of(step.title() + " is never left out.")
                    : mark.note().isBlank() ? Optional.of("A step is left out only with a reason.") : Optional.empty();
        }
        if (mark.outcome() == Outcome.FAILED) {
            return mark.note().isBlank() ? Optional.of("Say what went wrong.") : Optional.empty();
        }
        if (step != BenchStep.POWER_UP && !isBehind(BenchStep.POWER_UP)) {
            return Optional.of("Nothing can be done to a module without power: power it up first.");
        }
        return switch (step) {
            case CREDENTIAL ->
                facts.hasCode() || !facts.needsCode()
                        ? Optional.empty()
                        : Optional.of("No code of this module is kept yet.");
            case NAME -> facts.isNamed() ? Optional.empty() : Optional.of("It has no name yet: no box waits for it.");
            case PACK ->
                open().isEmpty()
                        ? facts.hasPlace() ? Optional.empty() : Optional.of("No box waits for a module of this kind.")
                        : Optional.of("Not done yet: " + String.join(", ", open().values()) + ".");
            case INPUTS ->
                isBehind(BenchStep.SETTINGS)
                        ? Optional.empty()
                        : Optional.of("Its inputs act by its settings: set it first, or leave that out with a reason.");
            case POWER_UP, UPDATE, LABEL, CHANNELS, SETTINGS, JOIN -> Optional.empty();
        };
    }

    /** What must lie behind before it is packed. */
    private Map<BenchStep, String> open() {
        Map<BenchStep, String> open = new EnumMap<>(BenchStep.class);
        Arrays.stream(BenchStep.values())
                .filter(step -> step != BenchStep.PACK && !isBehind(step))
                .forEach(step -> open.put(step, step.title().toLowerCase(java.util.Locale.ROOT)));
        return open;
    }
}
