package org.hiddenclerk.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Device.Gesture;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.Reach.State;
import org.junit.jupiter.api.Test;

/** What a hand still reaches; the chains of parts are those of the trade (common practice, no source). */
class ReachTest {
    private static final Part HUB = new Part(Part.Kind.HUB, "", "hub");
    private static final Part INTERNET = new Part(Part.Kind.INTERNET, "", "internet");
    private static final Part COORDINATOR = new Part(Part.Kind.COORDINATOR, "ZIGBEE", "Zigbee coordinator");
    private static final Part WIFI = new Part(Part.Kind.WIFI, "", "Wi-Fi");

    private final Rule byHub =
            Houses.rule("stair", new Trigger.Used(new ControlId("switch1"), Gesture.FLIP), Houses.toggle("lamp2"));

    private static Reach.Row row(RuledHouse house, String control, String output) {
        return Reach.of(house, Delays.USUAL).stream()
                .filter(row -> row.control().equals(new ControlId(control))
                        && row.output().equals(new OutputId(output)))
                .findFirst()
                .orElseThrow();
    }

    private static State without(Reach.Row row, Part... parts) {
        return row.without(Set.of(parts)).state();
    }

    @Test
    void aWireNeedsItsModuleAndItsMainsOnly() {
        Reach.Row row = row(Houses.house(4, List.of()), "switch1", "lamp1");
        assertThat(row.paths()).hasSize(1);
        assertThat(row.paths().get(0).delayMs()).isEqualTo(Delays.USUAL.wire());
        assertThat(without(row, HUB, COORDINATOR)).isEqualTo(State.WORKS);
        assertThat(without(row, new Part(Part.Kind.MAINS, "C1", "mains of C1"))).isEqualTo(State.LOST);
        assertThat(row.down()).as("two parts and their pair").hasSize(3);
    }

    @Test
    void aHubRuleIsLostWithTheHubAndADirectLinkIsNot() {
        RuledHouse house = Houses.house(4, List.of(byHub));
        Reach.Row before = row(house, "switch1", "lamp2");
        assertThat(without(before, HUB)).isEqualTo(State.LOST);
        assertThat(without(before, COORDINATOR)).isEqualTo(State.LOST);
        assertThat(without(before, INTERNET)).isEqualTo(State.WORKS);
        Reach.Row after = row(new Fix(Fix.Kind.MAKE_DIRECT, "stair").applyTo(house), "switch1", "lamp2");
        assertThat(without(after, HUB, COORDINATOR)).isEqualTo(State.WORKS);
        assertThat(after.paths().get(0).delayMs())
                .isLessThan(before.paths().get(0).delayMs());
    }

    @Test
    void aSecondWayIsSlowerAndBothAreLostTogether() {
        RuledHouse house = Houses.house(4, List.of(byHub))
                .withLinks(List.of(new Link(
                        "l",
                        new ControlId("switch1"),
                        new OutputId("lamp2"),
                        Link.Way.LOCAL_GROUP,
                        Link.Effect.TOGGLE,
                        false)));
        Reach.Row row = row(house, "switch1", "lamp2");
        assertThat(row.paths()).hasSize(2);
        assertThat(without(row, WIFI)).isEqualTo(State.SLOWER);
        assertThat(without(row, HUB)).isEqualTo(State.WORKS);
        assertThat(without(row, WIFI, HUB)).isEqualTo(State.LOST);
        assertThat(row.without(Set.of(WIFI)).by().orElseThrow().words()).contains("stair");
    }

    @Test
    void aCloudRuleTakesTheInternetToo() {
        Reach.Row row = row(Houses.house(4, List.of(byHub.runningOn(Rule.RunsOn.CLOUD))), "switch1", "lamp2");
        assertThat(without(row, INTERNET)).isEqualTo(State.LOST);
        assertThat(row.paths().get(0).delayMs()).isGreaterThan(Delays.USUAL.cloud());
    }

    @Test
    void everySinglePartAndEveryPairIsTold() {
        for (Reach.Row row : Reach.of(
                Houses.house(
                        6,
                        List.of(
                                byHub,
                                Houses.rule(
                                        "all off",
                                        new Trigger.Used(new ControlId("button"), Gesture.LONG),
                                        new Action.AllOff(Set.of())))),
                Delays.USUAL)) {
            long parts = row.paths().stream()
                    .flatMap(path -> path.parts().stream())
                    .distinct()
                    .count();
            assertThat(row.down()).hasSize((int) (parts + parts * (parts - 1) / 2));
            row.down().forEach((missing, outcome) -> {
                boolean left = row.paths().stream()
                        .anyMatch(path -> path.parts().stream().noneMatch(missing::contains));
                assertThat(outcome.state() != State.LOST).isEqualTo(left);
            });
        }
    }
}
