package org.hiddenclerk.app.job.search;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.concurrent.ExecutorService;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.background.Worker;
import org.hiddenclerk.app.stage.fitting.Standings;
import org.hiddenclerk.core.finding.Finding;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/** Keeps what is found of boxes as words that can be searched, behind everything else: whoever opens a house need not wait for it. */
@Component
class FindingWords {
    private static final Logger LOG = LoggerFactory.getLogger(FindingWords.class);
    private static final int LONGEST = 16_000;

    private final JdbcClient jdbc;
    private final Clock clock;
    private final ExecutorService worker = Worker.named("finding-words");

    FindingWords(JdbcClient jdbc, Clock clock) {
        this.jdbc = jdbc;
        this.clock = clock;
    }

    @PreDestroy
    void close() {
        worker.shutdownNow();
    }

    @EventListener
    void judged(Standings.Judged judged) {
        if (!worker.isShutdown()) {
            worker.submit(() -> keep(judged));
        }
    }

    private void keep(Standings.Judged judged) {
        String words =
                judged.findings().stream().map(Finding::reason).distinct().collect(Collectors.joining("\n"));
        try {
            // What is found as before is left as it is: a start judges every box anew, and the full-text index need not
            // hear of it.
            jdbc.sql(
                            """
                    INSERT INTO box_finding (box_id, words, judged_at) VALUES (:box, :words, :at)
                    ON DUPLICATE KEY UPDATE judged_at = IF(words = VALUES(words), judged_at, VALUES(judged_at)), words = VALUES(words)""")
                    .param("box", judged.box().toString())
                    .param("words", words.substring(0, Math.min(LONGEST, words.length())))
                    .param("at", LocalDateTime.ofInstant(clock.instant(), ZoneOffset.UTC))
                    .update();
        } catch (DataAccessException e) {
            // A box that was only tried, or is gone again: there is nothing to find.
            LOG.debug("Findings of {} are not kept: {}", judged.box(), e.getMessage());
        }
    }
}
