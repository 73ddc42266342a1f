package org.hiddenclerk.core.job;

/**
 * How far a job is, from counts of its boxes.
 *
 * @param boxes      all of them
 * @param planned    for which a module is picked
 * @param issued     whose plan is issued
 * @param fitted     whose run sheet is finished
 * @param handedOver whether the house was given to its people
 * @param archived   whether the firm is done with it
 */
public record JobProgress(int boxes, int planned, int issued, int fitted, boolean handedOver, boolean archived) {
    /** Where a job stands in the day book. */
    public enum State {
        PLANNING("planning"),
        ON_SITE("on site"),
        TO_HAND_OVER("to hand over"),
        HANDED_OVER("handed over"),
        ARCHIVED("archived");

        private final String label;

        State(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }
    }

    public State state() {
        if (archived) {
            return State.ARCHIVED;
        }
        if (handedOver) {
            return State.HANDED_OVER;
        }
        if (planned > 0 && fitted >= planned) {
            return State.TO_HAND_OVER;
        }
        return issued > 0 ? State.ON_SITE : State.PLANNING;
    }

    /** The stage in which there is something to do next. */
    public Stage nextStage() {
        if (boxes == 0) {
            return Stage.SURVEY;
        }
        if (planned == 0) {
            return Stage.MATCH;
        }
        if (issued < planned && fitted >= issued) {
            return Stage.DRAW;
        }
        return fitted < planned ? Stage.FIT : Stage.HAND_OVER;
    }

    /** What to do next, in words. */
    public String next() {
        if (archived || handedOver) {
            return handedOver ? "nothing open; service when it is asked for" : "nothing";
        }
        return switch (nextStage()) {
            case SURVEY -> "survey the first box";
            case MATCH -> "pick modules: " + boxes + (boxes == 1 ? " box waits" : " boxes wait");
            case DRAW -> "issue plans: " + (planned - issued) + " of " + planned + " wait";
            case FIT -> "fit: " + (issued - fitted) + " of " + planned + " boxes are issued and wait";
            default -> "test and hand over";
        };
    }
}
