package org.hiddenclerk.core.joining;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.joining.Recognition.Candidate;
import org.hiddenclerk.core.joining.Recognition.Evidence;
import org.hiddenclerk.core.joining.Recognition.Place;
import org.hiddenclerk.core.testing.Modules;
import org.junit.jupiter.api.Test;

/** Order, recognition, names that are borne twice, settings and links; common practice, no source, unless said. */
class JoiningRulesTest {
    private static final UUID HALL = new UUID(0, 1);
    private static final UUID LOFT = new UUID(0, 2);
    private static final UUID STAIR = new UUID(0, 3);
    private static final UUID LAMP = new UUID(0, 4);
    private static final Map<UUID, String> ROOMS = Map.of(HALL, "hall", LOFT, "loft", STAIR, "stair", LAMP, "lamp");
    private static final List<Place> PLACES = List.of(
            new Place(HALL, "K", Optional.of("A1"), Set.of(1)),
            new Place(LOFT, "K", Optional.empty(), Set.of(1)),
            new Place(STAIR, "K", Optional.empty(), Set.of(1)));
    private static final List<Candidate> DEVICES = List.of(
            new Candidate("A1", "K", Set.of()), new Candidate("A2", "K", Set.of()), new Candidate("A3", "K", Set.of()));

    private static Recognition.Result told(Evidence... evidence) {
        return new Recognition(PLACES, DEVICES, List.of(evidence)).result();
    }

    private static Evidence seen(String address, UUID unit) {
        return new Evidence.Seen(address, unit, Recognition.Way.SWITCHED);
    }

    @Test
    void thoseThatPassMessagesOnComeInFirstFromNearToFar() {
        assertThat(JoinOrder.of(List.of(
                        new JoinOrder.Waiting("leaf", false, 1),
                        new JoinOrder.Waiting("far", true, 9),
                        new JoinOrder.Waiting("near", true, 2))))
                .extracting(JoinOrder.Waiting::id)
                .containsExactly("near", "far", "leaf");
    }

    @Test
    void aCodeTellsAndTheLastOneLeftIsNotTold() {
        assertThat(told().known()).containsExactly(Map.entry(HALL, "A1"));
        Recognition.Result one = told(seen("A2", LOFT));
        assertThat(one.known()).containsEntry(LOFT, "A2");
        assertThat(one.open().get("A3")).containsExactly(STAIR);
        assertThat(one.isFinished()).isFalse();
        assertThat(told(seen("A2", LOFT), seen("A3", STAIR)).isFinished()).isTrue();
        assertThat(told(new Evidence.NotThere("A2", LOFT)).open().get("A2")).containsExactly(STAIR);
    }

    @Test
    void aSwitchThatMovedTellsWhereADeviceIsNot() {
        List<Place> places = List.of(
                new Place(HALL, "K", Optional.empty(), Set.of(1)),
                new Place(STAIR, "K", Optional.empty(), Set.of(1, 2)),
                new Place(LAMP, "K", Optional.empty(), Set.of()));
        List<Candidate> devices = List.of(
                new Candidate("A1", "K", Set.of(2)),
                new Candidate("A2", "K", Set.of(1)),
                new Candidate("A3", "K", Set.of()));
        Map<String, Set<UUID>> open =
                new Recognition(places, devices, List.of()).result().open();
        assertThat(open.get("A1")).containsExactly(STAIR);
        assertThat(open.get("A2")).containsExactly(HALL, STAIR);
        assertThat(open.get("A3")).as("who told nothing may be anywhere").containsExactly(HALL, STAIR, LAMP);
        assertThat(new Recognition(places, devices, List.of()).result().known())
                .as("one candidate is not yet what was seen")
                .isEmpty();
    }

    @Test
    void whatContradictsItselfStaysOpenOnBothSides() {
        assertThat(told(seen("A2", LOFT), seen("A3", LOFT)).conflicts())
                .extracting(conflict -> conflict.words(ROOMS::get))
                .containsExactly("At loft two devices were seen: A2 and A3.");
        Recognition.Result twoPlaces = told(seen("A2", LOFT), seen("A2", STAIR));
        assertThat(twoPlaces.conflicts())
                .extracting(conflict -> conflict.words(ROOMS::get))
                .containsExactly("A2 was seen in two places: loft and stair.");
        assertThat(twoPlaces.known()).doesNotContainKeys(LOFT, STAIR);
        assertThat(told(seen("A2", LOFT), new Evidence.NotThere("A2", LOFT)).conflicts())
                .isNotEmpty();
        assertThat(new Recognition(PLACES, List.of(new Candidate("A1", "other", Set.of())), List.of())
                        .result()
                        .conflicts())
                .extracting(conflict -> conflict.words(ROOMS::get))
                .containsExactly("A1 says it is a other; at hall a K is planned.");
    }

    private static Member member(String address, String name) {
        return new Member(address, "K", name, "1.0.0", "", 100, 0, true);
    }

    @Test
    void anInventoryTellsLostMovedDoubledAndFresh() {
        InventoryComparison inventory = InventoryComparison.of(
                Map.of("one", "A1", "two", "A2", "three", "A3"),
                List.of(member("A1", "one"), member("B2", "two"), member("C1", "new"), member("C2", "new")));
        assertThat(inventory.lost()).containsExactly("A3");
        assertThat(inventory.moved()).containsExactly(Map.entry("A2", "B2"));
        assertThat(inventory.twice()).containsOnlyKeys("new");
        assertThat(inventory.fresh()).extracting(Member::address).containsExactly("C1", "C2");
    }

    @Test
    void whatFollowsFromTheWiringCanBeSet() {
        var contact = Modules.voltFree();
        assertThat(Settings.ofPulse(1))
                .containsEntry("channel-1.off-after", "1")
                .containsEntry("power-on", "off")
                .allSatisfy((key, value) ->
                        assertThat(Settings.refusal(contact, key, value)).isEmpty());
        assertThat(Settings.ofOutput(PowerOn.SWITCH)).containsExactly(Map.entry("power-on", "as-switch"));
    }

    @Test
    void onlyWhatAModuleHasCanBeSet() {
        var model = Modules.withNeutral(1, 2, Modules.generous());
        assertThat(Settings.refusal(model, "power-on", "last")).isEmpty();
        assertThat(Settings.refusal(model, "power-on", "maybe")).isPresent();
        assertThat(Settings.refusal(model, "channel-2.off-after", "5").orElseThrow())
                .contains("has 1 channels, not 2");
        assertThat(Settings.refusal(model, "channel-1.off-after", "86401")).isPresent();
        assertThat(Settings.refusal(model, "channel-1.inverted", "yes"))
                .as("an input's setting")
                .isPresent();
        assertThat(Settings.of(model))
                .allSatisfy(choice -> choice.values().keySet().forEach(value -> assertThat(
                                Settings.refusal(model, choice.key(), value))
                        .isEmpty()));
        assertThat(Settings.differences(Map.of("power-on", "last"), Map.of("power-on", "off", "other", "x")))
                .containsExactly(new Settings.Difference("power-on", Optional.of("last"), Optional.of("off")));
    }

    @Test
    void aLinkIsGradedAtItsLimitsAndAWindowAtItsOctet() {
        assertThat(List.of(100, 99, 50, 49))
                .map(figure -> Link.of(Protocol.ZIGBEE, figure).grade())
                .containsExactly(Link.Grade.GOOD, Link.Grade.WEAK, Link.Grade.WEAK, Link.Grade.POOR);
        assertThat(List.of(-67, -68, -78, -79))
                .map(figure -> Link.of(Protocol.WIFI, figure).grade())
                .containsExactly(Link.Grade.GOOD, Link.Grade.WEAK, Link.Grade.WEAK, Link.Grade.POOR);
        assertThat(Window.of(Protocol.ZIGBEE).takes(254)).isTrue();
        assertThat(Window.of(Protocol.ZIGBEE).takes(255)).isFalse();
        assertThat(Window.of(Protocol.WIFI).takes(179)).isFalse();
    }

    private static DeviceStanding standing(String name, boolean known, boolean silent, boolean setUp, int link) {
        return new DeviceStanding(
                "stair", "A-" + name, Protocol.WIFI, name, known, silent, setUp, List.of(), OptionalInt.of(link));
    }

    @Test
    void aDeviceIsDoneWhenItIsKnownSetUpAnsweringAndHeard() {
        assertThat(standing("a", true, false, true, -60).reservation()).isEmpty();
        assertThat(standing("a", true, false, false, -60).reservation()).contains(Severity.NOTE);
        assertThat(standing("a", false, false, false, -60).reservation()).contains(Severity.HOLD);
        assertThat(standing("a", true, true, true, -60).reservation()).contains(Severity.HOLD);
        assertThat(standing("a", true, false, true, -75).reservation()).contains(Severity.NOTE);
        assertThat(standing("a", true, false, true, -90).reservation()).contains(Severity.HOLD);
        assertThat(DeviceStanding.findings(List.of(
                        standing("a", true, false, true, -60),
                        standing("a", true, false, true, -60),
                        standing("b", true, true, true, -60))))
                .extracting(Finding::code)
                .containsExactlyInAnyOrder(FindingCode.NAME_TWICE, FindingCode.DOES_NOT_ANSWER);
    }
}
