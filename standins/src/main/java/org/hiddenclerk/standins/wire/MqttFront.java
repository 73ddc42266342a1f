package org.hiddenclerk.standins.wire;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import tools.jackson.core.JacksonException;

/** Lets a network be asked over MQTT. An order that comes twice is done once and answered twice. */
public final class MqttFront implements AutoCloseable {
    private static final int REMEMBERED = 500;

    private final MqttLine line;
    private final ExecutorService hands = Executors.newSingleThreadExecutor(work -> {
        Thread thread = new Thread(work, "stand-in gateway");
        thread.setDaemon(true);
        return thread;
    });
    private final Map<String, Optional<Answer>> done = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<String, Optional<Answer>> eldest) {
            return size() > REMEMBERED;
        }
    };

    public MqttFront(MqttLine.Broker broker, String name, String root, Gateway network) {
        line = new MqttLine(
                broker,
                name,
                java.util.List.of(Wire.orders(root, network.protocol())),
                (topic, message) -> hands.execute(() -> answer(root, network, message)));
        network.listen(heard -> line.send(Wire.heard(root, network.protocol()), Wire.write(heard)));
    }

    private void answer(String root, Gateway network, byte[] message) {
        Wire.Asked asked;
        try {
            asked = Wire.read(message, Wire.Asked.class);
        } catch (JacksonException e) {
            // Whoever sent this is no asker; nobody waits.
            return;
        }
        Optional<Answer> answer = done.containsKey(asked.id()) ? done.get(asked.id()) : network.ask(asked.order());
        done.put(asked.id(), answer);
        answer.ifPresent(a -> line.send(
                Wire.answers(root, network.protocol(), asked.asker()), Wire.write(new Wire.Answered(asked.id(), a))));
    }

    @Override
    public void close() {
        hands.shutdownNow();
        line.close();
    }
}
