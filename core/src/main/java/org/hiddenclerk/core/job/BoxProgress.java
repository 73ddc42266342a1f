package org.hiddenclerk.core.job;

import java.util.EnumMap;
import java.util.Map;

/**
 * How far the stages of a box are, from what is known of it; a change of the survey reopens what was built on it.
 *
 * @param isSound      whether its wiring as found shows nothing that stops, and somebody looked at all of it
 * @param isPicked     whether a module is picked for it
 * @param mayBeIssued  whether its plan may be issued for work
 */
public record BoxProgress(
        boolean isSound, boolean isPicked, boolean mayBeIssued, Readings readings, Issued issued, Sheet sheet) {
    /** How far the readings of a box have come. */
    public enum Readings {
        UNREAD,
        READ,
        CERTAIN,
        CONTRADICTORY
    }

    /** The plan that was issued last. */
    public enum Issued {
        NONE,
        BEFORE_A_CHANGE,
        CURRENT
    }

    /** The run sheet that was begun last. */
    public enum Sheet {
        NONE,
        OF_ANOTHER_PLAN,
        OPEN,
        FINISHED
    }

    /** Of the stages whose standing rests on these facts; what each other stage keeps of a box says how far that is. */
    public Map<Stage, Stage.Progress> stages() {
        Map<Stage, Stage.Progress> stages = new EnumMap<>(Stage.class);
        stages.put(Stage.SURVEY, isSound ? Stage.Progress.DONE : Stage.Progress.BEGUN);
        stages.put(Stage.TRACE, tracing());
        stages.put(
                Stage.MATCH,
                !isPicked ? Stage.Progress.OPEN : mayBeIssued ? Stage.Progress.DONE : Stage.Progress.BEGUN);
        stages.put(Stage.DRAW, drawing());
        stages.put(Stage.FIT, fitting());
        if (readings == Readings.CONTRADICTORY) {
            // What was built on readings that cannot hold together stands open again.
            stages.replaceAll((stage, now) ->
                    stage.compareTo(Stage.TRACE) > 0 && now != Stage.Progress.OPEN ? Stage.Progress.REOPENED : now);
        }
        return stages;
    }

    private Stage.Progress tracing() {
        return switch (readings) {
            case UNREAD -> Stage.Progress.OPEN;
            case READ -> Stage.Progress.BEGUN;
            case CERTAIN -> Stage.Progress.DONE;
            case CONTRADICTORY -> Stage.Progress.REOPENED;
        };
    }

    private Stage.Progress drawing() {
        return switch (issued) {
            case NONE -> isPicked ? Stage.Progress.BEGUN : Stage.Progress.OPEN;
            case BEFORE_A_CHANGE -> Stage.Progress.REOPENED;
            case CURRENT -> Stage.Progress.DONE;
        };
    }

    private Stage.Progress fitting() {
        if (sheet != Sheet.NONE && issued != Issued.CURRENT) {
            return Stage.Progress.REOPENED;
        }
        return switch (sheet) {
            case NONE -> Stage.Progress.OPEN;
            case OF_ANOTHER_PLAN -> Stage.Progress.REOPENED;
            case OPEN -> Stage.Progress.BEGUN;
            case FINISHED -> Stage.Progress.DONE;
        };
    }
}
