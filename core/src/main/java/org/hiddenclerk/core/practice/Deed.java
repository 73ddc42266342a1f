package org.hiddenclerk.core.practice;

import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.wiring.SchemeCode;

/**
 * One thing that the learner does at the wall.
 *
 * <p>Circuits go by their label, boxes and places by their identity, switches by that of their gang on the board ({@code A}, or
 * {@code A.2} in a box of several), cores by theirs ({@code A/c1.2}), ends by their keys ({@code g1.COM}).
 */
public sealed interface Deed {

    /** Puts a breaker on or off. */
    record Breaker(String circuit, boolean on) implements Deed {
    }

    /** Locks a breaker that is off, and tags it. */
    record Lock(String circuit) implements Deed {
    }

    /** Takes lock and tag off. */
    record Unlock(String circuit) implements Deed {
    }

    /** Proves the tester on a known source. */
    record ProveTester() implements Deed {
    }

    /** Tests every core of a box to earth. */
    record ProveDead(String place) implements Deed {
    }

    /** Operates a wall switch. */
    record Flip(String gang) implements Deed {
    }

    /** Two-pole tester from a core to earth. */
    record TestToEarth(String core) implements Deed {
    }

    /** Two-pole tester from a proved live to a core that was freed. */
    record TestFromLive(String core) implements Deed {
    }

    /** Non-contact pen beside a core. */
    record Pen(String core) implements Deed {
    }

    /** Looks whether a lamp burns. */
    record Look(String lamp) implements Deed {
    }

    /** Takes a core off its place. */
    record Free(String core) implements Deed {
    }

    /** Puts a core back where it was. */
    record PutBack(String core) implements Deed {
    }

    /** Continuity tester between two cores that were freed. */
    record TestContinuity(String first, String second) implements Deed {
    }

    /** Says what a core does. */
    record Name(String core, ConductorRole role) implements Deed {
    }

    /** Stands by the names. */
    record NamesDone() implements Deed {
    }

    /** Chooses what to fit. */
    record Choose(String box, SchemeCode scheme, String module) implements Deed {
    }

    /** Refuses to fit anything, and says why. */
    record Report(FindingCode fault) implements Deed {
    }

    /** Puts the end of a core or of a piece of wire on a place. */
    record Put(String place, String wire, boolean secondEnd, String end) implements Deed {
    }

    /** Joins two places of a box with a piece of wire. */
    record Join(String place, String from, String to) implements Deed {
    }

    /** Takes a piece of wire out. */
    record TakeOut(String place, String wire) implements Deed {
    }

    /** Says that the work is done. */
    record Finish() implements Deed {
    }
}
