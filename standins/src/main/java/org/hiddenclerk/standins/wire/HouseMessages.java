package org.hiddenclerk.standins.wire;

import com.fasterxml.jackson.annotation.JsonInclude;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.Cause;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.live.Message;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuleRunner;
import org.jspecify.annotations.Nullable;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON of what is said in a house that runs. {@code atMs} is the clock of the house when it was said. */
final class HouseMessages {
    private static final int FULL = 100;
    private static final JsonMapper JSON = JsonMapper.builder()
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
            .changeDefaultPropertyInclusion(old -> old.withValueInclusion(JsonInclude.Include.NON_NULL))
            .build();

    private HouseMessages() {}

    record State(int level, Motion motion, Cause by, long atMs) {}

    /** @param leads whether what is linked to the control acts on this */
    record Told(Device.Gesture gesture, boolean active, boolean leads, long atMs) {}

    record Reading(int value, long atMs) {}

    /** Exactly one of level, toggle and move. */
    record Order(
            @Nullable Integer level,
            @Nullable Boolean toggle,
            @Nullable Motion move,
            @Nullable String by,
            @Nullable Long atMs) {}

    /** Why an order was not carried out. */
    record Refusal(String why, String order, long atMs) {}

    record About(
            String name,
            String room,
            String protocol,
            List<OutputAbout> outputs,
            List<NamedAbout> controls,
            List<NamedAbout> sensors) {
        static About of(Device device) {
            return new About(
                    device.name(),
                    device.room(),
                    device.protocol().label(),
                    device.outputs().stream()
                            .map(output -> new OutputAbout(
                                    output.id().within(),
                                    output.name(),
                                    output.declared().label(),
                                    output.dims()))
                            .toList(),
                    device.controls().stream()
                            .map(control -> new NamedAbout(control.id().within(), control.name()))
                            .toList(),
                    device.sensors().stream()
                            .map(sensor -> new NamedAbout(sensor.id().within(), sensor.name()))
                            .toList());
        }
    }

    /** @param is what the hub takes it for */
    record OutputAbout(String id, String name, String is, boolean dims) {}

    record NamedAbout(String id, String name) {}

    static byte[] write(Object message) {
        return JSON.writeValueAsBytes(message);
    }

    static byte[] write(Message said, long atMs) {
        if (said instanceof Message.Level level) {
            return write(new State(level.percent(), level.motion(), level.by(), atMs));
        } else if (said instanceof Message.Gestured gestured) {
            return write(new Told(gestured.gesture(), gestured.active(), gestured.leads(), atMs));
        } else if (said instanceof Message.Sensed sensed) {
            return write(new Reading(sensed.value(), atMs));
        }
        Message.Ordered ordered = (Message.Ordered) said;
        RuleRunner.Order order = ordered.order();
        return write(new Order(
                order instanceof RuleRunner.Order.Level level ? level.percent() : null,
                order instanceof RuleRunner.Order.Toggle ? Boolean.TRUE : null,
                order instanceof RuleRunner.Order.Move move ? move.motion() : null,
                ordered.by(),
                atMs));
    }

    static <T> Optional<T> read(byte[] json, Class<T> kind) {
        try {
            return Optional.of(JSON.readValue(json, kind));
        } catch (JacksonException e) {
            // Whoever may write here may write nonsense; nobody acts on it.
            return Optional.empty();
        }
    }

    /** An order as it was read: what is to be done, or why nothing is. */
    record Ordered(Optional<RuleRunner.Order> order, String why, Optional<String> by, Optional<Long> atMs) {
        private static Ordered refused(String why) {
            return new Ordered(Optional.empty(), why, Optional.empty(), Optional.empty());
        }
    }

    static Ordered order(Device.Output output, byte[] message) {
        Optional<Order> read = read(message, Order.class);
        if (read.isEmpty()) {
            return Ordered.refused("an order is JSON with one of level, toggle and move");
        }
        Order order = read.get();
        boolean moves = output.drives() == Device.Drives.BLIND;
        int said = (order.level() == null ? 0 : 1) + (order.toggle() == null ? 0 : 1) + (order.move() == null ? 0 : 1);
        if (said != 1) {
            return Ordered.refused("an order says one of level, toggle and move; this says "
                    + (said == 0 ? "none" : said + " of them"));
        } else if (order.level() != null && (order.level() < 0 || order.level() > FULL)) {
            return Ordered.refused("a level is 0 to " + FULL + ", not " + order.level());
        } else if (order.toggle() != null && !order.toggle()) {
            return Ordered.refused("toggle is true or left out");
        } else if (moves != (order.move() != null) && order.level() == null) {
            return Ordered.refused(
                    moves ? "a blind is told to move, or a level" : "nothing moves here; say level or toggle");
        }
        RuleRunner.Order ordered = order.level() != null
                ? new RuleRunner.Order.Level(output.id(), order.level())
                : order.move() != null
                        ? new RuleRunner.Order.Move(output.id(), order.move())
                        : new RuleRunner.Order.Toggle(output.id());
        return new Ordered(
                Optional.of(ordered), "", Optional.ofNullable(order.by()), Optional.ofNullable(order.atMs()));
    }
}
