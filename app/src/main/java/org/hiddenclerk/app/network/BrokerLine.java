package org.hiddenclerk.app.network;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.hiddenclerk.standins.wire.MqttLine;
import org.springframework.stereotype.Component;

/** The broker: that of the firm, or the one inside, which is started when it is first needed. */
@Component
class BrokerLine {
    private final NetworkProperties properties;
    private Optional<EmbeddedBroker> inside = Optional.empty();

    BrokerLine(NetworkProperties properties) {
        this.properties = properties;
    }

    synchronized MqttLine.Broker broker() {
        if (properties.hasOwnBroker()) {
            return new MqttLine.Broker(properties.brokerUrl(), properties.brokerUser(), properties.brokerPassword());
        }
        if (inside.isEmpty()) {
            try {
                inside = Optional.of(new EmbeddedBroker(properties.brokerPort()));
            } catch (IOException e) {
                throw new UncheckedIOException("The broker inside does not start.", e);
            }
        }
        return inside.get().broker();
    }

    @PreDestroy
    synchronized void stop() {
        inside.ifPresent(EmbeddedBroker::close);
    }
}
