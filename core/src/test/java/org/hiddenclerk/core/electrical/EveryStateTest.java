package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;
import static org.hiddenclerk.core.job.Role.EARTH;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.testing.Circuits.wire;

import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.junit.jupiter.api.Test;

/** What a drawing shows of each state; the currents are worked out by Ohm's law on paper: 460 W at 230 V are 2 A. */
class EveryStateTest {
    private static final Wiring ONE_LAMP = WiringPlan.surveyed(
                    Boxes.house(RegionProfile.EU_230),
                    new Circuits(RegionProfile.EU_230)
                            .box("A", BoxKind.WALL)
                            .gang("A", Mechanism.ONE_WAY, "4")
                            .load("A", "incandescent 460", 1)
                            .feed("A", "4", "1.COM", "j.n")
                            .cable(
                                    "A",
                                    new Leads.ToLoad(1),
                                    wire(SWITCHED_LIVE, "1.L1"),
                                    wire(NEUTRAL, "j.n"),
                                    wire(EARTH, "j.earth"))
                            .from("A"))
            .wiring();

    private static EveryState with(Set<String> circuitsOff) {
        return EveryState.of(ONE_LAMP, WiringCheck.of(ONE_LAMP).truthTable(), circuitsOff);
    }

    private static EveryState.Row at(EveryState every, int position) {
        return every.rows().stream()
                .filter(row ->
                        row.reading().state().switches().values().stream().allMatch(stands -> stands == position))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void anOpenSwitchLeavesItsFarSideDeadAndEveryConductorWithoutCurrent() {
        EveryState every = with(Set.of());

        assertThat(every.rows()).hasSize(2);
        assertThat(at(every, 0).amps()).isEmpty();
        assertThat(at(every, 0).live()).isNotEmpty();
        assertThat(at(every, 1).live())
                .as("its far side too")
                .containsAll(at(every, 0).live())
                .hasSizeGreaterThan(at(every, 0).live().size());
    }

    @Test
    void aClosedSwitchCarriesWhatTheLampTakesToItAndBack() {
        Map<String, Double> amps = at(with(Set.of()), 1).amps();

        assertThat(amps)
                .as("live and neutral of the feed, switched live and neutral to the lamp")
                .hasSizeGreaterThanOrEqualTo(4);
        assertThat(amps.values()).allSatisfy(carried -> assertThat(carried).isCloseTo(2.0, within(0.001)));
    }

    @Test
    void aHandTurnsEachPositionIntoTheOther() {
        EveryState every = with(Set.of());

        every.next().forEach((from, operations) -> assertThat(operations.values())
                .as("%s", from)
                .anySatisfy(to -> assertThat(to).isNotEqualTo(from)));
        assertThat(every.next()).hasSize(2);
    }

    @Test
    void aCircuitThatIsOffIsDeadInEveryPosition() {
        assertThat(with(Set.of("4")).rows()).hasSize(2).allSatisfy(row -> {
            assertThat(row.live()).isEmpty();
            assertThat(row.amps()).isEmpty();
        });
        assertThat(with(Set.of("6")).rows())
                .as("another one changes nothing")
                .usingRecursiveComparison()
                .isEqualTo(with(Set.of()).rows());
    }
}
