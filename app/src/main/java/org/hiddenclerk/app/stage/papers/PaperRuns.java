package org.hiddenclerk.app.stage.papers;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import java.util.concurrent.CancellationException;
import java.util.concurrent.ExecutorService;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.background.Worker;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.support.TransactionTemplate;

/** Prints papers behind everything else, one after the other; how far each is stands in the database, for every node. */
@Service
class PaperRuns {
    private static final Logger LOG = LoggerFactory.getLogger(PaperRuns.class);
    private static final long TELL_MS = 300;
    /** A paper of which nothing was heard for so long died with its node. */
    private static final Duration LONGEST = Duration.ofMinutes(10);
    /** Finished papers of one kind that are kept. */
    private static final int KEPT = 2;

    private final PaperRepository papers;
    private final PaperFileRepository files;
    private final PaperMaker maker;
    private final Houses houses;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final ExecutorService worker = Worker.named("papers");

    PaperRuns(
            PaperRepository papers,
            PaperFileRepository files,
            PaperMaker maker,
            Houses houses,
            Clock clock,
            PlatformTransactionManager transactions) {
        this.papers = papers;
        this.files = files;
        this.maker = maker;
        this.houses = houses;
        this.clock = clock;
        // How far a paper is is told from within the one long look at its house.
        transaction = new TransactionTemplate(transactions);
        transaction.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
    }

    @PreDestroy
    void close() {
        worker.shutdownNow();
    }

    List<PaperRow> of(UUID job) {
        houses.job(job);
        Instant old = clock.instant().minus(LONGEST);
        papers.findByJobIdOrderByMadeAtDesc(job).stream()
                .filter(row ->
                        row.state() == PaperRow.State.RUNNING && row.madeAt().isBefore(old))
                .forEach(row -> end(
                        row.id(), PaperRow.State.FAILED, "The clerk was stopped meanwhile. Make it again.", false, 0));
        return papers.findByJobIdOrderByMadeAtDesc(job);
    }

    /** @throws ProblemException when the job has no such paper */
    PaperRow find(UUID job, UUID paper) {
        return papers.findById(paper)
                .filter(row -> row.jobId().equals(job))
                .orElseThrow(() -> ProblemException.notFound("paper"));
    }

    UUID start(UUID job, PaperKind kind, PaperSize size, String who) {
        houses.job(job);
        PaperRow row = papers.saveAndFlush(new PaperRow(job, kind, size, who, now()));
        worker.submit(() -> print(row, who));
        return row.id();
    }

    private void print(PaperRow row, String who) {
        long[] told = {0};
        Watch watch = (words, done, of) -> {
            long now = System.nanoTime() / 1_000_000;
            if (now - told[0] >= TELL_MS) {
                told[0] = now;
                if (transaction.execute(status -> papers.reached(row.id(), words, done, of)) == 0) {
                    throw new CancellationException();
                }
            }
        };
        try {
            PaperMaker.Printed printed = maker.print(row.jobId(), row.kind(), row.size(), who, watch);
            transaction.executeWithoutResult(status -> {
                if (papers.ended(
                                row.id(),
                                PaperRow.State.DONE,
                                printed.draft() ? "printed as a draft" : "printed",
                                printed.draft(),
                                printed.pdf().length,
                                now())
                        > 0) {
                    files.save(new PaperFileRow(row.id(), printed.pdf()));
                    forgetOld(row);
                }
            });
        } catch (CancellationException e) {
            LOG.info("Paper {} was stopped.", row.id());
        } catch (ProblemException e) {
            end(row.id(), PaperRow.State.FAILED, e.getMessage(), false, 0);
        } catch (OutOfMemoryError e) {
            // One paper too large must not leave a job that says for ever that it runs.
            LOG.error("Paper {} is too large for the memory of the clerk.", row.id(), e);
            end(row.id(), PaperRow.State.FAILED, "The paper is too large for the memory that the clerk has.", false, 0);
        } catch (RuntimeException e) {
            LOG.error("Paper {} could not be printed.", row.id(), e);
            end(
                    row.id(),
                    PaperRow.State.FAILED,
                    "The paper could not be printed; the log of the clerk says why.",
                    false,
                    0);
        }
    }

    private void forgetOld(PaperRow printed) {
        papers.findByJobIdOrderByMadeAtDesc(printed.jobId()).stream()
                .filter(row -> row.kind() == printed.kind() && row.state() != PaperRow.State.RUNNING)
                .skip(KEPT)
                .forEach(row -> {
                    files.findById(row.id()).ifPresent(files::delete);
                    files.flush();
                    papers.delete(row);
                });
    }

    private void end(UUID paper, PaperRow.State state, String words, boolean draft, int bytes) {
        transaction.executeWithoutResult(status -> papers.ended(paper, state, words, draft, bytes, now()));
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }

    void stop(UUID job, UUID paper) {
        find(job, paper);
        end(paper, PaperRow.State.STOPPED, "stopped", false, 0);
    }

    byte[] pdf(UUID paper) {
        return files.findById(paper)
                .map(PaperFileRow::pdf)
                .orElseThrow(() -> ProblemException.conflict("This paper is not printed yet."));
    }
}
