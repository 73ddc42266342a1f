package org.hiddenclerk.app.compute;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.core.conductors.Board;
import org.hiddenclerk.core.conductors.OpenedBox;
import org.hiddenclerk.core.conductors.Reading;
import org.hiddenclerk.core.conductors.SeenCore;
import org.hiddenclerk.core.conductors.Termination;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.RegionProfile;
import tools.jackson.databind.JsonNode;

/** Reads a trace document that its schema has accepted, and finds what the schema can't. */
final class TraceReader {
    private static final Set<String> LAMP_TERMINALS = Set.of("lamp:L", "lamp:N");

    private final JsonNode document;
    private final List<FieldProblem> problems = new ArrayList<>();
    private final List<OpenedBox> boxes = new ArrayList<>();
    private final List<Reading.Answered> readings = new ArrayList<>();

    TraceReader(JsonNode document) {
        this.document = document;
        boolean lampOpened = document.get("lamp").get("opened").asBoolean();
        for (int b = 0; b < document.get("boxes").size(); b++) {
            box("/boxes/" + b, document.get("boxes").get(b), lampOpened);
        }
        if (problems.isEmpty()) {
            for (int r = 0; r < document.get("readings").size(); r++) {
                reading("/readings/" + r, document.get("readings").get(r));
            }
        }
    }

    List<FieldProblem> problems() {
        return problems;
    }

    Board board() {
        return new Board(boxes);
    }

    RegionProfile region() {
        return RegionProfile.valueOf(document.get("region").asString());
    }

    List<Reading.Answered> readings() {
        return readings;
    }

    private void problem(String pointer, String found, String expected) {
        problems.add(new FieldProblem(pointer, found, expected));
    }

    private void box(String pointer, JsonNode node, boolean lampOpened) {
        String id = node.get("id").asString();
        if (boxes.stream().anyMatch(box -> box.id().equals(id))) {
            problem(pointer + "/id", id, "an id that no other box has");
        }
        Optional<Mechanism> mechanism = node.get("switch").isNull()
                ? Optional.empty()
                : Optional.of(Mechanism.valueOf(node.get("switch").asString()));
        boolean removed = node.path("removed").asBoolean(false);
        boolean lamp = mechanism.isEmpty() && !removed;
        if (lamp
                && (!lampOpened
                        || boxes.stream().anyMatch(box -> box.mechanism().isEmpty() && !box.removed()))) {
            problem(
                    pointer + "/switch",
                    "null",
                    "a mechanism; only one opened lamp place has none, with lamp.opened true");
        }
        List<SeenCore> cores = new ArrayList<>();
        Map<String, Integer> joints = new HashMap<>();
        for (int c = 0; c < node.get("cores").size(); c++) {
            SeenCore core = core(node.get("cores").get(c));
            String at = pointer + "/cores/" + c;
            if (boxes.stream().flatMap(box -> box.cores().stream()).anyMatch(seen -> seen.id()
                            .equals(core.id()))
                    || cores.stream().anyMatch(seen -> seen.id().equals(core.id()))) {
                problem(at + "/id", core.id(), "an id that no other core has");
            }
            if (core.at().kind() == Termination.Kind.JOINT) {
                joints.merge(core.at().name(), 1, Integer::sum);
            }
            if (core.at().kind() == Termination.Kind.TERMINAL) {
                terminal(at + "/at", core.at().name(), mechanism, removed);
            }
            cores.add(core);
        }
        joints.forEach((joint, count) -> {
            if (count < 2) {
                problem(pointer + "/cores", "one core in joint:" + joint, "at least two cores in a joint");
            }
        });
        boxes.add(new OpenedBox(id, mechanism, removed, cores));
    }

    private void terminal(String pointer, String terminal, Optional<Mechanism> mechanism, boolean removed) {
        if (removed) {
            problem(pointer, terminal, "loose, capped or a joint: the mechanism is off");
        } else if (mechanism.isEmpty()
                ? !LAMP_TERMINALS.contains(terminal)
                : !mechanism.get().terminals().contains(terminal)) {
            problem(
                    pointer,
                    terminal,
                    "one of "
                            + mechanism
                                    .map(m -> String.join(" ", m.terminals()))
                                    .orElse("lamp:L lamp:N") + ", joint:n, loose or capped");
        }
    }

    private static SeenCore core(JsonNode node) {
        return new SeenCore(
                node.get("id").asString(),
                node.get("cable").asString(),
                node.get("colour").asString(),
                Termination.read(node.get("at").asString()));
    }

    private void reading(String pointer, JsonNode node) {
        boolean value = node.get("value").asBoolean();
        if (node.has("continuous")) {
            String first =
                    core(pointer + "/continuous/0", node.get("continuous").get(0));
            String second =
                    core(pointer + "/continuous/1", node.get("continuous").get(1));
            if (first.equals(second)) {
                problem(pointer + "/continuous/1", second, "another core than the first");
            }
            readings.add(new Reading.Answered(new Reading.Continuous(first, second), value));
            return;
        }
        Map<String, Integer> with = with(pointer + "/with", node.get("with"));
        Reading reading;
        if (node.has("live")) {
            reading = new Reading.Live(core(pointer + "/live", node.get("live")), with);
        } else if (node.has("returns")) {
            reading = new Reading.Returns(core(pointer + "/returns", node.get("returns")), with);
        } else {
            reading = new Reading.Lamp(lamp(pointer + "/lamp", node.get("lamp")), with);
        }
        readings.add(new Reading.Answered(reading, value));
    }

    private String core(String pointer, JsonNode node) {
        String id = node.asString();
        if (boxes.stream().flatMap(box -> box.cores().stream()).noneMatch(core -> core.id()
                .equals(id))) {
            problem(pointer, id, "the id of a core");
        }
        return id;
    }

    private String lamp(String pointer, JsonNode node) {
        if (node.isBoolean()) {
            return boxes.get(0).id();
        }
        if (boxes.stream().noneMatch(box -> box.id().equals(node.asString()))) {
            problem(pointer, node.asString(), "true, or the id of a box of the circuit meant");
        }
        return node.asString();
    }

    private Map<String, Integer> with(String pointer, JsonNode node) {
        Map<String, Integer> with = new LinkedHashMap<>();
        Set<String> named = new HashSet<>();
        node.properties().forEach(entry -> {
            named.add(entry.getKey());
            Optional<OpenedBox> box =
                    boxes.stream().filter(b -> b.id().equals(entry.getKey())).findFirst();
            if (box.isEmpty()) {
                problem(pointer + "/" + entry.getKey(), entry.getKey(), "the id of a box with a switch");
            } else if (box.get().isOperable()) {
                with.put(entry.getKey(), entry.getValue().asInt());
            }
        });
        boxes.stream()
                .filter(box -> box.isOperable() && !named.contains(box.id()))
                .forEach(box ->
                        problem(pointer, "no position of " + box.id(), "a position for every box with a switch"));
        return with;
    }
}
