package org.hiddenclerk.app.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.hiddenclerk.app.live.LivePlans;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.hiddenclerk.core.electrical.LoadState;
import org.hiddenclerk.core.handover.HouseholdGuide;
import org.hiddenclerk.core.live.Carrier;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.LiveHouse;
import org.hiddenclerk.core.live.LivePlan;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;

/** What the household's guide says of switches that no module reads is so in the house that runs by the same plan. */
@WithDatabase
class GuidePlayedTest {
    private static final long GAP_MS = 3_000;

    @Autowired
    private MockMvc mvc;
    @Autowired
    private LivePlans plans;
    @Autowired
    private HouseFactsReader reader;
    private Person person;
    private SmallHouse house;
    private int feeds;

    @BeforeEach
    void person() {
        person = new Person(mvc);
        house = new SmallHouse(person);
    }

    @Test
    void whatIsSaidOfPlainSwitchesOfTheDemoHouseIsPlayed() {
        assertThat(played(UUID.fromString(person.demoJob()))).as("switches as they always were").isPositive();
    }

    @Test
    void aSwitchThatFeedsAModuleIsToBeLeftOnAndLightsTheLampOffAndOn() {
        JsonNode page = pageOf("SWITCH_UPSTREAM");

        assertThat(page.get("switches").get(0).get("does").toString()).contains("leave it on", "cannot be reached", "Off and on again lights it.");
        assertThat(page.get("afterCut").toString()).contains("comes on.");
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/handover").ok().toString()).contains("off, and on again after 10 seconds");
        played(UUID.fromString(house.job()));
        assertThat(feeds).isPositive();
    }

    @Test
    void aSwitchThatWasTakenOutIsSaidToBe() {
        JsonNode page = pageOf("NO_SWITCH");

        assertThat(page.toString()).doesNotContain("as it always did").contains("out of use");
        assertThat(page.get("afterCut")).as("an output without a switch").hasSize(1);
        played(UUID.fromString(house.job()));
    }

    /** The guide's page of the room in which one box is wired by a scheme. */
    private JsonNode pageOf(String scheme) {
        String box = house.box("G");
        person.put("/api/v1/boxes/" + box + "/plan", Map.of("version", house.plan(box).get("version").asLong(), "picks", List.of(Map.of("moduleCode", "TG-1N", "scheme", scheme,
                "gangs", List.of(1), "behaviours", Map.of())))).ok();
        return person.get("/api/v1/jobs/" + house.job() + "/guide").ok().get("rooms").get(0);
    }

    /** @return how many switches work as they always did */
    private int played(UUID job) {
        LivePlan plan = plans.of(job);
        int asBefore = 0;
        for (HouseholdGuide.Page page : reader.of(job, "nobody").guide().values()) {
            for (HouseholdGuide.Said said : page.switches()) {
                String words = String.join(" ", said.does());
                String at = said.at().id();
                if (words.contains("as it always did") && plan.wiredSwitches().contains(at)) {
                    assertThat(changes(plan, at)).as(at + " " + said.at().name()).isTrue();
                    asBefore++;
                } else if (words.contains("out of use")) {
                    assertThat(changes(plan, at)).as(at + " " + said.at().name()).isFalse();
                } else if (words.contains("It feeds ")) {
                    feeds(plan, at, words);
                    feeds++;
                }
            }
        }
        return asBefore;
    }

    /** Whether flipping it changes some lamp by itself, whichever way one other switch of its wirings stands. */
    private static boolean changes(LivePlan plan, String at) {
        List<String> others = new ArrayList<>(List.of(""));
        plan.runs().stream().filter(run -> run.switches().containsValue(at)).forEach(run -> others.addAll(run.switches().values()));
        return others.stream().distinct().filter(other -> !other.equals(at)).anyMatch(other -> {
            LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> { });
            live.pass(GAP_MS);
            if (!other.isEmpty()) {
                flip(live, other);
            }
            Map<String, LoadState> before = states(live);
            live.hand(new Hand(at, Hand.Doing.FLIP));
            live.pass(live.now() + GAP_MS);
            return !states(live).equals(before);
        });
    }

    private static void feeds(LivePlan plan, String at, String words) {
        LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> { });
        Set<String> outputs = plan.fedThrough(at);
        String device = plan.house().owner(outputs.iterator().next()).id();
        live.pass(GAP_MS);
        boolean fed = live.powered().contains(device);
        flip(live, at);
        assertThat(live.powered().contains(device)).as(at).isNotEqualTo(fed);
        if (fed) {
            flip(live, at);
        }
        if (words.contains("Off and on again lights")) {
            assertThat(outputs).allMatch(output -> live.outputs().get(output).percent() > 0);
        }
    }

    private static void flip(LiveHouse live, String at) {
        live.hand(new Hand(at, Hand.Doing.FLIP));
        live.pass(live.now() + GAP_MS);
    }

    private static Map<String, LoadState> states(LiveHouse live) {
        Map<String, LoadState> states = new TreeMap<>();
        live.lamps().forEach((id, lamp) -> states.put(id, lamp.state()));
        return states;
    }
}
