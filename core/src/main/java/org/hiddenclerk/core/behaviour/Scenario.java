package org.hiddenclerk.core.behaviour;

import java.util.List;

/** What happens in a household, again and again: the sequences by which behaviours are compared. Common practice, no source. */
public enum Scenario {
    ALL_OFF(
            "Everything was put off by remote, and somebody comes home",
            true,
            new Want(true, 0),
            new Remote(false),
            new Want(true, 0),
            new Want(false, 0)),
    BOTH_ENDS(
            "Up and down a stair with a switch at each end",
            false,
            new Want(true, 0),
            new Want(false, 1),
            new Want(true, 1),
            new Want(false, 0)),
    BOTH_ENDS_REMOTE(
            "The same after somebody else lit it by remote",
            true,
            new Remote(true),
            new Want(false, 1),
            new Want(true, 0),
            new Remote(false),
            new Want(true, 1)),
    POWER_CUT(
            "The supply fails for a minute while the lamp is on",
            false,
            new Want(true, 0),
            new Cut(60_000),
            new Want(false, 0),
            new Want(true, 0)),
    GUEST(
            "A guest flips twice because nothing seemed to happen",
            true,
            new Want(true, 0),
            new Remote(false),
            new Fiddle(2),
            new Want(true, 0)),
    CHILD("A child plays with it and walks off", false, new Fiddle(5), new Pass(600_000), new Leave()),
    NIGHT_CUT(
            "The supply fails for an hour at night",
            false,
            new Want(true, 0),
            new Want(false, 0),
            new Cut(3_600_000),
            new Leave());

    private final String label;
    private final boolean needsRemote;
    private final List<Step> steps;

    Scenario(String label, boolean needsRemote, Step... steps) {
        this.label = label;
        this.needsRemote = needsRemote;
        this.steps = List.of(steps);
    }

    /** One thing that somebody does, or that happens. */
    sealed interface Step {}

    /** Somebody wants the lamp so, and works the switch at an end until it is. */
    record Want(boolean on, int end) implements Step {}

    record Remote(boolean on) implements Step {}

    /** The supply is away for so long. */
    record Cut(long ms) implements Step {}

    /** Somebody works the switch so many times without looking. */
    record Fiddle(int times) implements Step {}

    record Pass(long ms) implements Step {}

    /** Nobody is there any more: the lamp should be off. */
    record Leave() implements Step {}

    public String label() {
        return label;
    }

    /** Whether somebody uses a remote command in it. */
    public boolean needsRemote() {
        return needsRemote;
    }

    List<Step> steps() {
        return steps;
    }

    /** Whether it can happen at a wall. */
    public boolean suits(Wall wall) {
        return wall.ends() > 1 || this != BOTH_ENDS && this != BOTH_ENDS_REMOTE;
    }
}
