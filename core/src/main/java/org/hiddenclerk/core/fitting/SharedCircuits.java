package org.hiddenclerk.core.fitting;

import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;

/**
 * Work on several boxes whose circuits meet. What one does to a circuit, everybody on it knows: nobody switches on what another has open,
 * nobody works where no lock of his own hangs, and what was proved counts only as long as nothing could have changed it.
 */
public final class SharedCircuits {
    private SharedCircuits() {}

    /**
     * Work on a box.
     *
     * @param box      label of the box
     * @param sheet    its last run sheet
     * @param circuits labels of the circuits that are off for it
     * @param setAside whether the sheet was put aside, so that nobody goes on with it
     */
    public record Work(String box, RunSheet sheet, Set<String> circuits, boolean setAside) {
        public Work {
            circuits = Set.copyOf(circuits);
        }

        boolean meets(Work other) {
            return circuits.stream().anyMatch(other.circuits::contains);
        }

        private boolean isOpen() {
            return !setAside && !sheet.isFinished();
        }
    }

    /**
     * Why an entry is refused because of others; empty when it is not.
     *
     * @param own    the work that it is entered on
     * @param others work on other boxes of the house
     * @param locks  what hangs on the circuits of the own work
     */
    public static Optional<RunSheet.Refused> refusal(
            Work own, Collection<Work> others, Collection<Locks.Lock> locks, Entry entry) {
        Step.Effect effect = effectOf(own.sheet(), entry);
        List<Work> meeting = others.stream().filter(own::meets).toList();
        return switch (effect) {
            case LIVE_WHILE_OPEN, LIVE_AND_CLOSED -> switchingOn(own, meeting, locks, entry.who());
            case SWITCHED_OFF ->
                meeting.stream()
                        .filter(other -> other.isOpen()
                                && other.sheet().isolation().state() == RunSheet.Isolation.State.LIVE_WHILE_OPEN)
                        .findFirst()
                        .map(other -> new RunSheet.Refused(
                                "stepId",
                                other.box() + " is on for its function test",
                                "that it is isolated again first"));
            case NONE, PROVED_DEAD -> withoutLock(own, locks, entry);
        };
    }

    private static Optional<RunSheet.Refused> switchingOn(
            Work own, List<Work> meeting, Collection<Locks.Lock> locks, String who) {
        Optional<RunSheet.Refused> locked = Locks.refusal(List.copyOf(locks), who, own.box())
                .map(why ->
                        new RunSheet.Refused("stepId", why, "nobody's lock but your own: everybody signs off first"));
        Set<String> open = meeting.stream()
                .filter(other -> other.sheet().isWiringOpen())
                .map(Work::box)
                .collect(Collectors.toCollection(TreeSet::new));
        return locked.or(() -> open.isEmpty()
                ? Optional.empty()
                : Optional.of(new RunSheet.Refused(
                        "stepId",
                        "wiring is open in " + String.join(", ", open),
                        "boxes in which nothing is half done: check and test the wiring there first")));
    }

    /** Dead work needs the own lock of whoever does it. */
    private static Optional<RunSheet.Refused> withoutLock(Work own, Collection<Locks.Lock> locks, Entry entry) {
        boolean works = entry instanceof Entry.Done
                || entry instanceof Entry.Ticked
                || entry instanceof Entry.Measured
                || entry instanceof Entry.Skipped
                || entry instanceof Entry.Corrected;
        if (!works || !own.sheet().isProvingOrProved()) {
            return Optional.empty();
        }
        Set<String> missing = new TreeSet<>(own.circuits());
        locks.stream()
                .filter(lock -> lock.person().equals(entry.who()) && lock.box().equals(own.box()))
                .forEach(lock -> missing.remove(lock.circuit()));
        return missing.isEmpty()
                ? Optional.empty()
                : Optional.of(new RunSheet.Refused(
                        "stepId",
                        "no lock of yours hangs on circuit " + String.join(", ", missing) + " for " + own.box(),
                        "your own lock before you work there"));
    }

    /** Whether an entry switches circuits on. */
    public static boolean switchesOn(RunSheet sheet, Entry entry) {
        Step.Effect effect = effectOf(sheet, entry);
        return effect == Step.Effect.LIVE_WHILE_OPEN || effect == Step.Effect.LIVE_AND_CLOSED;
    }

    private static Step.Effect effectOf(RunSheet sheet, Entry entry) {
        return entry instanceof Entry.Done done
                ? sheet.steps().stream()
                        .filter(step -> step.id().equals(done.stepId()))
                        .findFirst()
                        .map(Step::effect)
                        .orElse(Step.Effect.NONE)
                : Step.Effect.NONE;
    }

    /**
     * Work that goes back to be isolated after a circuit was switched on, a lock came off or work was set aside.
     *
     * @param own    the work by which it happened; it is among {@code all} where its own proof is void too
     * @param all    work of the house
     * @return work whose circuits were taken to be off
     */
    public static List<Work> voidedBy(Work own, Collection<Work> all) {
        return all.stream()
                .filter(work -> work.isOpen() && work.meets(own) && work.sheet().isProvingOrProved())
                .toList();
    }

    /**
     * How a circuit stands for one work, in the light of all: never dead here and live there.
     *
     * @return what the own sheet says, unless another holds the circuit on or off
     */
    public static RunSheet.Isolation standing(Work own, String circuit, Collection<Work> others) {
        RunSheet.Isolation here = own.sheet().isolation();
        if (here.state() != RunSheet.Isolation.State.ON) {
            return here;
        }
        return others.stream()
                .filter(other -> other.isOpen() && other.circuits().contains(circuit))
                .map(other -> other.sheet().isolation())
                .filter(there -> there.state() != RunSheet.Isolation.State.ON)
                .map(there -> there.state() == RunSheet.Isolation.State.LIVE_WHILE_OPEN
                        ? there
                        : new RunSheet.Isolation(RunSheet.Isolation.State.OFF_NOT_PROVED, there.who(), there.since()))
                .findFirst()
                .orElse(here);
    }
}
