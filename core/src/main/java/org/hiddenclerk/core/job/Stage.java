package org.hiddenclerk.core.job;

/** The ten stages of a job, in the order in which practitioners work. */
public enum Stage {
    SURVEY,
    TRACE,
    MATCH,
    DRAW,
    BENCH,
    FIT,
    JOIN,
    FEEL,
    RULES,
    HAND_OVER;

    /** How far a stage is for a box. */
    public enum Progress {
        OPEN,
        BEGUN,
        DONE,
        /** It was done, and a change upstream has opened it again. */
        REOPENED
    }
}
