package org.hiddenclerk.app.job.network;

import jakarta.annotation.PreDestroy;
import java.io.UncheckedIOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.standins.wire.HttpGateway;
import org.hiddenclerk.standins.wire.MqttGateway;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.dao.ConcurrencyFailureException;
import org.springframework.dao.DataIntegrityViolationException;
import org.springframework.stereotype.Component;

/** Gateways to the networks of jobs. What is heard goes to every {@link Ear}. */
@Component
public class Networks {
    private final BrokerLine broker;
    private final StandInHouses standIns;
    private final NetworkProperties properties;
    private final ObjectProvider<Ear> ears;
    private final Map<Key, Gateway> gateways = new ConcurrentHashMap<>();

    Networks(BrokerLine broker, StandInHouses standIns, NetworkProperties properties, ObjectProvider<Ear> ears) {
        this.broker = broker;
        this.standIns = standIns;
        this.properties = properties;
        this.ears = ears;
    }

    private record Key(UUID job, Protocol protocol) {}

    /** Whoever wants to know what networks tell. */
    public interface Ear {
        void heard(UUID job, Protocol protocol, GatewayEvent heard);
    }

    static String rootOf(UUID job) {
        return "clerk/" + job;
    }

    /** Whether there is anything to be asked. */
    public boolean isThere(UUID job) {
        return standIns.of(job).isPresent() || properties.hasOwnBroker();
    }

    /** How long something takes in the house of a job that takes so long in life: stand-ins hurry, real modules do not. */
    public Duration takes(UUID job, Duration inLife) {
        return standIns.of(job).isPresent() ? inLife.dividedBy(properties.hurry()) : inLife;
    }

    /** @throws ProblemException where nothing is there to be asked, or the broker is away */
    public Gateway of(UUID job, Protocol protocol) {
        if (!isThere(job)) {
            throw ProblemException.conflict(
                    "No network of this house is connected. Build the stand-in house, or name a broker when the application is started.");
        }
        try {
            return gateways.computeIfAbsent(new Key(job, protocol), key -> {
                Gateway gateway = connect(key);
                gateway.listen(heard -> ears.forEach(ear -> tell(ear, job, protocol, heard)));
                return gateway;
            });
        } catch (UncheckedIOException e) {
            throw ProblemException.conflict(e.getMessage());
        }
    }

    /** Every node hears the same and writes it down; whoever comes second finds it written. */
    private static void tell(Ear ear, UUID job, Protocol protocol, GatewayEvent heard) {
        try {
            ear.heard(job, protocol, heard);
        } catch (DataIntegrityViolationException | ConcurrencyFailureException writtenMeanwhile) {
            ear.heard(job, protocol, heard);
        }
    }

    private Gateway connect(Key key) {
        Duration patience = Duration.ofMillis(properties.patienceMillis());
        Optional<String> http = key.protocol == Protocol.WIFI ? standIns.httpOf(key.job) : Optional.empty();
        return http.isPresent()
                ? new HttpGateway(http.get(), key.protocol, patience)
                : new MqttGateway(broker.broker(), rootOf(key.job), key.protocol, patience);
    }

    @PreDestroy
    void stop() {
        List.copyOf(gateways.values()).forEach(gateway -> {
            if (gateway instanceof MqttGateway mqtt) {
                mqtt.close();
            } else if (gateway instanceof HttpGateway http) {
                http.close();
            }
        });
    }
}
