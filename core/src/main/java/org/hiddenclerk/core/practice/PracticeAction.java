package org.hiddenclerk.core.practice;

import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * One thing that the learner does at the wall.
 *
 * <p>Circuits go by their label, boxes and places by their identity, switches by that of their gang on the board ({@code A}, or
 * {@code A.2} in a box of several), cores by theirs ({@code A/c1.2}), ends by their keys ({@code g1.COM}).
 */
public sealed interface PracticeAction {
    /**
     * Does it.
     *
     * @throws NotPossible when it cannot be done there and then
     */
    void doneIn(PracticeRun run);

    /** Puts a breaker on or off. */
    record Breaker(String circuit, boolean on) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.breaker(circuit, on);
        }
    }

    /** Locks a breaker that is off, and tags it. */
    record Lock(String circuit) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.lock(circuit);
        }
    }

    /** Takes lock and tag off. */
    record Unlock(String circuit) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.unlock(circuit);
        }
    }

    /** Proves the tester on a known source. */
    record ProveTester() implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.proveTester();
        }
    }

    /** Tests every core of a box to earth. */
    record ProveDead(String place) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.proveDead(place);
        }
    }

    /** Operates a wall switch. */
    record Flip(String gang) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.flip(gang);
        }
    }

    /** Two-pole tester from a core to earth. */
    record TestToEarth(String core) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.testToEarth(core);
        }
    }

    /** Two-pole tester from a proved live to a core that was freed. */
    record TestFromLive(String core) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.testFromLive(core);
        }
    }

    /** Non-contact pen beside a core. */
    record Pen(String core) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.pen(core);
        }
    }

    /** Looks whether a lamp burns. */
    record Look(String lamp) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.look(lamp);
        }
    }

    /** Takes a core off its place. */
    record Free(String core) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.free(core);
        }
    }

    /** Puts a core back where it was. */
    record PutBack(String core) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.putBack(core);
        }
    }

    /** Continuity tester between two cores that were freed. */
    record TestContinuity(String first, String second) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.testContinuity(first, second);
        }
    }

    /** Says what a core does. */
    record Name(String core, ConductorRole role) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.name(core, role);
        }
    }

    /** Stands by the names. */
    record NamesDone() implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.standByNames();
        }
    }

    /** Chooses what to fit. */
    record Choose(String box, SchemeCode scheme, String module) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.choose(this);
        }
    }

    /** Refuses to fit anything, and says why. */
    record Report(FindingCode fault) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.report(fault);
        }
    }

    /** Puts the end of a core or of a piece of wire on a place. */
    record Put(String place, String wire, boolean secondEnd, String end) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.put(this);
        }
    }

    /** Joins two places of a box with a piece of wire. */
    record Join(String place, String from, String to) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.join(this);
        }
    }

    /** Takes a piece of wire out. */
    record TakeOut(String place, String wire) implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.takeOut(this);
        }
    }

    /** Says that the work is done. */
    record Finish() implements PracticeAction {
        @Override
        public void doneIn(PracticeRun run) {
            run.finish();
        }
    }
}
