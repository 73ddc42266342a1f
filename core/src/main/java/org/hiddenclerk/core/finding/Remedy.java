package org.hiddenclerk.core.finding;

/**
 * One way to mend a finding.
 *
 * @param kind what sort of step it is, for a button
 * @param text what will be done, in a few words
 */
public record Remedy(Kind kind, String text) {

    /** Sorts of steps. */
    public enum Kind {
        REWIRE,
        ADD_BYPASS,
        DEEPER_BOX,
        WORK_AT_LAMP,
        OTHER_MODULE,
        SPLIT_LOAD,
        ADD_CONNECTOR,
        COMPLETE_SURVEY,
        FIND_OUT,
        CHANGE_BEHAVIOUR,
        USE_CONTACTOR,
        ADD_ROUTER,
        CHANGE_RULE
    }

    public static Remedy rewire(String text) {
        return new Remedy(Kind.REWIRE, text);
    }
}
