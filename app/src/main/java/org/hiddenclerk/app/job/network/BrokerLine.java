package org.hiddenclerk.app.job.network;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.hiddenclerk.standins.wire.MqttLine;
import org.springframework.stereotype.Component;

/** The broker: that of the firm, or the one inside, which is started when it is first needed. */
@Component
public class BrokerLine {
    private final NetworkProperties properties;
    private final BrokerAccounts accounts;
    private Optional<EmbeddedBroker> inside = Optional.empty();

    BrokerLine(NetworkProperties properties, BrokerAccounts accounts) {
        this.properties = properties;
        this.accounts = accounts;
        accounts.whenTaken(user -> inside().ifPresent(broker -> broker.sendOut(user)));
    }

    private synchronized Optional<EmbeddedBroker> inside() {
        return inside;
    }

    /** @throws UncheckedIOException when the one inside does not start */
    public synchronized MqttLine.Broker broker() {
        if (properties.hasOwnBroker()) {
            return new MqttLine.Broker(properties.brokerUrl(), properties.brokerUser(), properties.brokerPassword());
        }
        if (inside.isEmpty()) {
            try {
                inside = Optional.of(new EmbeddedBroker(
                        properties.brokerPort(), UUID.randomUUID().toString(), accounts));
            } catch (IOException e) {
                throw new UncheckedIOException("The broker inside does not start.", e);
            }
        }
        return inside.get().broker();
    }

    /** Whether accounts of this application mean anything there. */
    public boolean isInside() {
        return !properties.hasOwnBroker();
    }

    @PreDestroy
    synchronized void stop() {
        inside.ifPresent(EmbeddedBroker::close);
    }
}
