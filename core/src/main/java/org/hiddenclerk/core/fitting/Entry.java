package org.hiddenclerk.core.fitting;

import java.math.BigDecimal;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What was written on a run sheet, by whom and when. Each kind knows by what the sheet judges it and what it makes of the sheet. */
public sealed interface Entry {

    String who();

    Instant when();

    /** Judges it on a sheet, which stays as it is. */
    RunSheet.Outcome judgedOn(RunSheet sheet);

    /** Writes it on a sheet that has accepted it. */
    void writtenOn(RunSheet sheet);

    /** The step that it brings to an end; empty for what does not. */
    default Optional<String> ends() {
        return Optional.empty();
    }

    /**
     * A step was done.
     *
     * @param confirmed ids of what was confirmed
     * @param readings  measured values by reading id
     * @param note      free text, may be empty
     */
    record Done(
            String stepId,
            Set<String> confirmed,
            Map<String, BigDecimal> readings,
            String note,
            String who,
            Instant when)
            implements Entry {
        public Done {
            confirmed = Set.copyOf(confirmed);
            readings = Map.copyOf(readings);
        }

        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeDone(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.enter(this);
        }

        @Override
        public Optional<String> ends() {
            return Optional.of(stepId);
        }
    }

    /**
     * Something reads live, or a reading failed: the sheet stops.
     *
     * @param reason  what was found
     * @param reading the reading that failed, where one did
     */
    record Stopped(String stepId, String reason, Optional<String> reading, String who, Instant when) implements Entry {
        /** Stopped by a person. */
        public Stopped(String stepId, String reason, String who, Instant when) {
            this(stepId, reason, Optional.empty(), who, when);
        }

        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeStopped(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.stop(this);
        }
    }

    /**
     * Work was taken up again after a stop. What rests on what was wrong is done again, and no more.
     *
     * @param reason what was put right
     */
    record Resumed(String reason, String who, Instant when) implements Entry {
        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeResumed(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.goOn();
        }
    }

    /**
     * Something of a step was confirmed, or is not so after all. Whoever else works on the sheet sees it; the step itself is done
     * by {@link Done}.
     *
     * @param item id of the confirmation
     */
    record Ticked(String stepId, String item, boolean on, String who, Instant when) implements Entry {
        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeTicked(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.tick(this);
        }
    }

    /** Something of a step was measured. @param item id of the reading */
    record Measured(String stepId, String item, BigDecimal value, String who, Instant when) implements Entry {
        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeMeasured(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.measure(this);
        }
    }

    /**
     * A value was mistyped, and this is what it read.
     *
     * @param reason how the mistake came about
     */
    record Corrected(String stepId, String item, BigDecimal value, String reason, String who, Instant when)
            implements Entry {
        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeCorrected(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.correct(this);
        }
    }

    /**
     * Somebody took a lock off a circuit of this sheet, switched it on or set other work on it aside: what was proved of it counts no more.
     *
     * @param reason who did what
     */
    record Voided(String reason, String who, Instant when) implements Entry {
        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeVoided(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.isVoided(this);
        }
    }

    /** A step that may be was left out. @param reason why */
    record Skipped(String stepId, String reason, String who, Instant when) implements Entry {
        @Override
        public RunSheet.Outcome judgedOn(RunSheet sheet) {
            return sheet.judgeSkipped(this);
        }

        @Override
        public void writtenOn(RunSheet sheet) {
            sheet.skip(this);
        }

        @Override
        public Optional<String> ends() {
            return Optional.of(stepId);
        }
    }
}
