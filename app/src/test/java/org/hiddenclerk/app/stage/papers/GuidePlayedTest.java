package org.hiddenclerk.app.stage.papers;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import org.hiddenclerk.app.stage.live.LivePlans;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.handover.HouseholdGuide;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.LampId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.Carrier;
import org.hiddenclerk.core.live.Conditions;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.LiveHouse;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Reach;
import org.hiddenclerk.core.rules.RuleRunner.Order;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

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
        assertThat(played(UUID.fromString(person.demoJob())))
                .as("switches as they always were")
                .isPositive();
    }

    @Test
    void whatIsSaidOfSwitchesThatModulesReadIsPlayed() {
        LivePlan plan = plans.of(UUID.fromString(person.demoJob()));
        Set<InputBehaviour> played = new TreeSet<>();
        reader.of(UUID.fromString(person.demoJob()), "nobody").guide().values().forEach(page -> page.switches()
                .forEach(said -> played.addAll(inputs(plan, said))));

        assertThat(played)
                .as("behaviours of the demo house")
                .contains(InputBehaviour.EVERY_FLIP, InputBehaviour.POSITION_RULES);
    }

    @Test
    void whatIsSaidOfACutOfThePowerIsPlayed() {
        assertThat(cuts(UUID.fromString(person.demoJob())))
                .as("ways of coming back in the demo house")
                .contains("stays off");
    }

    @Test
    void aLampThatRemembersIsSaidTo() {
        String box = house.box("R");
        house.pick(box, "SK-1");
        JsonNode feel = person.get("/api/v1/boxes/" + box + "/feel").ok();
        ObjectNode document =
                feel.get("inputs").get(0).get("document").deepCopy().asObject();
        document.get("parameters").asObject().put("powerOn", "LAST");
        person.put(
                        "/api/v1/boxes/" + box + "/feel/"
                                + feel.get("inputs").get(0).get("key").asString(),
                        Map.of(
                                "version",
                                0,
                                "boxVersion",
                                feel.get("boxVersion").asLong(),
                                "behaviour",
                                "EVERY_FLIP",
                                "document",
                                document))
                .ok();

        assertThat(cuts(UUID.fromString(house.job()))).containsExactly("is what it was before");
    }

    private Set<String> cuts(UUID job) {
        LivePlan plan = plans.of(job);
        Set<String> played = new TreeSet<>();
        reader.of(job, "nobody").guide().values().forEach(page -> page.afterCut()
                .forEach(sentence ->
                        outputsOf(plan, sentence).forEach(output -> played.add(cut(plan, output, sentence)))));
        return played;
    }

    @Test
    void aSwitchThatFeedsAModuleIsToBeLeftOnAndLightsTheLampOffAndOn() {
        JsonNode page = pageOf("SWITCH_UPSTREAM");

        assertThat(page.get("switches").get(0).get("does").toString())
                .contains("leave it on", "cannot be reached", "Off and on again lights it.");
        assertThat(page.get("afterCut").toString()).contains("comes on.");
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/handover").ok().toString())
                .contains("off, and on again after 10 seconds");
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
        person.put(
                        "/api/v1/boxes/" + box + "/plan",
                        Map.of(
                                "version",
                                house.plan(box).get("version").asLong(),
                                "picks",
                                List.of(Map.of(
                                        "moduleCode",
                                        "TG-1N",
                                        "scheme",
                                        scheme,
                                        "gangs",
                                        List.of(1),
                                        "behaviours",
                                        Map.of()))))
                .ok();
        return person.get("/api/v1/jobs/" + house.job() + "/guide")
                .ok()
                .get("rooms")
                .get(0);
    }

    /** @return how many switches work as they always did */
    private int played(UUID job) {
        LivePlan plan = plans.of(job);
        int asBefore = 0;
        for (HouseholdGuide.Page page : reader.of(job, "nobody").guide().values()) {
            for (HouseholdGuide.Said said : page.switches()) {
                String words = String.join(" ", said.does());
                SwitchId at = said.at().id();
                if (words.contains("as it always did") && plan.wiredSwitches().contains(at)) {
                    assertThat(changes(plan, at))
                            .as(at + " " + said.at().name())
                            .isTrue();
                    asBefore++;
                } else if (words.contains("out of use")) {
                    assertThat(changes(plan, at))
                            .as(at + " " + said.at().name())
                            .isFalse();
                } else if (words.contains("It feeds ")) {
                    feeds(plan, at, words);
                    feeds++;
                }
            }
        }
        return asBefore;
    }

    /** Whether flipping it changes some lamp by itself, whichever way one other switch of its wirings stands. */
    private static boolean changes(LivePlan plan, SwitchId at) {
        List<Optional<SwitchId>> others = new ArrayList<>(List.of(Optional.empty()));
        plan.runs().stream()
                .filter(run -> run.switches().containsValue(at))
                .forEach(run -> run.switches().values().forEach(other -> others.add(Optional.of(other))));
        return others.stream()
                .distinct()
                .filter(other -> !other.equals(Optional.of(at)))
                .anyMatch(other -> {
                    LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> {});
                    live.pass(GAP_MS);
                    other.ifPresent(first -> flip(live, first));
                    Map<LampId, LoadState> before = states(live);
                    live.hand(new Hand(at, Hand.Doing.FLIP));
                    live.pass(live.now() + GAP_MS);
                    return !states(live).equals(before);
                });
    }

    /** @return behaviours of inputs of which a sentence was played; the hub is off, so that what is said of the wires is seen alone */
    private static Set<InputBehaviour> inputs(LivePlan plan, HouseholdGuide.Said said) {
        Set<InputBehaviour> played = new TreeSet<>();
        for (Device.Control control : plan.house().controls().values()) {
            String words = String.join(" ", said.does());
            if (!plan.handsOf(control.id()).contains(said.at().id())
                    || control.output().isEmpty()) {
                continue;
            }
            OutputId output = control.output().get();
            Hand hand =
                    new Hand(said.at().id(), control.kind() == Device.Kind.PUSH ? Hand.Doing.PRESS : Hand.Doing.FLIP);
            LiveHouse live = running(plan);
            List<Boolean> lit =
                    new ArrayList<>(List.of(live.outputs().get(output).percent() > 0));
            switch (control.behaviour()) {
                case EVERY_FLIP, PRESS_CHANGES, SHORT_LONG -> {
                    assertThat(words).containsPattern("(Each press|Each flip|A short press) changes");
                    lit.addAll(worked(live, hand, output, 3));
                    assertThat(lit)
                            .as(said.at().name())
                            .containsExactly(lit.get(0), !lit.get(0), lit.get(0), !lit.get(0));
                }
                case POSITION_RULES -> {
                    assertThat(words).contains("Its position decides");
                    lit.addAll(worked(live, hand, output, 4));
                    assertThat(lit.subList(1, 5))
                            .as(said.at().name())
                            .containsExactly(lit.get(1), !lit.get(1), lit.get(1), !lit.get(1));
                }
                case RUN_ON -> {
                    assertThat(words).contains("it goes off by itself after");
                    assertThat(worked(live, hand, output, 1))
                            .as(said.at().name())
                            .containsExactly(true);
                    live.pass(live.now()
                            + plan.settings()
                                    .getOrDefault(control.id(), Parameters.USUAL)
                                    .runOnMs()
                            + GAP_MS);
                    assertThat(live.outputs().get(output).percent())
                            .as(said.at().name())
                            .isZero();
                }
                // Played by the rehearsals of the hand over: blinds stand half way, and a blink is two flips at once.
                case UP_DOWN, SUPPLY_BLINK, REPORT_ONLY -> {
                    continue;
                }
            }
            played.add(control.behaviour());
        }
        return played;
    }

    private static LiveHouse running(LivePlan plan) {
        LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> {});
        live.conditions(Conditions.WHOLE.with(Reach.Part.HUB, true).with(Reach.Part.INTERNET, true));
        live.pass(GAP_MS);
        return live;
    }

    private static List<Boolean> worked(LiveHouse live, Hand hand, OutputId output, int times) {
        List<Boolean> lit = new ArrayList<>();
        for (int i = 0; i < times; i++) {
            live.hand(hand);
            live.pass(live.now() + GAP_MS);
            lit.add(live.outputs().get(output).percent() > 0);
        }
        return lit;
    }

    /** Outputs that a sentence begins with; on the page of its own room a lamp is called without the room. */
    private static List<OutputId> outputsOf(LivePlan plan, String sentence) {
        return plan.house().outputs().keySet().stream()
                .filter(output -> plan.house().owner(output).circuit().isPresent())
                .filter(output -> {
                    String name = plan.nameOf(output);
                    String room = plan.house().owner(output).room() + " ";
                    return sentence.startsWith(name)
                            || name.startsWith(room)
                                    && sentence.startsWith("The " + name.substring(room.length()) + " ");
                })
                .toList();
    }

    /** @return how it comes back, as it is said */
    private static String cut(LivePlan plan, OutputId output, String sentence) {
        Reach.Part mains = Reach.Part.mains(plan.house().owner(output).circuit().orElseThrow());
        List<Integer> after = new ArrayList<>();
        for (int percent : List.of(0, 100)) {
            LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> {});
            live.pass(GAP_MS);
            live.remote(new Order.Level(output, percent));
            live.pass(live.now() + GAP_MS);
            live.conditions(live.conditions().with(mains, true));
            live.pass(live.now() + GAP_MS);
            live.conditions(live.conditions().with(mains, false));
            live.pass(live.now() + GAP_MS);
            after.add(Math.min(1, live.outputs().get(output).percent()));
        }
        if (sentence.endsWith("stays off.")) {
            assertThat(after).as(sentence).containsExactly(0, 0);
            return "stays off";
        }
        if (sentence.endsWith("comes on.")) {
            assertThat(after).as(sentence).containsExactly(1, 1);
            return "comes on";
        }
        if (sentence.endsWith("is what it was before.")) {
            assertThat(after).as(sentence).containsExactly(0, 1);
            return "is what it was before";
        }
        assertThat(sentence).matches(".*(stands still|is what its switch says)\\.");
        return "is not told by the output alone";
    }

    private static void feeds(LivePlan plan, SwitchId at, String words) {
        LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> {});
        Set<OutputId> outputs = plan.fedThrough(at);
        DeviceId device = plan.house().owner(outputs.iterator().next()).id();
        live.pass(GAP_MS);
        boolean fed = live.powered().contains(device);
        flip(live, at);
        assertThat(live.powered().contains(device)).as(at.text()).isNotEqualTo(fed);
        if (fed) {
            flip(live, at);
        }
        if (words.contains("Off and on again lights")) {
            assertThat(outputs).allMatch(output -> live.outputs().get(output).percent() > 0);
        }
    }

    private static void flip(LiveHouse live, SwitchId at) {
        live.hand(new Hand(at, Hand.Doing.FLIP));
        live.pass(live.now() + GAP_MS);
    }

    private static Map<LampId, LoadState> states(LiveHouse live) {
        Map<LampId, LoadState> states = new TreeMap<>();
        live.lamps().forEach((id, lamp) -> states.put(id, lamp.state()));
        return states;
    }
}
