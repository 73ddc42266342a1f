package org.hiddenclerk.core.behaviour;

/**
 * What a hand finds at the wall.
 *
 * @param ends how many of them are read as one input: two at a stair whose pair of change-overs stays
 */
public record Wall(Kind kind, int ends) {
    /** Whether it stays where it is put. */
    public enum Kind {
        /** Stays where it is put. */
        ROCKER("flip"),
        /** Springs back. */
        PUSH("press"),
        /** Sits in the way of the supply and breaks it for an instant as it is turned over. */
        SUPPLY("flip"),
        /** Two for the two directions of a blind. */
        UP_DOWN("press");

        private final String deed;

        Kind(String deed) {
            this.deed = deed;
        }

        /** What a hand does to it. */
        public String deed() {
            return deed;
        }
    }

    public Wall {
        if (ends < 1) {
            throw new IllegalArgumentException("The ends (" + ends + ") must be at least 1.");
        }
    }

    /** Whether its position says anything about the lamp. */
    boolean hasUp() {
        return kind == Kind.ROCKER && ends == 1;
    }
}
