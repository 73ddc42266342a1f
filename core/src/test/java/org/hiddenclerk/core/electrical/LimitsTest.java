package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.OptionalDouble;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** A limit that is met exactly is kept, and one that is passed by a little is not. Watts at 230 V, so 2300 W are 10 A. */
class LimitsTest {
    private static List<FindingCode> codes(Wirings wirings) {
        return WiringCheck.of(wirings.build()).findings().stream()
                .map(Finding::code)
                .toList();
    }

    private static ModuleSupply mains(double mostVolts) {
        return new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(mostVolts), 1);
    }

    private static List<Channel> rated(ContactRating rating) {
        return List.of(new Channel("1", "L", "O1", List.of(rating)));
    }

    @ParameterizedTest
    @CsvSource({"2300, false", "2301, true"})
    void theProtectiveDeviceOfACircuit(double watts, boolean over) {
        assertThat(codes(Wirings.mains().load("X1", LoadKind.HEATER, watts, Map.of(), "L=l", "N=n"))
                        .contains(FindingCode.CIRCUIT_OVERLOAD))
                .isEqualTo(over);
    }

    @ParameterizedTest
    @CsvSource({"1840, false, false", "1841, true, false", "2300, true, false", "2301, false, true"})
    void aContactRatedInWatts(double watts, boolean near, boolean over) {
        List<FindingCode> codes = codes(Wirings.mains()
                .module(
                        "K1",
                        mains(265),
                        rated(ContactRating.watts(LoadKind.HEATER, 2300)),
                        List.of(),
                        "L=l",
                        "N=n",
                        "O1=o")
                .load("X1", LoadKind.HEATER, watts, Map.of(), "L=o", "N=n"));
        assertThat(codes.contains(FindingCode.NEAR_LIMIT)).isEqualTo(near);
        assertThat(codes.contains(FindingCode.CONTACT_OVERLOAD)).isEqualTo(over);
    }

    @ParameterizedTest
    @CsvSource({"2300, false", "2301, true"})
    void aContactRatedInAmps(double watts, boolean over) {
        assertThat(codes(Wirings.mains()
                                .module(
                                        "K1",
                                        mains(265),
                                        rated(ContactRating.amps(LoadKind.HEATER, 10)),
                                        List.of(),
                                        "L=l",
                                        "N=n",
                                        "O1=o")
                                .load("X1", LoadKind.HEATER, watts, Map.of(), "L=o", "N=n"))
                        .contains(FindingCode.CONTACT_OVERLOAD))
                .isEqualTo(over);
    }

    /** 1.5 mm² carries 17.5 A (IEC 60364-5-52, table B.52.2, from memory): 4025 W. */
    @ParameterizedTest
    @CsvSource({"4025, false", "4026, true"})
    void aConductor(double watts, boolean over) {
        assertThat(codes(new Wirings()
                                .supply("F1", Line.L1, "C1", "l", 32)
                                .supply("N1", Line.N, "C1", "n", 32)
                                .conductor("W1", "l", "m", 1.5)
                                .load("X1", LoadKind.HEATER, watts, Map.of(), "L=m", "N=n"))
                        .contains(FindingCode.CONDUCTOR_OVERLOAD))
                .isEqualTo(over);
    }

    @ParameterizedTest
    @CsvSource({"0.5, false", "0.49, true"})
    void theThinnestConductorOnMains(double mm2, boolean tooThin) {
        assertThat(codes(Wirings.mains().conductor("W1", "l", "m", mm2).lamp("X1", 5, "m", "n"))
                        .contains(FindingCode.CONDUCTOR_OVERLOAD))
                .isEqualTo(tooThin);
    }

    /** 230 V are 110 % of 209.09 V. */
    @ParameterizedTest
    @CsvSource({"210, false", "209, true"})
    void theVoltsOfALoad(int volts, boolean over) {
        assertThat(codes(Wirings.mains().load("X1", LoadKind.HEATER, 40, Map.of("volts", volts), "L=l", "N=n"))
                        .contains(FindingCode.OVER_VOLTAGE))
                .isEqualTo(over);
    }

    @ParameterizedTest
    @CsvSource({"230, false", "229, true"})
    void theHighestVoltsOfAModule(double most, boolean over) {
        assertThat(codes(Wirings.mains()
                                .module(
                                        "K1",
                                        mains(most),
                                        rated(ContactRating.watts(LoadKind.LED_LAMP, 150)),
                                        List.of(),
                                        "L=l",
                                        "N=n",
                                        "O1=o")
                                .lamp("X1", 5, "o", "n"))
                        .contains(FindingCode.OVER_VOLTAGE))
                .isEqualTo(over);
    }

    @ParameterizedTest
    @CsvSource({"20, false", "19.9, true"})
    void theLeastLoadOfAModuleWithoutANeutral(double watts, boolean below) {
        ModuleSupply twoWire = new ModuleSupply.TwoWire("L", "O1", 90, OptionalDouble.of(265), 4, 20);
        assertThat(codes(Wirings.mains()
                                .module(
                                        "K1",
                                        twoWire,
                                        rated(ContactRating.watts(LoadKind.LED_LAMP, 150)),
                                        List.of(),
                                        "L=l",
                                        "O1=o")
                                .lamp("X1", watts, "o", "n"))
                        .contains(FindingCode.BELOW_MINIMUM_LOAD))
                .isEqualTo(below);
    }
}
