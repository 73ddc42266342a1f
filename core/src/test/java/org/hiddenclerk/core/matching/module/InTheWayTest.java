package org.hiddenclerk.core.matching.module;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.finding.FindingCode.BOX_TOO_SHALLOW;
import static org.hiddenclerk.core.finding.FindingCode.CONTACT_OVERLOAD;
import static org.hiddenclerk.core.finding.FindingCode.INRUSH_UNKNOWN;
import static org.hiddenclerk.core.finding.FindingCode.NEUTRAL_ABSENT;
import static org.hiddenclerk.core.finding.FindingCode.SCHEME_NOT_FOR_THIS;
import static org.hiddenclerk.core.finding.FindingCode.TOO_FEW_CORES;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.matching.house.Unit;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.junit.jupiter.api.Test;

class InTheWayTest {
    private static InTheWay.Way way(String module, FindingCode... codes) {
        return new InTheWay.Way(module, true, Set.of(codes));
    }

    private static InTheWay.Way refused(String module, FindingCode... codes) {
        return new InTheWay.Way(module, false, Set.of(codes));
    }

    @Test
    void itIsWhatKeepsMostModulesOutAlone() {
        InTheWay reason = InTheWay.of(List.of(
                        way("A", BOX_TOO_SHALLOW, INRUSH_UNKNOWN),
                        way("B", BOX_TOO_SHALLOW),
                        way("C", CONTACT_OVERLOAD),
                        way("D", CONTACT_OVERLOAD, NEUTRAL_ABSENT),
                        way("E", CONTACT_OVERLOAD, NEUTRAL_ABSENT)))
                .orElseThrow();

        assertThat(reason.code())
                .as("two would pass without it; what stands beside others counts after")
                .isEqualTo(BOX_TOO_SHALLOW);
        assertThat(reason.words()).isEqualTo("Too deep for the box: that alone keeps out 2 modules.");
    }

    @Test
    void aSchemeForSomethingElseIsNoReason() {
        assertThat(InTheWay.of(List.of(
                                refused("A", SCHEME_NOT_FOR_THIS),
                                refused("B", SCHEME_NOT_FOR_THIS),
                                refused("A", TOO_FEW_CORES, NEUTRAL_ABSENT)))
                        .orElseThrow()
                        .others())
                .isTrue();
        assertThat(InTheWay.of(List.of(refused("A", SCHEME_NOT_FOR_THIS)))
                        .orElseThrow()
                        .code())
                .as("where there is nothing else")
                .isEqualTo(SCHEME_NOT_FOR_THIS);
        assertThat(InTheWay.of(List.of(way("A", INRUSH_UNKNOWN), way("B", NEUTRAL_ABSENT))))
                .as("one passes")
                .isEmpty();
        assertThat(InTheWay.of(List.of(refused("A", TOO_FEW_CORES), way("B", BOX_TOO_SHALLOW, CONTACT_OVERLOAD)))
                        .orElseThrow()
                        .code())
                .as("what can be wired comes nearer")
                .isIn(BOX_TOO_SHALLOW, CONTACT_OVERLOAD);
        assertThat(InTheWay.of(List.of())).isEmpty();
    }

    /** In a house: a box that is too shallow says so, whichever module is asked first; one that takes a module has no reason. */
    @Test
    void aPositionWithoutAModuleSaysWhatIsTheMatter() {
        List<ModuleModel> models = List.of(
                Modules.twoWire(40, Modules.generous()),
                Modules.withNeutral(1, 2, Modules.generous()),
                Modules.withNeutral(2, 2, Modules.generous()),
                Modules.blind());
        HouseSurvey survey = new HouseSurvey(
                Boxes.house(),
                Map.of(
                        "shallow",
                        Boxes.box()
                                .depth(25)
                                .gang("4", "LED 7")
                                .feed("4", common(1))
                                .lamp(1, throwOf(1), "4")
                                .build(),
                        "deep",
                        Boxes.box()
                                .depth(75)
                                .gang("4", "LED 7")
                                .feed("4", common(1))
                                .lamp(1, throwOf(1), "4")
                                .build()),
                Map.of());
        Map<Unit, InTheWay> reasons =
                new HouseMatch(survey, models, Terms.USUAL).match().inTheWay();

        assertThat(reasons.keySet()).extracting(Unit::id).containsExactly("shallow.1");
        assertThat(reasons.values()).extracting(InTheWay::code).containsExactly(BOX_TOO_SHALLOW);
    }
}
