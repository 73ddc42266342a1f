package org.hiddenclerk.app.testing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The stair of the demo house, a switch at each storey and the lamp, in another house. */
public final class Stair {
    public static final List<String> LABELS = List.of("B-10", "B-11", "B-12", "B-13");

    private Stair() {}

    /** Boxes first, then the cables between them. @return ids by label */
    public static Map<String, String> in(SmallHouse house, Person person) {
        Map<String, String> stair = new LinkedHashMap<>();
        Map<String, String> own = new LinkedHashMap<>();
        Map<String, ObjectNode> surveys = new LinkedHashMap<>();
        String circuit = person.get("/api/v1/jobs/" + house.job())
                .ok()
                .get("circuits")
                .get(0)
                .get("id")
                .asString();
        LABELS.forEach(label -> {
            String demo = person.demoBox(label);
            ObjectNode survey = person.get("/api/v1/boxes/" + demo + "/survey")
                    .ok()
                    .get("survey")
                    .deepCopy()
                    .asObject();
            surveys.put(label, survey);
            stair.put(label, house.box(label, copy -> {
                copy.removeAll();
                copy.setAll(inThisHouse(survey, circuit, Map.of()));
            }));
            own.put(demo, stair.get(label));
        });
        surveys.forEach((label, survey) -> {
            String box = stair.get(label);
            long version = person.get("/api/v1/boxes/" + box + "/survey")
                    .ok()
                    .get("version")
                    .asLong();
            person.put(
                            "/api/v1/boxes/" + box + "/survey",
                            Map.of("version", version, "survey", inThisHouse(survey, circuit, own)))
                    .ok();
        });
        return stair;
    }

    /** @param boxes of the demo house with those of this one; cables to others are left out */
    private static ObjectNode inThisHouse(ObjectNode survey, String circuit, Map<String, String> boxes) {
        ObjectNode copy = survey.deepCopy();
        copy.get("gangs").forEach(gang -> gang.asObject().put("circuit", circuit));
        List<JsonNode> cables = new ArrayList<>();
        copy.get("cables").forEach(cable -> {
            if (cable.hasNonNull("circuit")) {
                cable.asObject().put("circuit", circuit);
            }
            if (!cable.hasNonNull("box")) {
                cables.add(cable);
            } else if (boxes.containsKey(cable.get("box").asString())) {
                cables.add(
                        cable.asObject().put("box", boxes.get(cable.get("box").asString())));
            }
        });
        copy.putArray("cables").addAll(cables);
        return copy;
    }
}
