package org.hiddenclerk.core.practice;

/**
 * Something that could have hurt the learner.
 *
 * @param after how many deeds were done before it
 */
public record UnsafeDeed(Kind kind, int after, String words) {

    /** What was wrong, gravest first. */
    public enum Kind {
        TOUCHED_LIVE,
        NOT_PROVED_DEAD,
        NOT_LOCKED,
        TESTER_NOT_PROVED
    }
}
