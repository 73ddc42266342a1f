package org.hiddenclerk.app.testing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** A house of its own for a test, with boxes like the one of the demo's wash-house. */
public final class SmallHouse {
    private static int houses;

    private final Asker person;
    private final String job;
    private final String circuit;
    private final String room;
    private final List<String> boxes = new ArrayList<>();

    public SmallHouse(Asker person) {
        this.person = person;
        job = person.ask(
                        "POST",
                        "/api/v1/jobs",
                        Map.of("name", "Small house " + ++houses, "place", "", "region", "EU_230"))
                .get("id")
                .asString();
        circuit = person.ask(
                        "POST",
                        "/api/v1/jobs/" + job + "/circuits",
                        Map.of("label", "1", "ratingAmps", 10, "phase", "L1", "alternativelySupplied", false))
                .get("id")
                .asString();
        room = room("Hall");
    }

    public String room(String name) {
        return person.ask("POST", "/api/v1/jobs/" + job + "/rooms", Map.of("name", name, "storey", "Ground floor"))
                .get("id")
                .asString();
    }

    public String job() {
        return job;
    }

    public List<String> boxes() {
        return boxes;
    }

    public String box(String label) {
        return box(label, survey -> {});
    }

    /** @param change what is different about its survey */
    public String box(String label, Consumer<ObjectNode> change) {
        return boxIn(room, label, change);
    }

    public String boxIn(String room, String label, Consumer<ObjectNode> change) {
        ObjectNode own = person.ask("GET", "/api/v1/boxes/" + person.demoBox("B-02") + "/survey", null)
                .get("survey")
                .deepCopy()
                .asObject()
                .put("label", label);
        own.get("gangs").forEach(gang -> gang.asObject().put("circuit", circuit));
        own.get("cables").forEach(cable -> {
            if (cable.hasNonNull("circuit")) {
                cable.asObject().put("circuit", circuit);
            }
        });
        change.accept(own);
        String id = person.ask("POST", "/api/v1/rooms/" + room + "/boxes", Map.of("survey", own))
                .get("id")
                .asString();
        boxes.add(id);
        return id;
    }

    public JsonNode plan(String box) {
        return person.ask("GET", "/api/v1/boxes/" + box + "/plan", null);
    }

    /** Picks a module for the first gang, by the usual scheme. */
    public JsonNode pick(String box, String module) {
        return pick(box, Map.of("moduleCode", module, "gangs", List.of(1), "behaviours", Map.of("1", "EVERY_FLIP")));
    }

    /** Picks a module for a gang by a scheme. */
    public JsonNode pick(String box, String module, String scheme, int gang) {
        return pick(
                box,
                Map.of(
                        "moduleCode",
                        module,
                        "gangs",
                        List.of(gang),
                        "behaviours",
                        Map.of(String.valueOf(gang), "EVERY_FLIP"),
                        "scheme",
                        scheme));
    }

    private JsonNode pick(String box, Map<String, Object> pick) {
        return person.ask(
                "PUT",
                "/api/v1/boxes/" + box + "/plan",
                Map.of("version", plan(box).get("version").asLong(), "picks", List.of(pick)));
    }

    /** Issues the plan of a box and works its run sheet through, every reading in the middle of its limits. */
    public void fit(String box) {
        fitAt(box, List.of(box));
    }

    /** @param opens boxes that the work opens */
    public void fitAt(String box, List<String> opens) {
        String at = "/api/v1/boxes/" + box;
        person.ask(
                "POST",
                at + "/plan/issue",
                Map.of("version", plan(box).get("version").asLong()));
        workThrough(person, box, opens);
    }

    /** Works the run sheet of a box through whose plan is issued, every reading in the middle of its limits. */
    public static void workThrough(Asker person, String box, List<String> opens) {
        String at = "/api/v1/boxes/" + box;
        JsonNode sheet = person.ask("POST", at + "/run-sheet", null);
        opens.forEach(person::photograph);
        while (!sheet.get("finished").asBoolean()) {
            String current = sheet.get("current").asString();
            JsonNode step = sheet.get("steps")
                    .valueStream()
                    .filter(each -> each.get("id").asString().equals(current))
                    .findFirst()
                    .orElseThrow();
            List<String> confirmed = step.get("confirms")
                    .valueStream()
                    .map(confirm -> confirm.get("id").asString())
                    .toList();
            Map<String, Object> readings = new LinkedHashMap<>();
            step.get("readings")
                    .forEach(reading -> readings.put(
                            reading.get("id").asString(),
                            reading.get("least")
                                    .decimalValue()
                                    .add(reading.get("most").decimalValue())
                                    .divide(BigDecimal.valueOf(2))));
            sheet = person.ask(
                    "POST",
                    at + "/run-sheet/entries",
                    Map.of("stepId", current, "confirmed", confirmed, "readings", readings, "note", ""));
        }
    }
}
