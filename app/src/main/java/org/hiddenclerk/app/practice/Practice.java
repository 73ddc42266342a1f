package org.hiddenclerk.app.practice;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.core.practice.Marks;
import org.hiddenclerk.core.practice.NotPossible;
import org.hiddenclerk.core.practice.PracticeLevel;
import org.hiddenclerk.core.practice.PracticeRun;
import org.hiddenclerk.core.practice.PracticeWall;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Practice walls of each person. A wall is kept as its level, its seed and what was done at it. */
@Service
class Practice {
    private static final Limit SHOWN = Limit.of(50);
    /** More deeds than any wall needs. */
    private static final int MOST_DEEDS = 1_000;

    private final PracticeRepository runs;
    private final StockBook stock;
    private final Clock clock;
    private final JsonMapper json = JsonMapper.builder().build();

    Practice(PracticeRepository runs, StockBook stock, Clock clock) {
        this.runs = runs;
        this.stock = stock;
        this.clock = clock;
    }

    /**
     * A run with what it was kept as.
     *
     * @param deeds how many were done
     */
    record StoredRun(PracticeRow row, PracticeRun run, int deeds) {}

    @Transactional(readOnly = true)
    List<PracticeRow> of(String learner) {
        return runs.findByLearnerOrderByStartedAtDesc(learner, SHOWN);
    }

    @Transactional
    StoredRun start(String learner, PracticeLevel level, long seed) {
        PracticeRow row =
                runs.save(new PracticeRow(learner, level, seed, clock.instant().truncatedTo(ChronoUnit.MICROS)));
        return new StoredRun(row, run(row, List.of()), 0);
    }

    @Transactional(readOnly = true)
    StoredRun find(String learner, UUID id) {
        PracticeRow row = row(learner, id);
        List<DeedEntry> deeds = deeds(row);
        return new StoredRun(row, run(row, deeds), deeds.size());
    }

    /**
     * Does something at the wall.
     *
     * @param after how many deeds were done before, as the learner sees it
     */
    @Transactional
    StoredRun act(String learner, UUID id, int after, DeedEntry deed) {
        PracticeRow row = row(learner, id);
        List<DeedEntry> deeds = new ArrayList<>(deeds(row));
        if (deeds.size() != after) {
            throw ProblemException.conflict("This wall was worked on in another window. Load it as it is now.");
        }
        if (deeds.size() >= MOST_DEEDS) {
            throw ProblemException.conflict("There were " + MOST_DEEDS + " deeds at this wall. Take another.");
        }
        deeds.add(deed);
        PracticeRun run = run(row, deeds);
        row.deeds(json.writeValueAsString(deeds));
        if (run.phase() == PracticeRun.Phase.DONE) {
            Marks marks = run.marks();
            row.finished(marks, clock.instant().truncatedTo(ChronoUnit.MICROS));
        }
        return new StoredRun(row, run, deeds.size());
    }

    private PracticeRow row(String learner, UUID id) {
        return runs.findByIdAndLearner(id, learner).orElseThrow(() -> ProblemException.notFound("practice wall"));
    }

    private List<DeedEntry> deeds(PracticeRow row) {
        return Arrays.asList(json.readValue(row.deeds(), DeedEntry[].class));
    }

    private PracticeRun run(PracticeRow row, List<DeedEntry> deeds) {
        try {
            return PracticeRun.of(
                    PracticeWall.of(row.level(), row.seed()),
                    stock.models(),
                    deeds.stream().map(DeedEntry::deed).toList());
        } catch (NotPossible e) {
            throw ProblemException.conflict(String.valueOf(e.getMessage()));
        }
    }
}
