package org.hiddenclerk.app.compute;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.Event;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Machine;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.behaviour.State;
import tools.jackson.databind.JsonNode;

/** Reads a behaviour document that its schema has accepted, and finds what the schema can't. */
final class BehaviourReader {
    private final JsonNode document;
    private final JsonNode given;

    BehaviourReader(JsonNode document) {
        this.document = document;
        given = document.path("parameters");
    }

    List<FieldProblem> problems() {
        Parameters usual = Parameters.USUAL;
        return Parameters.problems(
                        ms("debounceMs", usual.debounceMs()),
                        ms("holdMs", usual.holdMs()),
                        ms("runOnMs", usual.runOnMs()),
                        ms("minimumBlinkMs", usual.minimumBlinkMs()),
                        ms("holdUpMs", usual.holdUpMs()),
                        ms("reversePauseMs", usual.reversePauseMs()))
                .stream()
                .map(problem ->
                        new FieldProblem("/parameters/" + problem.parameter(), problem.found(), problem.expected()))
                .toList();
    }

    Machine machine() {
        Parameters usual = Parameters.USUAL;
        return new Machine(
                InputBehaviour.valueOf(document.get("behaviour").asString()),
                new Parameters(
                        ms("debounceMs", usual.debounceMs()),
                        Contact.valueOf(given.path("rest").asString(usual.rest().name())),
                        given.path("inverted").asBoolean(usual.inverted()),
                        ms("holdMs", usual.holdMs()),
                        ms("runOnMs", usual.runOnMs()),
                        given.path("pressStops").asBoolean(usual.pressStops()),
                        ms("minimumBlinkMs", usual.minimumBlinkMs()),
                        ms("holdUpMs", usual.holdUpMs()),
                        ms("reversePauseMs", usual.reversePauseMs()),
                        PowerOn.valueOf(
                                given.path("powerOn").asString(usual.powerOn().name()))));
    }

    State start() {
        JsonNode start = document.get("start");
        if (start.has("contacts")) {
            return machine()
                    .start(
                            List.of(
                                    contact(start.get("contacts").get("1")),
                                    contact(start.get("contacts").get("2"))),
                            false,
                            Motion.valueOf(start.get("motion").asString()));
        }
        return machine()
                .start(
                        List.of(contact(start.get("contact"))),
                        start.get("relay").asString().equals("ON"),
                        Motion.STOP);
    }

    /** In order of time; those of one instant as they were given. */
    List<Event> events() {
        List<Event> events = new ArrayList<>();
        document.get("events")
                .forEach(event -> events.add(new Event(
                        event.get("atMs").asLong(),
                        Event.Type.valueOf(event.get("do").asString()),
                        Integer.parseInt(event.path("input").asString("1")))));
        events.sort(Comparator.comparingLong(Event::atMs));
        return events;
    }

    long untilMs() {
        return document.get("untilMs").asLong();
    }

    private long ms(String parameter, long usual) {
        return given.path(parameter).asLong(usual);
    }

    private static Contact contact(JsonNode text) {
        return Contact.valueOf(text.asString());
    }
}
