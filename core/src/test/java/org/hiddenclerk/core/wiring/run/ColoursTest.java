package org.hiddenclerk.core.wiring.run;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.junit.jupiter.api.Test;

/** IEC 60445 and HD 308 S2:2001, BS 7671 since 2004, NEC 200.6 and 200.7(C); all from memory. */
class ColoursTest {

    @Test
    void aBlueSwitchedLiveOfASwitchLoopMisleads() {
        Finding finding = only(RegionProfile.EU_230, CoreColour.BLUE, Optional.empty(), Role.SWITCHED_LIVE);

        assertThat(finding.code()).isEqualTo(FindingCode.COLOUR_MISLEADS);
        assertThat(finding.source().text()).contains("IEC 60445");
        assertThat(finding.remedies().get(0).text()).contains("sleeve it brown");
    }

    @Test
    void aSleeveTellsAndSoMisleadsNoMore() {
        assertThat(Colours.of(
                        box(CoreColour.BLUE, Optional.of(CoreColour.BROWN), Role.SWITCHED_LIVE), RegionProfile.EU_230))
                .isEmpty();
    }

    @Test
    void whiteAndGreyAreNeutralsInTheUnitedStates() {
        assertThat(only(RegionProfile.US_120, CoreColour.WHITE, Optional.empty(), Role.PERMANENT_LIVE)
                        .source()
                        .text())
                .contains("200.7(C)");
        assertThat(Colours.of(box(CoreColour.GREY, Optional.empty(), Role.NEUTRAL), RegionProfile.US_120))
                .isEmpty();
        assertThat(Colours.of(box(CoreColour.GREY, Optional.empty(), Role.SWITCHED_LIVE), RegionProfile.EU_230))
                .isEmpty();
    }

    @Test
    void anEarthColourOnALiveHoldsTheWork() {
        assertThat(only(RegionProfile.UK_230, CoreColour.GREEN_YELLOW, Optional.empty(), Role.SWITCHED_LIVE)
                        .code())
                .isEqualTo(FindingCode.EARTH_COLOUR_MISUSED);
        assertThat(Colours.of(box(CoreColour.GREEN_YELLOW, Optional.empty(), Role.EARTH), RegionProfile.UK_230))
                .isEmpty();
    }

    /** BS 7671 before Amendment 2:2004: black was neutral, and a live in black misleads; from memory. */
    @Test
    void theOldColoursOfACableAreReadAsSuch() {
        assertThat(cable(RegionProfile.UK_230, CoreColour.RED, CoreColour.BLACK))
                .isEmpty();
        assertThat(cable(RegionProfile.UK_230, CoreColour.BLACK, CoreColour.RED))
                .hasSize(2)
                .allSatisfy(finding -> assertThat(finding.source().text()).contains("before Amendment 2:2004"));
        assertThat(cable(RegionProfile.UK_230, CoreColour.BROWN, CoreColour.BLACK))
                .as("the present colours")
                .hasSize(1);
    }

    /** Colours in Germany until 1965: red was earth, grey neutral; from memory. */
    @Test
    void aRedEarthIsNotTakenForALive() {
        assertThat(cable(RegionProfile.EU_230, CoreColour.RED, CoreColour.GREY))
                .extracting(Finding::code)
                .containsExactly(FindingCode.EARTH_COLOUR_MISUSED);
        assertThat(cable(RegionProfile.EU_230, CoreColour.BLACK, CoreColour.BLUE))
                .isEmpty();
    }

    /** Findings of a feed with a live and a neutral of these colours. */
    private static List<Finding> cable(RegionProfile region, CoreColour live, CoreColour neutral) {
        Box sound = Boxes.box().gang("4", "LED 9").build();
        return Colours.of(
                new Box(
                        "B-1",
                        sound.kind(),
                        sound.geometry(),
                        sound.gangs(),
                        sound.loads(),
                        List.of(new Cable(
                                "c1",
                                new Leads.FromSupply(new CircuitId("4")),
                                new BigDecimal("1.5"),
                                List.of(
                                        new Core(1, live, Optional.empty(), Role.PERMANENT_LIVE, new End.Capped()),
                                        new Core(2, neutral, Optional.empty(), Role.NEUTRAL, new End.Capped())))),
                        List.of()),
                region);
    }

    @Test
    void theSurveySaysIt() {
        assertThat(WiringPlan.surveyed(
                                Boxes.house(),
                                Boxes.box()
                                        .gang("4", "LED 9")
                                        .loop(1, "4", Boxes.common(1), Boxes.throwOf(1))
                                        .build())
                        .findings())
                .extracting(Finding::code)
                .contains(FindingCode.COLOUR_MISLEADS);
    }

    private static Finding only(RegionProfile region, CoreColour colour, Optional<CoreColour> sleeve, Role role) {
        List<Finding> findings = Colours.of(box(colour, sleeve, role), region);
        assertThat(findings).hasSize(1);
        return findings.get(0);
    }

    private static Box box(CoreColour colour, Optional<CoreColour> sleeve, Role role) {
        Box sound = Boxes.box().gang("4", "LED 9").build();
        return new Box(
                "B-1",
                sound.kind(),
                sound.geometry(),
                sound.gangs(),
                sound.loads(),
                List.of(new Cable(
                        "c1",
                        new Leads.FromSupply(new CircuitId("4")),
                        new BigDecimal("1.5"),
                        List.of(new Core(1, colour, sleeve, role, new End.Capped())))),
                List.of());
    }
}
