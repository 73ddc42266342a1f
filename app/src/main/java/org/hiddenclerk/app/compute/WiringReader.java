package org.hiddenclerk.app.compute;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Intent;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.SupplySystem;
import org.hiddenclerk.core.electrical.part.Wiring;
import tools.jackson.databind.JsonNode;

/** Reads a wiring document that its schema has accepted. */
final class WiringReader {
    private static final double DEFAULT_FREQUENCY_HZ = 50;

    private WiringReader() {}

    static Wiring read(JsonNode document) {
        List<Part> parts = new ArrayList<>();
        document.get("parts").forEach(part -> parts.add(part(part)));
        List<Intent> intents = new ArrayList<>();
        document.path("intent").forEach(intent -> intents.add(intent(intent)));
        return new Wiring(supplySystem(document.get("supply")), parts, intents);
    }

    private static SupplySystem supplySystem(JsonNode supply) {
        return new SupplySystem(
                supply.get("nominalVolts").asDouble(),
                number(supply, "frequencyHz").orElse(DEFAULT_FREQUENCY_HZ),
                text(supply, "system")
                        .map(SupplySystem.Arrangement::valueOf)
                        .orElse(SupplySystem.Arrangement.THREE_PHASE));
    }

    private static Part part(JsonNode part) {
        PartId id = new PartId(part.get("id").asString());
        Map<String, NodeId> pins = pins(part.get("pins"));
        String kind = part.get("kind").asString();
        return switch (kind) {
            case "supply" ->
                new Part.Supply(
                        id,
                        Line.ofLabel(part.get("line").asString()),
                        text(part, "circuit").orElse(""),
                        number(part, "ratedAmps"),
                        number(part, "volts"),
                        pins);
            case "conductor" ->
                new Part.Conductor(
                        id, text(part, "cable").orElse("?"), text(part, "core").orElse("?"), number(part, "mm2"), pins);
            case "switch" ->
                new Part.Switch(id, Mechanism.valueOf(part.get("mechanism").asString()), pins);
            case "load" -> load(part, id, pins);
            case "module" -> module(part.get("module"), id, pins);
            case "sender" -> new Part.Sender(id, inputs(part.get("sender")), pins);
            case "bypass" -> new Part.Bypass(id, part.get("watts").asDouble(), pins);
            case "cap" -> new Part.Cap(id, pins);
            case "link" -> new Part.Link(id, pins);
            default -> throw new IllegalStateException("Impossible state: the schema let kind " + kind + " through.");
        };
    }

    private static Part.Load load(JsonNode part, PartId id, Map<String, NodeId> pins) {
        return new Part.Load(
                id,
                LoadKind.valueOf(part.get("load").asString()),
                part.get("watts").asDouble(),
                number(part, "powerFactor").orElse(1.0),
                number(part, "volts"),
                text(part, "motor"),
                text(part, "direction"),
                part.has("earth"),
                pins);
    }

    private static Part.FittedModule module(JsonNode module, PartId id, Map<String, NodeId> pins) {
        List<Channel> channels = new ArrayList<>();
        module.get("channels").forEach(channel -> channels.add(channel(channel)));
        return new Part.FittedModule(
                id,
                supply(module.get("supply")),
                channels,
                inputs(module),
                module.path("interlocked").asBoolean(false),
                pins);
    }

    private static ModuleSupply supply(JsonNode supply) {
        String live = supply.get("pins").get(0).asString();
        String back = supply.get("pins").get(1).asString();
        double minVolts = number(supply, "minVolts").orElse(0);
        OptionalDouble maxVolts = number(supply, "maxVolts");
        double watts = number(supply, "watts").orElse(ModuleSupply.LineNeutral.DEFAULT_WATTS);
        return switch (supply.get("type").asString()) {
            case "TWO_WIRE" ->
                new ModuleSupply.TwoWire(
                        live,
                        back,
                        minVolts,
                        maxVolts,
                        supply.get("standbyMilliamps").asDouble(),
                        number(supply, "minimumLoadWatts").orElse(0));
            case "DC" -> new ModuleSupply.DirectCurrent(live, back, minVolts, maxVolts, watts);
            default -> new ModuleSupply.LineNeutral(live, back, minVolts, maxVolts, watts);
        };
    }

    private static Channel channel(JsonNode channel) {
        List<ContactRating> ratings = new ArrayList<>();
        channel.path("ratings")
                .forEach(rating -> ratings.add(new ContactRating(
                        LoadKind.valueOf(rating.get("load").asString()),
                        number(rating, "watts"),
                        number(rating, "amps"))));
        return new Channel(
                channel.get("id").asString(),
                channel.get("from").asString(),
                channel.get("to").asString(),
                ratings);
    }

    private static List<Input> inputs(JsonNode owner) {
        List<Input> inputs = new ArrayList<>();
        owner.path("inputs").forEach(input -> {
            List<String> pins = new ArrayList<>();
            text(input, "pin").ifPresent(pins::add);
            input.path("pins").forEach(pin -> pins.add(pin.asString()));
            inputs.add(new Input(
                    input.get("id").asString(),
                    pins,
                    text(input, "activeWith"),
                    text(input, "potential").map(Input.Potential::valueOf).orElse(Input.Potential.MAINS),
                    InputBehaviour.valueOf(input.get("behaviour").asString()),
                    text(input, "channel"),
                    text(input, "target").map(PartId::new),
                    text(input, "commonWith")));
        });
        return inputs;
    }

    private static Intent intent(JsonNode intent) {
        List<PartId> controls = new ArrayList<>();
        intent.get("controls").forEach(control -> controls.add(new PartId(control.asString())));
        OptionalInt maxHandActions = intent.has("maxHandActions")
                ? OptionalInt.of(intent.get("maxHandActions").asInt())
                : OptionalInt.empty();
        return new Intent(
                new PartId(intent.get("load").asString()),
                controls,
                intent.path("remote").asBoolean(false),
                maxHandActions);
    }

    private static Map<String, NodeId> pins(JsonNode pins) {
        Map<String, NodeId> nodes = new LinkedHashMap<>();
        pins.properties()
                .forEach(
                        pin -> nodes.put(pin.getKey(), new NodeId(pin.getValue().asString())));
        return nodes;
    }

    private static OptionalDouble number(JsonNode node, String field) {
        return node.has(field) ? OptionalDouble.of(node.get(field).asDouble()) : OptionalDouble.empty();
    }

    private static Optional<String> text(JsonNode node, String field) {
        return node.has(field) ? Optional.of(node.get(field).asString()) : Optional.empty();
    }
}
