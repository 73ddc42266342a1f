package org.hiddenclerk.app.stage.fitting;

import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.OpenHouse;
import org.hiddenclerk.app.platform.background.Rest;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Judges every box once after a start, in half of the time, so that the first person to open a house need not wait for it. */
@Component
public class WarmStandings {
    private static final Logger LOG = LoggerFactory.getLogger(WarmStandings.class);

    private final OpenHouse openHouse;
    private final Houses houses;
    private final Boxes boxes;
    private final Standings standings;
    private final Plans plans;
    private final TransactionTemplate transaction;
    private final ApplicationEventPublisher events;

    WarmStandings(
            OpenHouse openHouse,
            Houses houses,
            Boxes boxes,
            Standings standings,
            Plans plans,
            TransactionTemplate transaction,
            ApplicationEventPublisher events) {
        this.openHouse = openHouse;
        this.houses = houses;
        this.boxes = boxes;
        this.standings = standings;
        this.plans = plans;
        this.transaction = transaction;
        this.events = events;
    }

    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread worker = new Thread(this::judgeAll, "warm-standings");
        worker.setDaemon(true);
        worker.setPriority(Thread.MIN_PRIORITY);
        worker.start();
    }

    /** All boxes were judged after a start, in the thread that says so. */
    public record HousesJudged(List<UUID> jobs) {}

    private void judgeAll() {
        try {
            List<UUID> jobs =
                    openHouse.dayBook().stream().map(entry -> entry.job().id()).toList();
            jobs.forEach(job -> Rest.after(() -> transaction.executeWithoutResult(status -> judge(job)), 1));
            events.publishEvent(new HousesJudged(jobs));
        } catch (RuntimeException e) {
            // Only speed is lost: whoever opens a house has it judged then.
            LOG.info("Boxes could not be judged ahead: {}", e.getMessage());
        }
    }

    private void judge(UUID job) {
        HouseContext house = houses.context(job);
        Plans.Circumstances circumstances = plans.circumstances(job);
        for (BoxRow row : boxes.ofJob(job)) {
            try {
                standings.of(boxes.found(row, job, house), circumstances);
            } catch (ProblemException e) {
                LOG.info("Box {} could not be judged ahead: {}", row.label(), e.getMessage());
            }
        }
    }
}
