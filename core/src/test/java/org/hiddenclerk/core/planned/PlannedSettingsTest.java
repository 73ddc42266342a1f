package org.hiddenclerk.core.planned;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;
import org.junit.jupiter.api.Test;

/** What modules are set to by how they are wired and by what is wanted of their inputs. */
class PlannedSettingsTest {
    private static PlannedHouse house(ConnectedBoxes run, SchemeCode scheme, ModuleModel model) {
        Assignment assignment =
                new Assignment(scheme, model, List.of(1), List.of(), Map.of(), Optional.empty(), Optional.empty());
        WiringPlan plan = WiringPlan.of(SpecialRuns.house(RegionProfile.EU_230), run, List.of(assignment));
        assertThat(plan.planned()).as(plan.findings().toString()).isPresent();
        return PlannedHouse.of(
                List.of(PlannedWork.of(
                        plan, List.of(new PlannedWork.Owner(run.lead().id(), 1, assignment)), Map.of())),
                (box, other) -> Set.of());
    }

    private static ConnectedBoxes oneWay() {
        return Topologies.all(RegionProfile.EU_230).get("one-way, feed at the switch");
    }

    @Test
    void whatNobodySpokeOfStaysAsItIsShipped() {
        assertThat(PlannedSettings.of(
                        house(oneWay(), SchemeCode.BEHIND_SWITCH_N, Modules.withNeutral(1, 2, Modules.generous())),
                        Map.of()))
                .isEmpty();
    }

    @Test
    void whatIsWantedOfAnInputIsSetOnItsModule() {
        PlannedHouse house = house(oneWay(), SchemeCode.BEHIND_SWITCH_N, Modules.withNeutral(1, 2, Modules.generous()));
        PlannedModule.Input input = house.modules().get(0).inputs().get(0);

        assertThat(PlannedSettings.of(house, Map.of(input.id(), Parameters.USUAL)))
                .containsExactly(Map.entry(input.id().module(), PlannedSettings.of(input.wall(), Parameters.USUAL)));
    }

    @Test
    void aModuleThatASwitchFeedsComesOnWithIt() {
        PlannedHouse house = house(oneWay(), SchemeCode.SWITCH_UPSTREAM, Modules.withNeutral(1, 2, Modules.generous()));

        assertThat(PlannedSettings.of(house, Map.of()).values())
                .containsExactly(
                        Settings.ofOutput(Adviser.powerOnBehindASwitch().state()));
    }

    @Test
    void aContactThatOpensAGateClosesForAMomentOnly() {
        assertThat(PlannedSettings.of(
                                house(SpecialRuns.gate(RegionProfile.EU_230), SchemeCode.VOLT_FREE, Modules.voltFree()),
                                Map.of())
                        .values())
                .containsExactly(Settings.ofPulse(1));
    }
}
