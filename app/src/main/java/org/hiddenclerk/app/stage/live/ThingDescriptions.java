package org.hiddenclerk.app.stage.live;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.job.network.BrokerAccounts;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.standins.wire.HouseTopics;
import org.springframework.stereotype.Component;

/**
 * Devices of a house as W3C Web of Things Thing Descriptions 1.1, with the topics of the live house as forms (WoT Binding
 * Templates for MQTT). The broker stands as a variable of each address: a house may have one of its own.
 */
@Component
class ThingDescriptions {
    private static final String BROKER = "mqtt://broker.invalid:1883";

    /** Namespace of the MQTT terms of the Binding Templates; from memory. */
    private static final String MQTT_TERMS = "https://www.w3.org/2019/wot/mqtt#";

    private final LivePlans plans;
    private final LiveHouses houses;

    ThingDescriptions(LivePlans plans, LiveHouses houses) {
        this.plans = plans;
        this.houses = houses;
    }

    List<Map<String, Object>> of(UUID job) {
        LivePlan plan = plans.of(job);
        HouseTopics topics =
                new HouseTopics(BrokerAccounts.rootOf(job), plan.house(), houses.handles(job, plan.house()));
        return plan.house().devices().stream()
                .map(device -> thing(job, plan, topics, device))
                .toList();
    }

    private static Map<String, Object> thing(UUID job, LivePlan plan, HouseTopics topics, Device device) {
        Map<String, Object> thing = new LinkedHashMap<>();
        thing.put("@context", List.of("https://www.w3.org/2022/wot/td/v1.1", Map.of("mqv", MQTT_TERMS)));
        thing.put("@type", "Thing");
        thing.put(
                "id",
                "urn:uuid:"
                        + UUID.nameUUIDFromBytes(
                                (job + " " + device.id()).getBytes(java.nio.charset.StandardCharsets.UTF_8)));
        thing.put("title", device.name());
        thing.put("description", device.room() + ", " + device.protocol().label());
        thing.put("securityDefinitions", Map.of("account", Map.of("scheme", "basic", "in", "auto")));
        thing.put("security", List.of("account"));
        Map<String, Object> properties = new LinkedHashMap<>();
        Map<String, Object> actions = new LinkedHashMap<>();
        Map<String, Object> events = new LinkedHashMap<>();
        device.outputs().forEach(output -> {
            properties.put(output.id().within(), state(plan.nameOf(output.id()), topics.state(device, output.id())));
            actions.put(
                    "order-" + output.id().within(),
                    order(plan.nameOf(output.id()), topics.order(device, output.id()), output));
        });
        device.sensors()
                .forEach(sensor ->
                        properties.put(sensor.id().within(), reading(sensor, topics.reading(device, sensor.id()))));
        device.controls()
                .forEach(control -> events.put(
                        control.id().within(), told(plan.nameOf(control.id()), topics.told(device, control.id()))));
        put(thing, "properties", properties);
        put(thing, "actions", actions);
        put(thing, "events", events);
        return thing;
    }

    private static void put(Map<String, Object> thing, String name, Map<String, Object> affordances) {
        if (!affordances.isEmpty()) {
            thing.put(name, affordances);
        }
    }

    private static Map<String, Object> state(String name, String topic) {
        return ordered(
                "title",
                name,
                "type",
                "object",
                "readOnly",
                true,
                "observable",
                true,
                "properties",
                ordered(
                        "level",
                        ordered("type", "integer", "minimum", 0, "maximum", 100, "unit", "percent"),
                        "motion",
                        ordered("type", "string", "enum", List.of("UP", "DOWN", "STOP")),
                        "by",
                        ordered("type", "string", "enum", List.of("HAND", "REMOTE", "TIMER", "SUPPLY")),
                        "atMs",
                        ordered("type", "integer", "minimum", 0, "unit", "ms")),
                "forms",
                forms(topic, "subscribe", List.of("observeproperty", "unobserveproperty")));
    }

    private static Map<String, Object> reading(Device.Sensor sensor, String topic) {
        return ordered(
                "title",
                sensor.name(),
                "type",
                "object",
                "readOnly",
                true,
                "observable",
                true,
                "properties",
                ordered(
                        "value",
                        ordered("type", "integer"),
                        "atMs",
                        ordered("type", "integer", "minimum", 0, "unit", "ms")),
                "forms",
                forms(topic, "subscribe", List.of("observeproperty", "unobserveproperty")));
    }

    private static Map<String, Object> order(String name, String topic, Device.Output output) {
        Map<String, Object> fields = output.drives() == Device.Drives.BLIND
                ? ordered("move", ordered("type", "string", "enum", List.of("UP", "DOWN", "STOP")))
                : ordered(
                        "level",
                        ordered("type", "integer", "minimum", 0, "maximum", 100),
                        "toggle",
                        ordered("type", "boolean", "const", true));
        return ordered(
                "title",
                name,
                "input",
                ordered("type", "object", "properties", fields),
                "forms",
                forms(topic, "publish", List.of("invokeaction")));
    }

    private static Map<String, Object> told(String name, String topic) {
        return ordered(
                "title",
                name,
                "data",
                ordered(
                        "type",
                        "object",
                        "properties",
                        ordered(
                                "gesture",
                                ordered("type", "string"),
                                "active",
                                ordered("type", "boolean"),
                                "leads",
                                ordered("type", "boolean"),
                                "atMs",
                                ordered("type", "integer", "unit", "ms"))),
                "forms",
                forms(topic, "subscribe", List.of("subscribeevent", "unsubscribeevent")));
    }

    private static List<Object> forms(String topic, String packet, List<String> operations) {
        List<Object> forms = new ArrayList<>();
        forms.add(ordered(
                "href",
                BROKER,
                "contentType",
                "application/json",
                "op",
                operations,
                "mqv:controlPacket",
                packet,
                "mqv:topic",
                topic,
                "mqv:qos",
                "1"));
        return forms;
    }

    private static Map<String, Object> ordered(Object... namesAndValues) {
        Map<String, Object> map = new LinkedHashMap<>();
        for (int i = 0; i < namesAndValues.length; i += 2) {
            map.put((String) namesAndValues[i], namesAndValues[i + 1]);
        }
        return map;
    }
}
