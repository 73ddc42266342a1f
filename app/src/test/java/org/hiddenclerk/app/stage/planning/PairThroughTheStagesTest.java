package org.hiddenclerk.app.stage.planning;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.Stair;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Modules that go together over several boxes: every stage knows each of them, in its own box, with its link. */
@WithDatabase
class PairThroughTheStagesTest {
    private static int serials;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private SmallHouse house;
    private Map<String, String> stair;

    @BeforeEach
    void build() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        stair = Stair.in(house, person);
    }

    private JsonNode of(String what) {
        return person.get("/api/v1/jobs/" + house.job() + "/" + what).ok();
    }

    /** Picks the best module of a scheme for the switch at the bottom. @return codes of every module that the plan fits */
    private List<String> plan(String scheme) {
        String box = stair.get("B-10");
        JsonNode best = null;
        for (JsonNode offer :
                person.get("/api/v1/boxes/" + box + "/schemes?gangs=1").ok().get("offers")) {
            best = offer.get("scheme").asString().equals(scheme) ? offer.get("best") : best;
        }
        Map<String, Object> pick = new LinkedHashMap<>(Map.of(
                "moduleCode",
                best.get("moduleCode").asString(),
                "gangs",
                List.of(1),
                "behaviours",
                Map.of("1", "EVERY_FLIP"),
                "scheme",
                scheme));
        if (best.hasNonNull("companionCode")) {
            pick.put("companionCode", best.get("companionCode").asString());
        }
        person.put(
                        "/api/v1/boxes/" + box + "/plan",
                        Map.of("version", house.plan(box).get("version").asLong(), "picks", List.of(pick)))
                .ok();
        List<String> fitted = new ArrayList<>();
        of("pick-list").forEach(order -> order.get("lines").forEach(line -> {
            for (int i = 0;
                    line.get("kind").asString().equals("MODULE")
                            && i < line.get("needed").asInt();
                    i++) {
                fitted.add(line.get("code").asString());
            }
        }));
        return fitted;
    }

    @ParameterizedTest
    @ValueSource(strings = {"MULTI_SECOND_UNLOADED", "SPLIT_PAIR"})
    void everyStageKnowsEveryModuleInItsOwnBox(String scheme) {
        List<String> fitted = plan(scheme);
        assertThat(fitted)
                .as("one for each switch, and the relay of a split pair")
                .hasSize(scheme.equals("SPLIT_PAIR") ? 4 : 3);

        List<String> waiting = new ArrayList<>();
        of("bench").get("waiting").forEach(each -> {
            for (int i = 0; i < each.get("count").asInt(); i++) {
                waiting.add(each.get("moduleCode").asString());
            }
        });
        assertThat(waiting).containsExactlyInAnyOrderElementsOf(fitted);

        Set<String> boxes = new LinkedHashSet<>();
        Set<String> handles = new LinkedHashSet<>();
        of("names").get("names").forEach(name -> {
            boxes.add(name.get("box").asString());
            handles.add(name.get("handle").asString());
        });
        assertThat(boxes)
                .as("each in its own box")
                .containsExactlyInAnyOrderElementsOf(
                        scheme.equals("SPLIT_PAIR") ? Stair.LABELS : Stair.LABELS.subList(0, 3));
        assertThat(handles).hasSameSizeAs(fitted);

        fitted.forEach(code -> person.post(
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", code, "serial", "PT-" + ++serials))
                .ok());
        assertThat(of("bench").get("waiting")).as("every place has its module").isEmpty();
        assertThat(of("handover").get("boxes"))
                .extracting(box -> box.get("label").asString())
                .as("a row for every box with a module")
                .containsExactlyInAnyOrderElementsOf(boxes);
        assertThat(of("live").toString()).contains("stair");
    }

    @ParameterizedTest
    @ValueSource(strings = {"MULTI_SECOND_UNLOADED", "SPLIT_PAIR"})
    void linksBelongToTheWiringAndAreToldAsWhatTheyAre(String scheme) {
        plan(scheme);
        JsonNode rules = of("rules");

        assertThat(rules.get("links"))
                .as("of each switch but that of the loaded module")
                .hasSize(scheme.equals("SPLIT_PAIR") ? 3 : 2);
        rules.get("links")
                .forEach(link -> assertThat(link.get("wired").asString()).isNotEmpty());
        String words = of("handover").toString();
        assertThat(words).contains("With the hub off");
        boolean direct = rules.get("links")
                .valueStream()
                .noneMatch(link -> link.get("way").asString().equals("HUB"));
        assertThat(words.contains("as planned.") || words.contains("None works"))
                .as("what the hub carries is expected to fail without it")
                .isEqualTo(!direct);
        JsonNode feel =
                person.get("/api/v1/boxes/" + stair.get("B-10") + "/feel").ok();
        assertThat(feel.get("inputs"))
                .extracting(input -> input.get("box").asString())
                .containsOnly(stair.get("B-10"));
        assertThat(feel.get("inputs"))
                .extracting(input -> input.get("key").asString())
                .doesNotHaveDuplicates()
                .hasSize(3);
    }

    /** What people want of a switch reaches the module that reads it, also when that only goes with another. */
    @Test
    void whatIsWantedOfAFarSwitchReachesItsModule() {
        plan("MULTI_SECOND_UNLOADED");
        JsonNode feel =
                person.get("/api/v1/boxes/" + stair.get("B-10") + "/feel").ok();
        JsonNode far = feel.get("inputs")
                .valueStream()
                .filter(input -> input.get("key").asString().startsWith("K1.1"))
                .findFirst()
                .orElseThrow();
        ObjectNode document = far.get("document").deepCopy().asObject();
        document.get("parameters").asObject().put("debounceMs", 90);
        person.put(
                        "/api/v1/boxes/" + far.get("box").asString() + "/feel/"
                                + far.get("key").asString(),
                        Map.of(
                                "version",
                                0,
                                "boxVersion",
                                far.get("boxVersion").asLong(),
                                "behaviour",
                                far.get("behaviour").asString(),
                                "document",
                                document))
                .ok();
        person.post(
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", far.get("module").asString(), "serial", "PT-" + ++serials))
                .ok();
        person.post(
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", far.get("module").asString(), "serial", "PT-" + ++serials))
                .ok();

        List<String> debounced = of("bench")
                .get("units")
                .valueStream()
                .filter(unit -> unit.get("wanted").toString().contains("90"))
                .map(unit -> unit.get("boxLabel").asString())
                .toList();
        assertThat(debounced).hasSize(1).doesNotContain("B-10");
    }
}
