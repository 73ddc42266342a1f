package org.hiddenclerk.core.radio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.radio.RadioPlan.Anchor;
import org.hiddenclerk.core.radio.RadioPlan.Member;
import org.junit.jupiter.api.Test;

class RadioPlanTest {
    /** ITU-R P.525, computed values FS-1 to FS-6. */
    @Test
    void freeSpaceLosesWhatTheRecommendationSays() {
        double[][] rows = {
            {1, 2450, 40.23},
            {10, 2450, 60.23},
            {10, 868.42, 51.22},
            {10, 908.42, 51.61},
            {30, 2440, 69.74},
            {100, 868.42, 71.22}
        };
        assertSoftly(softly -> {
            for (double[] row : rows) {
                softly.assertThat(Link.freeSpaceLoss(row[0], row[1])).isCloseTo(row[2], within(0.005));
            }
        });
    }

    /** ITU-R P.2040-2 with parameters from memory, computed values AB-1 to AB-6. */
    @Test
    void materialsAbsorbWhatTheRecommendationSays() {
        assertSoftly(softly -> {
            softly.assertThat(Material.CONCRETE.absorptionPerMetre(2.45) * 0.2).isCloseTo(13.31, within(0.01));
            softly.assertThat(Material.CONCRETE.absorptionPerMetre(0.868) * 0.2).isCloseTo(5.91, within(0.01));
            softly.assertThat(Material.BRICK.absorptionPerMetre(2.45) * 0.11).isCloseTo(2.50, within(0.01));
            softly.assertThat(Material.PLASTERBOARD.absorptionPerMetre(2.45) * 0.025)
                    .isCloseTo(0.49, within(0.01));
            softly.assertThat(Material.WOOD.absorptionPerMetre(2.45) * 0.04).isCloseTo(0.57, within(0.01));
            softly.assertThat(Material.GLASS.absorptionPerMetre(2.45) * 0.008).isCloseTo(0.06, within(0.01));
        });
    }

    @Test
    void wallsAreCountedWhereTheWayPassesFromRoomToRoom() {
        FloorPlan row = row(4, Material.BRICK);

        assertThat(row.way("R1", "R1", 2450).orElseThrow().walls()).isZero();
        assertThat(row.way("R1", "R4", 2450).orElseThrow().walls()).isEqualTo(3);
        assertThat(row.way("R1", "R4", 2450).orElseThrow().lossDecibels()).isCloseTo(22.5, within(1e-9));
        assertThat(row.way("R1", "R4", 868.42).orElseThrow().lossDecibels())
                .as("less is lost lower down")
                .isLessThan(22.5);
        assertThat(row.way("R1", "nowhere", 2450)).isEmpty();
    }

    @Test
    void aFarModuleNeedsOneThatPassesOnInBetween() {
        RadioPlan radio = new RadioPlan(
                row(6, Material.BRICK),
                RegionProfile.EU_230,
                List.of(new Anchor("coordinator", Protocol.ZIGBEE, "R1", OptionalInt.empty())));
        Member far = new Member("far", Protocol.ZIGBEE, "R5", false, false);

        assertThat(radio.judge(List.of(far))).extracting(Finding::code).containsExactly(FindingCode.NO_ROUTER_IN_REACH);
        Member between = new Member("between", Protocol.ZIGBEE, "R3", true, false);
        assertThat(radio.hops(List.of(far, between))).containsEntry(between, 1).containsEntry(far, 2);
        Member silent = new Member("between", Protocol.ZIGBEE, "R3", false, false);
        assertThat(radio.judge(List.of(far, silent)))
                .extracting(Finding::code)
                .contains(FindingCode.NO_ROUTER_IN_REACH);
    }

    /** Z-Wave: at most four repeaters on a route; 232 nodes with the controller. From memory of the specification. */
    @Test
    void hopsAndMembersAreLimited() {
        RadioPlan radio = new RadioPlan(
                row(30, Material.REINFORCED),
                RegionProfile.EU_230,
                List.of(new Anchor("controller", Protocol.ZWAVE, "R1", OptionalInt.empty())));
        List<Member> chain = new java.util.ArrayList<>();
        for (int i = 2; i <= 30; i++) {
            chain.add(new Member("M" + i, Protocol.ZWAVE, "R" + i, true, false));
        }

        assertThat(radio.judge(chain))
                .extracting(Finding::code)
                .contains(FindingCode.TOO_MANY_HOPS)
                .doesNotContain(FindingCode.NO_ROUTER_IN_REACH);
        List<Member> many = java.util.stream.IntStream.rangeClosed(1, 232)
                .mapToObj(i -> new Member("M" + i, Protocol.ZWAVE, "R1", true, false))
                .toList();
        assertThat(radio.judge(many)).extracting(Finding::code).containsExactly(FindingCode.NETWORK_FULL);
        assertThat(radio.judge(many.subList(0, 231))).isEmpty();
    }

    @Test
    void metalHasNoEstimate() {
        RadioPlan radio = new RadioPlan(
                row(2, Material.WOOD),
                RegionProfile.EU_230,
                List.of(new Anchor("access point", Protocol.WIFI, "R1", OptionalInt.of(30))));

        Finding finding = radio.judge(List.of(new Member("F-1", Protocol.MQTT_WIFI, "R1", false, true)))
                .get(0);
        assertThat(finding.code()).isEqualTo(FindingCode.LINK_NOT_ESTIMATED);
        assertThat(finding.reason()).contains("no link until it is measured");
    }

    @Test
    void whereNoRoomIsDrawnOneWordIsSaid() {
        RadioPlan radio = new RadioPlan(FloorPlan.notDrawn(), RegionProfile.EU_230, List.of());

        assertThat(radio.judge(List.of(
                        new Member("a", Protocol.ZIGBEE, "R1", true, false),
                        new Member("b", Protocol.WIFI, "R2", true, false))))
                .singleElement()
                .satisfies(f -> assertThat(f.reason()).contains("of 2 modules"));
        assertThat(radio.judge(List.of())).isEmpty();
    }

    /** Wi-Fi and MQTT over Wi-Fi hang on the same access points. */
    @Test
    void membersOfOneNetworkAreCountedTogether() {
        RadioPlan radio = new RadioPlan(
                row(1, Material.WOOD),
                RegionProfile.EU_230,
                List.of(new Anchor("access point", Protocol.WIFI, "R1", OptionalInt.of(2))));
        List<Member> three = List.of(
                new Member("a", Protocol.WIFI, "R1", false, false),
                new Member("b", Protocol.MQTT_WIFI, "R1", false, false),
                new Member("c", Protocol.MQTT_WIFI, "R1", false, false));

        assertThat(radio.judge(three)).extracting(Finding::code).containsExactly(FindingCode.NETWORK_FULL);
        assertThat(radio.judge(three.subList(0, 2))).isEmpty();
        assertThat(RadioPlan.networks()).hasSize(3);
    }

    @Property(tries = 50)
    void fartherIsNeverBetter(
            @ForAll @DoubleRange(min = 1, max = 40) double near, @ForAll @DoubleRange(min = 0, max = 20) double more) {
        assertThat(Link.freeSpaceLoss(near + more, 2450)).isGreaterThanOrEqualTo(Link.freeSpaceLoss(near, 2450));
    }

    /** Rooms of 4 by 4 m in a row. */
    private static FloorPlan row(int rooms, Material walls) {
        Map<String, RoomShape> shapes = new LinkedHashMap<>();
        for (int i = 1; i <= rooms; i++) {
            shapes.put("R" + i, new RoomShape("R" + i, 0, 4.0 * (i - 1), 0, 4, 4, walls));
        }
        return new FloorPlan(shapes, 2.8, Material.CONCRETE);
    }

    /** Both kinds over Wi-Fi hang on the same access points. */
    @Test
    void aNetworkIsOfferedOnceForAllProtocolsThatShareIt() {
        assertThat(Protocol.networks()).containsExactly(Protocol.ZIGBEE, Protocol.ZWAVE, Protocol.WIFI);
    }
}
