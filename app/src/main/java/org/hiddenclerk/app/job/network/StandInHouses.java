package org.hiddenclerk.app.job.network;

import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.hiddenclerk.app.platform.background.Worker;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.standins.HouseClock;
import org.hiddenclerk.standins.StandInHouse;
import org.hiddenclerk.standins.wire.HttpFront;
import org.hiddenclerk.standins.wire.MqttFront;
import org.springframework.stereotype.Component;

/** Stand-in houses for jobs that have no real one at hand, reached as a real one would be: over the broker, and over HTTP. */
@Component
public class StandInHouses {
    private static final long TICK_MS = 200;

    private final BrokerLine broker;
    private final NetworkProperties properties;
    private final Map<UUID, Standing> houses = new ConcurrentHashMap<>();
    private final ScheduledExecutorService ticks = Worker.named("stand-in houses");

    StandInHouses(BrokerLine broker, NetworkProperties properties) {
        this.broker = broker;
        this.properties = properties;
        ticks.scheduleWithFixedDelay(
                () -> houses.values().forEach(standing -> standing.house.settle()),
                TICK_MS,
                TICK_MS,
                TimeUnit.MILLISECONDS);
    }

    private record Standing(StandInHouse house, List<AutoCloseable> fronts, HttpFront http) {}

    /** The stand-in house of a job, built when there is none yet. */
    public StandInHouse build(UUID job) {
        return houses.computeIfAbsent(job, j -> {
                    StandInHouse house = new StandInHouse(HouseClock.live(properties.hurry()));
                    List<AutoCloseable> fronts = new ArrayList<>();
                    for (Protocol protocol : Protocol.values()) {
                        if (protocol != Protocol.WIFI) {
                            fronts.add(new MqttFront(
                                    broker.broker(),
                                    "stand-in-" + protocol + "-" + j,
                                    Networks.rootOf(j),
                                    house.network(protocol)));
                        }
                    }
                    return new Standing(house, fronts, new HttpFront(house.network(Protocol.WIFI)));
                })
                .house;
    }

    public Optional<StandInHouse> of(UUID job) {
        return Optional.ofNullable(houses.get(job)).map(Standing::house);
    }

    Optional<String> httpOf(UUID job) {
        return Optional.ofNullable(houses.get(job)).map(standing -> standing.http.url());
    }

    @PreDestroy
    void stop() {
        ticks.shutdownNow();
        houses.values().forEach(standing -> {
            standing.http.close();
            standing.fronts.forEach(front -> {
                try {
                    front.close();
                } catch (Exception e) {
                    throw new IllegalStateException("Impossible state: a front closes without failing.", e);
                }
            });
        });
    }
}
