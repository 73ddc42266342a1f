package org.hiddenclerk.app.platform.nodes;

import jakarta.annotation.PreDestroy;
import java.util.Arrays;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.background.Worker;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * Tells other nodes of houses whose rows were put in anew here, and hears of theirs within a second. Everything else that is kept in
 * memory is kept by versions that stand in the rows themselves.
 */
@Component
class HousesReadElsewhere {
    private static final long GLANCE_MS = 1_000;
    private static final int KEPT_DAYS = 1;

    private final JdbcClient jdbc;
    private final ApplicationEventPublisher events;
    private final Node node;
    private final ScheduledExecutorService glancing = Worker.named("houses read elsewhere");
    private long heard;

    HousesReadElsewhere(JdbcClient jdbc, ApplicationEventPublisher events, Node node) {
        this.jdbc = jdbc;
        this.events = events;
        this.node = node;
    }

    @EventListener
    void tell(HouseReadAnew anew) {
        if (!anew.elsewhere()) {
            jdbc.sql(
                            "INSERT INTO house_read_anew (node, job_id, boxes, told_at) VALUES (:node, :job, :boxes, UTC_TIMESTAMP(6))")
                    .param("node", node.name())
                    .param("job", anew.job().toString())
                    .param("boxes", anew.boxes().stream().map(UUID::toString).collect(Collectors.joining(",")))
                    .update();
            jdbc.sql("DELETE FROM house_read_anew WHERE told_at < UTC_TIMESTAMP(6) - INTERVAL :days DAY")
                    .param("days", KEPT_DAYS)
                    .update();
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void listen() {
        heard = jdbc.sql("SELECT COALESCE(MAX(number), 0) FROM house_read_anew")
                .query(Long.class)
                .single();
        glancing.scheduleWithFixedDelay(this::glance, GLANCE_MS, GLANCE_MS, TimeUnit.MILLISECONDS);
    }

    private record Said(long number, String node, UUID job, String boxes) {}

    private void glance() {
        try {
            // What was told in the last seconds is heard again: a lower number may be written after a higher one.
            for (Said said : jdbc.sql("SELECT number, node, job_id, boxes FROM house_read_anew WHERE number > :heard "
                            + "OR told_at > UTC_TIMESTAMP(6) - INTERVAL 3 SECOND ORDER BY number")
                    .param("heard", heard)
                    .query((row, i) ->
                            new Said(row.getLong(1), row.getString(2), row.getObject(3, UUID.class), row.getString(4)))
                    .list()) {
                heard = Math.max(heard, said.number());
                if (!said.node().equals(node.name())) {
                    hear(said);
                }
            }
        } catch (DataAccessException e) {
            // The database is away: the next glance hears of it.
        }
    }

    private void hear(Said said) {
        Set<UUID> boxes = Arrays.stream(said.boxes().split(","))
                .filter(id -> !id.isEmpty())
                .map(UUID::fromString)
                .collect(Collectors.toSet());
        events.publishEvent(new HouseReadAnew(said.job(), boxes, true));
    }

    @PreDestroy
    void close() {
        glancing.shutdownNow();
    }
}
