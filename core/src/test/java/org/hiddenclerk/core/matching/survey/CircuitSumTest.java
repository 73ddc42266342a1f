package org.hiddenclerk.core.matching.survey;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.junit.jupiter.api.Test;

/** Loads of a circuit against its device and cable. */
class CircuitSumTest {

    private static HouseContext house(RegionProfile region, int rating, String mm2) {
        CircuitId id = new CircuitId("4");
        return new HouseContext(
                region,
                Map.of(
                        id,
                        new Circuit(
                                id,
                                "4",
                                Amps.of(rating),
                                Line.L1,
                                false,
                                Optional.empty(),
                                new Protection(
                                        Protection.Device.BREAKER,
                                        OptionalInt.of(30),
                                        Optional.of(new BigDecimal(mm2))))));
    }

    private static List<FindingCode> codes(HouseContext house, String typed) {
        Box box = new Circuits(house.region())
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("A", typed, 1)
                .from("A")
                .lead()
                .box();
        CircuitSum sum = CircuitSum.of(house, Map.of("A", box)).get(0);
        return sum.findings().stream().map(f -> f.code()).toList();
    }

    /** 2300 W at 230 V are 10 A: case LD-2 of the check values, computed. */
    @Test
    void aSumAboveTheRatingIsRefused() {
        assertThat(codes(house(RegionProfile.EU_230, 10, "1.5"), "heater 2300"))
                .containsExactly(FindingCode.NEAR_LIMIT);
        assertThat(codes(house(RegionProfile.EU_230, 10, "1.5"), "heater 2310"))
                .containsExactly(FindingCode.CIRCUIT_OVERLOAD);
        assertThat(codes(house(RegionProfile.EU_230, 10, "1.5"), "heater 1000")).isEmpty();
    }

    /** NEC 240.4(D), from memory: 14 AWG takes 15 A, 12 AWG 20 A. IEC 60364-5-52 B.52.2, from memory: 1.5 mm² carries 17.5 A. */
    @Test
    void aDeviceThatDoesNotProtectTheCableIsFound() {
        assertThat(codes(house(RegionProfile.US_120, 20, "2.08"), "LED 9"))
                .containsExactly(FindingCode.CABLE_UNDER_DEVICE);
        assertThat(codes(house(RegionProfile.US_120, 15, "2.08"), "LED 9")).isEmpty();
        assertThat(codes(house(RegionProfile.US_120, 20, "3.31"), "LED 9")).isEmpty();
        assertThat(codes(house(RegionProfile.EU_230, 20, "1.5"), "LED 9"))
                .containsExactly(FindingCode.CABLE_UNDER_DEVICE);
        assertThat(codes(house(RegionProfile.EU_230, 16, "1.5"), "LED 9")).isEmpty();
    }

    @Test
    void aLoadThatHangsElsewhereCountsForTheCircuitThatReachesIt() {
        Box switchBox = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .box("L", BoxKind.LUMINAIRE)
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("L", "heater 2400", 0)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        "L",
                        Circuits.wire(Role.SWITCHED_LIVE, "1.L1", "x1.L"),
                        Circuits.wire(Role.NEUTRAL, "j.n", "x1.N"))
                .from("A")
                .lead()
                .box();
        Box lamp = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .box("L", BoxKind.LUMINAIRE)
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("L", "heater 2400", 0)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        "L",
                        Circuits.wire(Role.SWITCHED_LIVE, "1.L1", "x1.L"),
                        Circuits.wire(Role.NEUTRAL, "j.n", "x1.N"))
                .from("L")
                .lead()
                .box();

        CircuitSum sum = CircuitSum.of(house(RegionProfile.EU_230, 10, "1.5"), Map.of("A", switchBox, "L", lamp))
                .get(0);
        assertThat(sum.loads()).isEqualTo(1);
        assertThat(sum.findings()).extracting(f -> f.code()).containsExactly(FindingCode.CIRCUIT_OVERLOAD);
    }

    @Test
    void needsNameTheDecisionThatWaits() {
        HouseContext house = house(RegionProfile.EU_230, 10, "1.5");
        Box bare = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.ONE_WAY, "4")
                .from("A")
                .lead()
                .box();
        assertThat(SurveyNeed.of(house, bare, false))
                .extracting(SurveyNeed::where)
                .containsExactly(SurveyNeed.Where.SWITCHES, SurveyNeed.Where.CABLES);

        Box whole = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.ONE_WAY, "4")
                .load("A", "LED 9", 1)
                .feed("A", "4", "1.COM", "j.n")
                .cable(
                        "A",
                        new Leads.ToLoad(1),
                        Circuits.wire(Role.SWITCHED_LIVE, "1.L1"),
                        Circuits.wire(Role.NEUTRAL, "j.n"))
                .from("A")
                .lead()
                .box();
        assertThat(SurveyNeed.of(house, whole, false))
                .as("nothing is asked that no decision needs")
                .isEmpty();
    }

    @Test
    void aMetalBoxWithoutEarthAndADimmerAreTold() {
        HouseContext house = house(RegionProfile.EU_230, 10, "1.5");
        var run = new Circuits(RegionProfile.EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.FAN_SPEED, "4")
                .load("A", "fan 60", 1)
                .from("A");

        assertThat(SurveyChecks.of(house, run))
                .extracting(f -> f.code())
                .contains(FindingCode.REGULATOR_PRESENT, FindingCode.ROOM_BEHIND);
    }
}
