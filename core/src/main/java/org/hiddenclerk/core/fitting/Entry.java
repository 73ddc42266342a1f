package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Map;
import java.util.Set;

/** What was written on a run sheet, by whom and when. */
public sealed interface Entry {

    String who();

    Instant when();

    /**
     * A step was done.
     *
     * @param confirmed ids of what was confirmed
     * @param readings  measured values by reading id
     * @param note      free text, may be empty
     */
    record Done(String stepId, Set<String> confirmed, Map<String, BigDecimal> readings, String note, String who,
                Instant when) implements Entry {
        public Done {
            confirmed = Set.copyOf(confirmed);
            readings = Map.copyOf(readings);
        }
    }

    /**
     * Something reads live, or a reading failed: the sheet stops.
     *
     * @param reason what was found
     */
    record Stopped(String stepId, String reason, String who, Instant when) implements Entry {
    }

    /**
     * Work was taken up again after a stop; isolation starts over.
     *
     * @param reason what was put right
     */
    record Resumed(String reason, String who, Instant when) implements Entry {
    }

    /**
     * Something of a step was confirmed, or is not so after all. Whoever else works on the sheet sees it; the step itself is done
     * by {@link Done}.
     *
     * @param item id of the confirmation
     */
    record Ticked(String stepId, String item, boolean on, String who, Instant when) implements Entry {
    }

    /** Something of a step was measured. @param item id of the reading */
    record Measured(String stepId, String item, BigDecimal value, String who, Instant when) implements Entry {
    }

    /** A step that is no gate was left out. @param reason why */
    record Skipped(String stepId, String reason, String who, Instant when) implements Entry {
    }
}
