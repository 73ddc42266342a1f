package org.hiddenclerk.app.platform.nodes;

import jakarta.annotation.PreDestroy;
import java.time.Duration;
import java.time.Instant;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ScheduledExecutorService;
import net.javacrumbs.shedlock.core.LockConfiguration;
import net.javacrumbs.shedlock.core.LockProvider;
import net.javacrumbs.shedlock.core.SimpleLock;
import net.javacrumbs.shedlock.provider.jdbctemplate.JdbcTemplateLockProvider;
import net.javacrumbs.shedlock.provider.jdbctemplate.JdbcTemplateLockProvider.Configuration;
import net.javacrumbs.shedlock.support.KeepAliveLockProvider;
import org.hiddenclerk.app.platform.background.Worker;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.stereotype.Component;

/**
 * Work that one node does alone. A lease stands in the database by the database's own clock and is renewed while its node lives; a node
 * that died loses it after {@link #AFTER_DEATH}.
 */
@Component
public class Leases {
    /** How long work waits for another node when the one that did it died. */
    public static final Duration AFTER_DEATH = Duration.ofSeconds(30);

    private static final Duration AT_LEAST = Duration.ZERO;

    private final LockProvider provider;
    private final Map<String, SimpleLock> held = new ConcurrentHashMap<>();
    private final ScheduledExecutorService renewing = Worker.named("leases");

    Leases(JdbcTemplate jdbc, Node node) {
        provider = new KeepAliveLockProvider(
                new JdbcTemplateLockProvider(Configuration.builder()
                        .withJdbcTemplate(jdbc)
                        .withTableName("lease")
                        .withLockedByValue(node.name())
                        .usingDbTime()
                        .build()),
                renewing);
    }

    /** Whether this node holds it, now or from now on. */
    public synchronized boolean take(String name) {
        if (held.containsKey(name)) {
            return true;
        }
        Optional<SimpleLock> lock = provider.lock(new LockConfiguration(Instant.now(), name, AFTER_DEATH, AT_LEAST));
        lock.ifPresent(each -> held.put(name, each));
        return lock.isPresent();
    }

    public synchronized void giveBack(String name) {
        Optional.ofNullable(held.remove(name)).ifPresent(SimpleLock::unlock);
    }

    /** Does something if no other node is at it. */
    public void alone(String name, Runnable work) {
        if (take(name)) {
            try {
                work.run();
            } finally {
                giveBack(name);
            }
        }
    }

    /** A node that goes in good order leaves nothing that others must wait for. */
    @PreDestroy
    void giveAllBack() {
        held.keySet().forEach(name -> {
            try {
                giveBack(name);
            } catch (RuntimeException e) {
                // The database is away: the lease runs out.
                held.remove(name);
            }
        });
        renewing.shutdownNow();
    }
}
