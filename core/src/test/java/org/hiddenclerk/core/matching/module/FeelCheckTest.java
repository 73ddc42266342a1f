package org.hiddenclerk.core.matching.module;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.DataSheet.FirmwareLine;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.testing.Modules;
import org.junit.jupiter.api.Test;

/** Whether an input can be what it is set to. */
class FeelCheckTest {
    private static final Wall ROCKER = new Wall(Wall.Kind.ROCKER, 1);

    private final ModuleModel module = Modules.withNeutral(1, 1);

    private List<Finding> check(
            ModuleModel model,
            Wall wall,
            InputBehaviour behaviour,
            PowerOn powerOn,
            Optional<InstalledFirmware> installed) {
        Parameters parameters = Parameters.USUAL.withPowerOn(powerOn);
        return FeelCheck.of(
                new Subject.Input("K1", "1"),
                wall,
                model,
                behaviour,
                parameters,
                Settings.of(1, 1, behaviour, parameters),
                installed);
    }

    private static ModuleModel running(ModuleModel model, String... features) {
        return Modules.with(
                model,
                new DataSheet(
                        Optional.empty(),
                        OptionalInt.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        false,
                        List.of(),
                        List.of(),
                        List.of(new FirmwareLine("main", "2.0.0", Set.of(features))),
                        Optional.empty(),
                        List.of(),
                        Set.of()));
    }

    @Test
    void whatSuitsIsInOrder() {
        assertThat(check(module, ROCKER, InputBehaviour.EVERY_FLIP, PowerOn.OFF, Optional.empty()))
                .isEmpty();
    }

    @Test
    void aBehaviourThatDoesNotGoWithTheSwitchHolds() {
        List<Finding> findings = check(
                module, new Wall(Wall.Kind.PUSH, 1), InputBehaviour.POSITION_RULES, PowerOn.SWITCH, Optional.empty());
        assertThat(findings).extracting(Finding::code).containsExactly(FindingCode.BEHAVIOUR_UNSUITED);
        assertThat(Verdict.of(findings)).isEqualTo(Verdict.HOLD);
    }

    @Test
    void whatTheNewestOrTheInstalledFirmwareLacksHolds() {
        ModuleModel silent = running(module, "power measured");
        assertThat(check(silent, ROCKER, InputBehaviour.REPORT_ONLY, PowerOn.OFF, Optional.empty()))
                .extracting(Finding::code)
                .contains(FindingCode.FIRMWARE_LACKS);
        ModuleModel telling = running(module, FirmwareLine.REPORT_OF_STATE);
        assertThat(check(telling, ROCKER, InputBehaviour.REPORT_ONLY, PowerOn.OFF, Optional.empty()))
                .extracting(Finding::code)
                .doesNotContain(FindingCode.FIRMWARE_LACKS);
        InstalledFirmware old = new InstalledFirmware("1.0.0", Set.of(), Map.of(FirmwareLine.REPORT_OF_STATE, "2.0.0"));
        assertThat(check(telling, ROCKER, InputBehaviour.REPORT_ONLY, PowerOn.OFF, Optional.of(old)))
                .filteredOn(f -> f.code() == FindingCode.FIRMWARE_LACKS)
                .singleElement()
                .satisfies(
                        finding -> assertThat(finding.remedies().get(0).text()).contains("2.0.0"));
    }

    @Test
    void aPowerOnStateThatMaySurpriseIsTold() {
        assertThat(check(module, ROCKER, InputBehaviour.EVERY_FLIP, PowerOn.ON, Optional.empty()))
                .extracting(Finding::code)
                .containsExactly(FindingCode.POWER_ON_UNUSUAL);
    }
}
