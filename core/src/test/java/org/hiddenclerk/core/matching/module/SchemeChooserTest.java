package org.hiddenclerk.core.matching.module;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.job.RegionProfile.EU_230;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;
import static org.hiddenclerk.core.testing.Circuits.wire;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.junit.jupiter.api.Test;

class SchemeChooserTest {
    private static final ModuleModel ONE_CHANNEL = Modules.withNeutral(1, 2, Modules.usualRatings());
    private static final ModuleModel TWO_CHANNELS = Modules.withNeutral(2, 2, Modules.usualRatings());

    @Test
    void aModuleForTwoGangsKeepsBothSwitchesAtWork() {
        SchemeChooser.Toll toll = offers(twoGangs(), List.of(1, 2), ONE_CHANNEL, TWO_CHANNELS)
                .get(SchemeCode.BEHIND_SWITCH_N)
                .toll()
                .orElseThrow();

        assertThat(toll.modules()).isEqualTo(1);
        assertThat(toll.switchesWork()).isTrue();
        assertThat(toll.alwaysReachable()).isTrue();
    }

    @Test
    void aModuleWithTooFewChannelsIsShownWithTheReason() {
        List<Candidate> ranked = new SchemeChooser(
                        new Planner(Boxes.house(), ConnectedBoxes.of(twoGangs(), EU_230)),
                        List.of(ONE_CHANNEL, TWO_CHANNELS))
                .rank(SchemeCode.BEHIND_SWITCH_N, List.of(1, 2), List.of());

        assertThat(ranked)
                .extracting(c -> c.assignment().model().code())
                .containsExactly(TWO_CHANNELS.code(), ONE_CHANNEL.code());
        assertThat(ranked.get(1).findings()).anySatisfy(f -> {
            assertThat(f.code()).isEqualTo(FindingCode.TOO_FEW_CHANNELS);
            assertThat(f.reason()).startsWith("2 gangs need 2 channels");
        });
    }

    @Test
    void everySchemeIsOfferedOrRefusedWithAReason() {
        Topologies.all(EU_230).forEach((name, run) -> {
            Map<SchemeCode, SchemeChooser.Offer> offers = offers(run, List.of(1), ONE_CHANNEL, Modules.blinking());
            assertThat(offers.keySet())
                    .as("%s: nobody left a module in these boxes", name)
                    .isEqualTo(EnumSet.complementOf(EnumSet.of(SchemeCode.FREE_CHANNEL)));
            offers.values().forEach(offer -> assertThat(
                            offer.applies() || !offer.reasons().isEmpty())
                    .as(name + " " + offer.scheme())
                    .isTrue());
        });
    }

    /** A fact of the trade, common practice, no source. */
    @Test
    void withOneModuleOnAStairBothSwitchesStillWork() {
        ConnectedBoxes stair = Topologies.all(EU_230).get("two-way, feed and lamp at A, neutral in B");

        SchemeChooser.Toll toll = offers(stair, List.of(1), Modules.withInputs(2))
                .get(SchemeCode.MULTI_ONE_MODULE)
                .toll()
                .orElseThrow();

        assertThat(toll.switchesWork()).isTrue();
        assertThat(toll.boxes()).hasSize(2);
    }

    /** The buttons of a blind move it while they are held, which is no change from on to off; they were said to command nothing. */
    @Test
    void theButtonsOfABlindWork() {
        ConnectedBoxes blind = new Circuits(EU_230)
                .box("A", BoxKind.WALL)
                .gang("A", Mechanism.PUSH_MAKE, "4")
                .gang("A", Mechanism.PUSH_MAKE, "4")
                .load("A", "blind 140", 1, Optional.of(new Drive("loft", Drive.Direction.UP)))
                .load("A", "blind 140", 2, Optional.of(new Drive("loft", Drive.Direction.DOWN)))
                .feed("A", "4", "1.COM", "j.n")
                .jumper("A", "1.COM", "2.COM")
                .cable(
                        "A",
                        new Leads.ToLoad(1, List.of(new Leads.Branch(2, 2))),
                        wire(Role.SWITCHED_LIVE, "1.L1"),
                        wire(Role.SWITCHED_LIVE, "2.L1"),
                        wire(Role.NEUTRAL, "j.n"),
                        wire(Role.EARTH, "j.earth"))
                .from("A");

        Map<SchemeCode, SchemeChooser.Offer> offers = offers(blind, List.of(1, 2), Modules.blind());

        assertThat(offers.get(SchemeCode.BLIND_PAIR).toll().orElseThrow().switchesWork())
                .isTrue();
        assertThat(offers.get(SchemeCode.NO_SWITCH).toll().map(SchemeChooser.Toll::switchesWork))
                .as("nothing reads them there")
                .contains(false);
    }

    private static Map<SchemeCode, SchemeChooser.Offer> offers(
            ConnectedBoxes run, List<Integer> gangs, ModuleModel... models) {
        return offers(new Planner(Boxes.house(), run), gangs, models);
    }

    private static Map<SchemeCode, SchemeChooser.Offer> offers(Box box, List<Integer> gangs, ModuleModel... models) {
        return offers(new Planner(Boxes.house(), ConnectedBoxes.of(box, EU_230)), gangs, models);
    }

    private static Map<SchemeCode, SchemeChooser.Offer> offers(
            Planner planner, List<Integer> gangs, ModuleModel... models) {
        return new SchemeChooser(planner, List.of(models))
                .offers(gangs, List.of()).stream()
                        .collect(Collectors.toMap(SchemeChooser.Offer::scheme, Function.identity()));
    }

    private static Box twoGangs() {
        return Boxes.box()
                .gang("4", "LED 13")
                .gang("4", "LED 13")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .jumper(common(1), common(2))
                .build();
    }
}
