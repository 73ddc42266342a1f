package org.hiddenclerk.app.stage.live;

import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import org.hiddenclerk.app.job.network.BrokerLine;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.standins.wire.MqttLine;
import org.springframework.stereotype.Component;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/**
 * What is told of houses that run, by way of the broker: whichever node a house runs on, every node hears of it. What was told last
 * is kept by the broker.
 */
@Component
class LiveNews {
    private static final String ALL = "clerk/+/live/+";
    private static final int KEPT = 200;
    /**
     * Whoever watches asks anew after this time, and is let in anew: a link that ran out or a job that was taken
     * away shows no more by then.
     */
    private static final long WATCH_MS = 2 * 60_000L;

    private static final long ASK_AGAIN_MS = 200;
    /** A house is told of every two seconds; what nobody told anew for so long is a house whose node is gone. */
    private static final long TOO_OLD_NANOS = 10_000_000_000L;

    private final BrokerLine broker;
    private final JsonMapper json;
    private final String node = UUID.randomUUID().toString().substring(0, 8);
    private final Map<UUID, Told> told = new ConcurrentHashMap<>();
    private Optional<MqttLine> line = Optional.empty();

    LiveNews(BrokerLine broker, JsonMapper json) {
        this.broker = broker;
        this.json = json;
    }

    /** What is known of one house. */
    private static final class Told {
        private volatile Optional<LiveNow> now = Optional.empty();
        private volatile long atNanos;
        private final Deque<LiveEvent> events = new ArrayDeque<>();
        private final List<SseEmitter> watchers = new CopyOnWriteArrayList<>();

        synchronized void add(List<LiveEvent> more) {
            more.forEach(events::addLast);
            while (events.size() > KEPT) {
                events.removeFirst();
            }
        }

        synchronized List<LiveEvent> events() {
            return new ArrayList<>(events);
        }
    }

    /** Something is asked of the node on which a house runs. */
    interface Asked {
        void asked(UUID job, LiveDeed deed);

        /** It must not run any longer. */
        void stopAsked(UUID job);
    }

    private final List<Asked> askers = new CopyOnWriteArrayList<>();

    void whenAsked(Asked asked) {
        askers.add(asked);
    }

    static String topic(UUID job, String what) {
        return "clerk/" + job + "/live/" + what;
    }

    /** @throws UncheckedIOException when the broker is not reached */
    synchronized MqttLine line() {
        if (line.isEmpty()) {
            line = Optional.of(new MqttLine(broker.broker(), "clerk-news-" + node, List.of(ALL), this::hear));
        }
        return line.get();
    }

    private void hear(String topic, byte[] message) {
        String[] levels = topic.split("/");
        try {
            UUID job = UUID.fromString(levels[1]);
            Told of = told.computeIfAbsent(job, j -> new Told());
            switch (levels[3]) {
                case "now" -> {
                    of.atNanos = System.nanoTime();
                    of.now = message.length == 0
                            ? Optional.empty()
                            : Optional.of(json.readValue(message, LiveNow.class));
                    of.watchers.forEach(watcher -> send(
                            of,
                            watcher,
                            of.now.isPresent() ? "now" : "over",
                            of.now.<Object>map(now -> now).orElse("")));
                }
                case "happened" -> {
                    List<LiveEvent> events = List.of(json.readValue(message, LiveEvent[].class));
                    of.add(events);
                    of.watchers.forEach(watcher -> send(of, watcher, "happened", events));
                }
                case "asked" -> {
                    LiveDeed deed = json.readValue(message, LiveDeed.class);
                    askers.forEach(asked -> asked.asked(job, deed));
                }
                case "stop" -> askers.forEach(asked -> asked.stopAsked(job));
                default -> {}
            }
        } catch (JacksonException | IllegalArgumentException e) {
            // Something else speaks on this topic; it is not ours to judge.
        }
    }

    private static void send(Told of, SseEmitter watcher, String name, Object data) {
        send(of, watcher, SseEmitter.event().name(name).data(data));
    }

    private static void send(Told of, SseEmitter watcher, SseEmitter.SseEventBuilder event) {
        try {
            watcher.send(event);
        } catch (IOException | IllegalStateException e) {
            // Whoever watched is gone.
            of.watchers.remove(watcher);
        }
    }

    /** What was told last; empty when the house does not run, nobody has told of it for a while, or the broker is not reached. */
    Optional<LiveNow> last(UUID job) {
        try {
            line();
        } catch (UncheckedIOException e) {
            return Optional.empty();
        }
        return Optional.ofNullable(told.get(job))
                .filter(of -> System.nanoTime() - of.atNanos < TOO_OLD_NANOS)
                .flatMap(of -> of.now);
    }

    List<LiveEvent> events(UUID job) {
        return Optional.ofNullable(told.get(job)).map(Told::events).orElse(List.of());
    }

    /** @throws ProblemException when the broker is not reached */
    SseEmitter watch(UUID job) {
        try {
            line();
        } catch (UncheckedIOException e) {
            throw ProblemException.conflict(e.getMessage());
        }
        Told of = told.computeIfAbsent(job, j -> new Told());
        SseEmitter watcher = new SseEmitter(WATCH_MS);
        watcher.onCompletion(() -> of.watchers.remove(watcher));
        watcher.onTimeout(watcher::complete);
        watcher.onError(failure -> of.watchers.remove(watcher));
        of.watchers.add(watcher);
        send(of, watcher, SseEmitter.event().reconnectTime(ASK_AGAIN_MS));
        send(of, watcher, "happened", of.events());
        of.now.ifPresent(now -> send(of, watcher, "now", now));
        return watcher;
    }

    /** Tells everybody how a house is. */
    void tell(UUID job, LiveNow now) {
        line().retain(topic(job, "now"), json.writeValueAsBytes(now));
    }

    void tell(UUID job, List<LiveEvent> events) {
        line().send(topic(job, "happened"), json.writeValueAsBytes(events));
    }

    void over(UUID job) {
        line().retain(topic(job, "now"), new byte[0]);
        Optional.ofNullable(told.get(job)).ifPresent(of -> {
            of.now = Optional.empty();
            of.watchers.forEach(watcher -> send(of, watcher, "over", ""));
        });
    }

    /** Asks the node on which the house runs. @return whether anybody was asked */
    boolean ask(UUID job, LiveDeed deed) {
        return last(job).isPresent() && line().send(topic(job, "asked"), json.writeValueAsBytes(deed));
    }

    /** Asks the node on which the house runs to stop it. @return whether anybody was asked */
    boolean askToStop(UUID job) {
        return last(job).isPresent() && line().send(topic(job, "stop"), new byte[0]);
    }

    @PreDestroy
    synchronized void stop() {
        told.values().forEach(of -> of.watchers.forEach(SseEmitter::complete));
        line.ifPresent(MqttLine::close);
    }
}
