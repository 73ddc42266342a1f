package org.hiddenclerk.app.stage.choosing;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.platform.background.Rest;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.fitting.WarmStandings.HousesJudged;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.RecordSurvey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.event.TransactionalEventListener;

/**
 * Matches houses ahead of whoever asks: all of them after a start, when their boxes have been judged, and one of them when it has
 * been left alone for a moment after a change. Whoever asks then finds the kinds of boxes known.
 */
@Component
class WarmMatches {
    private static final Logger LOG = LoggerFactory.getLogger(WarmMatches.class);
    private static final Duration LEFT_ALONE = Duration.ofSeconds(1);
    /** It takes at most a tenth of the time: where many people work, their changes would otherwise keep the processors busy. */
    private static final int RESTS = 9;

    private static final int RESTS_AFTER_START = 1;
    /** Houses that are matched again when the stock book changed: those that were matched last. */
    private static final int LATEST = 4;

    private final HouseMatches matches;
    private final Map<UUID, Future<?>> due = new LinkedHashMap<>();
    private final Map<UUID, Integer> matched = new LinkedHashMap<>();
    private final ScheduledExecutorService worker = Executors.newSingleThreadScheduledExecutor(task -> {
        Thread thread = new Thread(task, "warm-matches");
        thread.setDaemon(true);
        thread.setPriority(Thread.MIN_PRIORITY);
        return thread;
    });

    WarmMatches(HouseMatches matches) {
        this.matches = matches;
    }

    @PreDestroy
    void stop() {
        worker.shutdownNow();
    }

    @EventListener
    void match(HousesJudged judged) {
        judged.jobs().forEach(job -> Rest.after(() -> match(job), RESTS_AFTER_START));
    }

    @TransactionalEventListener
    void match(RecordSurvey.SurveyKept kept) {
        matchSoon(kept.job());
    }

    @TransactionalEventListener
    void match(HouseSettings.WantsChanged changed) {
        matchSoon(changed.job());
    }

    @EventListener(StockBook.StockChanged.class)
    void matchLatest() {
        List<UUID> latest;
        synchronized (this) {
            List<UUID> all = List.copyOf(matched.keySet());
            latest = all.subList(Math.max(0, all.size() - LATEST), all.size());
        }
        latest.forEach(this::matchSoon);
    }

    /** How often a house was matched ahead. */
    synchronized int timesMatched(UUID job) {
        return matched.getOrDefault(job, 0);
    }

    private synchronized void matchSoon(UUID job) {
        Future<?> earlier = due.put(
                job,
                worker.schedule(
                        () -> Rest.after(() -> match(job), RESTS), LEFT_ALONE.toMillis(), TimeUnit.MILLISECONDS));
        if (earlier != null) {
            earlier.cancel(false);
        }
    }

    private void match(UUID job) {
        try {
            matches.matchAhead(job, matches.survey(job));
            synchronized (this) {
                due.remove(job);
                int times = matched.getOrDefault(job, 0);
                matched.remove(job);
                matched.put(job, times + 1);
            }
        } catch (ProblemException | IllegalArgumentException | org.springframework.dao.DataAccessException e) {
            // Only speed is lost: whoever asks has it matched then.
            LOG.info("A house could not be matched ahead: {}", e.getMessage());
        }
    }
}
