package org.hiddenclerk.core.wiring.scheme;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.electrical.part.Mechanism.DOUBLE_POLE;
import static org.hiddenclerk.core.electrical.part.Mechanism.ONE_WAY;
import static org.hiddenclerk.core.job.BoxKind.WALL;
import static org.hiddenclerk.core.job.RegionProfile.EU_230;
import static org.hiddenclerk.core.job.RegionProfile.US_120;
import static org.hiddenclerk.core.job.Role.EARTH;
import static org.hiddenclerk.core.job.Role.NEUTRAL;
import static org.hiddenclerk.core.job.Role.PERMANENT_LIVE;
import static org.hiddenclerk.core.job.Role.SWITCHED_LIVE;
import static org.hiddenclerk.core.testing.Circuits.wire;
import static org.hiddenclerk.core.wiring.scheme.SpecialRuns.plan;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.testing.Circuits;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.Move;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

/** Schemes for what is not a plain lamp: heavy appliances, blinds, fans, sockets, gates, direct current. */
class SpecialSchemesTest {

    @Test
    void eachIsProvedInEveryRegion() {
        SpecialRuns.plans().forEach((name, plan) -> {
            assertThat(plan.planned()).as(name + " " + plan.findings()).isPresent();
            // One switch for fan and light can't become two: a load loses it, and the household is asked.
            boolean takesSwitches = name.contains("canopy");
            assertThat(plan.verdict())
                    .as(name + " " + plan.findings())
                    .isEqualTo(takesSwitches ? Verdict.HOLD : Verdict.OK);
            assertThat(plan.findings())
                    .as(name)
                    .filteredOn(f -> f.severity() == Severity.HOLD)
                    .extracting(f -> f.code())
                    .allMatch(code -> code == FindingCode.SWITCH_LOST);
            assertThat(plan.wiring().parts())
                    .as(name)
                    .extracting(part -> part.id())
                    .doesNotHaveDuplicates();
        });
    }

    @Nested
    class Heavy {
        @Test
        void theSwitchCarriesAControlWireOnly() {
            WiringPlan plan = plan(EU_230, SpecialRuns.heater(EU_230, ONE_WAY), SchemeCode.HEAVY_DUTY, Modules.heavy());

            assertThat(plan.after().orElseThrow().attachedAt(new End.AtMechanism(1, "L1")))
                    .singleElement()
                    .satisfies(a -> assertThat(a.words()).isEqualTo("jumper to NH, S1"));
        }

        @Test
        void aDoublePoleSwitchNoLongerBreaksTheNeutral() {
            WiringPlan plan =
                    plan(EU_230, SpecialRuns.heater(EU_230, DOUBLE_POLE), SchemeCode.HEAVY_DUTY, Modules.heavy());

            assertThat(plan.after().orElseThrow().attachedAt(new End.AtMechanism(1, "N-OUT")))
                    .isEmpty();
        }

        @Test
        void neverOnACircuitWithASecondSupply() {
            HouseContext house = new HouseContext(
                    EU_230,
                    Map.of(new CircuitId("4"), new Circuit(new CircuitId("4"), "4", Amps.of(20), Line.L1, true)));

            WiringPlan plan = WiringPlan.of(
                    house,
                    SpecialRuns.heater(EU_230, ONE_WAY),
                    List.of(SchemeMatrix.assigned(SchemeCode.HEAVY_DUTY, Modules.heavy())));

            assertThat(plan.planned()).isEmpty();
            assertThat(plan.findings()).extracting(f -> f.code()).containsExactly(FindingCode.ALTERNATIVE_SUPPLY);
        }
    }

    @Test
    void fourLoadsAreRefusedOnMainsInputs() {
        WiringPlan plan = plan(
                EU_230,
                SpecialRuns.fourGangs(EU_230),
                SchemeCode.FOUR_CHANNEL,
                Modules.withNeutral(4, 2, Modules.generous()),
                1,
                2,
                3,
                4);

        assertThat(plan.findings()).extracting(f -> f.code()).contains(FindingCode.FEATURE_MISSING);
    }

    @Nested
    class Blinds {
        @Test
        void bothDirectionsAreNeverOnTogether() {
            SpecialRuns.blind(EU_230, Modules.blind()).proof().truthTable().forEach(row -> assertThat(
                            row.loads().values().stream()
                                    .filter(reading -> reading.state() == LoadState.ON)
                                    .count())
                    .as(row.state().toString())
                    .isLessThan(2));
        }

        @Test
        void aModuleThatDoesNotLockIsRefused() {
            assertThat(SpecialRuns.blind(EU_230, Modules.fanAndLight()).findings())
                    .extracting(f -> f.code())
                    .contains(FindingCode.FEATURE_MISSING);
        }
    }

    @Nested
    class Canopies {
        @Test
        void theWallSwitchBecomesAnInputWhereThereAreCores() {
            WiringPlan plan =
                    plan(US_120, SpecialRuns.canopy(US_120, true), SchemeCode.CANOPY_FAN_LIGHT, Modules.fanAndLight());

            assertThat(plan.planned().orElseThrow().fitted().get(0).inputs()).hasSize(1);
        }

        /** Fan and light keep a switch each where there are cores for it; it once was that of the other. */
        @Test
        void eachOfTwoSwitchesKeepsItsOwnLoad() {
            WiringPlan plan = plan(
                    US_120,
                    SpecialRuns.canopyOfTwo(US_120, true),
                    SchemeCode.CANOPY_FAN_LIGHT,
                    Modules.fanAndLight(),
                    1,
                    2);

            assertThat(plan.verdict()).as(plan.findings().toString()).isEqualTo(Verdict.OK);
            assertThat(plan.planned().orElseThrow().intents())
                    .extracting(intent -> intent.load() + " by " + intent.controls())
                    .containsExactlyInAnyOrder("B-X1 by [S1]", "B-X2 by [S2]");
        }

        @Test
        void withTooFewCoresWhatIsTakenAwayIsSaidAndHeld() {
            WiringPlan plan = plan(
                    US_120,
                    SpecialRuns.canopyOfTwo(US_120, false),
                    SchemeCode.CANOPY_FAN_LIGHT,
                    Modules.fanAndLight(),
                    1,
                    2);

            assertThat(plan.verdict()).isEqualTo(Verdict.HOLD);
            assertThat(plan.findings()).extracting(f -> f.code()).contains(FindingCode.SWITCH_LOST);
            plan.planned().orElseThrow().intents().forEach(intent -> assertThat(intent.controls())
                    .as(intent.load() + " never gets the other's switch")
                    .allMatch(control -> intent.load().value().endsWith("X1")
                            == control.value().equals("S1")));
        }

        @Test
        void elseItsWiresAreJoinedAndThePlateIsBlanked() {
            WiringPlan plan =
                    plan(US_120, SpecialRuns.canopy(US_120, false), SchemeCode.CANOPY_FAN_LIGHT, Modules.fanAndLight());

            assertThat(plan.planned().orElseThrow().fitted().get(0).inputs()).isEmpty();
            assertThat(Move.between(plan.before(), plan.after().orElseThrow()))
                    .extracting(Move::words)
                    .contains("Take the mechanism of switch A out and blank its plate.");
        }
    }

    @Test
    void aGateIsRefusedAContactThatStandsOnTheLive() {
        WiringPlan plan = plan(
                EU_230, SpecialRuns.gate(EU_230), SchemeCode.VOLT_FREE, Modules.withNeutral(1, 2, Modules.generous()));

        assertThat(plan.planned()).isEmpty();
        assertThat(plan.findings()).extracting(f -> f.code()).containsExactly(FindingCode.FEATURE_MISSING);
    }

    @Nested
    class DirectCurrents {
        @Test
        void moreVoltsThanTheModuleStandsIsAStop() {
            WiringPlan plan = plan(EU_230, SpecialRuns.strip(EU_230), SchemeCode.ELV_DC, Modules.direct(10, 16));

            assertThat(plan.verdict()).isEqualTo(Verdict.STOP);
            assertThat(plan.findings()).extracting(f -> f.code()).contains(FindingCode.OVER_VOLTAGE);
        }

        @Test
        void aMainsModuleIsRefused() {
            assertThat(plan(
                                    EU_230,
                                    SpecialRuns.strip(EU_230),
                                    SchemeCode.ELV_DC,
                                    Modules.withNeutral(1, 2, Modules.generous()))
                            .planned())
                    .isEmpty();
        }
    }

    /** A lighting circuit through ten boxes of two gangs each: what has nothing to do with the lead is not enumerated. */
    @Test
    void aLongCircuitIsPlannedBoxByBox() {
        Circuits run = new Circuits(EU_230);
        for (int box = 0; box < 10; box++) {
            String name = "" + (char) ('A' + box);
            run.box(name, WALL);
            for (int gang = 1; gang <= 2; gang++) {
                run.gang(name, ONE_WAY, "4").load(name, "LED 9", gang);
            }
            run.jumper(name, "j.l", "1.COM").jumper(name, "j.l", "2.COM");
            if (box == 0) {
                run.feed(name, "4", "j.l", "j.n");
            } else {
                run.cable(
                        "" + (char) ('A' + box - 1),
                        name,
                        wire(PERMANENT_LIVE, "j.l", "j.l"),
                        wire(NEUTRAL, "j.n", "j.n"),
                        wire(EARTH, "j.earth", "j.earth"));
            }
            for (int gang = 1; gang <= 2; gang++) {
                run.cable(
                        name,
                        new Leads.ToLoad(gang),
                        wire(SWITCHED_LIVE, gang + ".L1"),
                        wire(NEUTRAL, "j.n"),
                        wire(EARTH, "j.earth"));
            }
        }

        WiringPlan plan = plan(
                EU_230, run.from("E"), SchemeCode.BEHIND_SWITCH_N, Modules.withNeutral(2, 2, Modules.generous()), 1, 2);

        assertThat(plan.verdict()).as("%s", plan.findings()).isEqualTo(Verdict.OK);
        assertThat(plan.placesOfWork()).extracting(ConnectedBoxes.Place::label).containsExactly("E");
        assertThat(plan.proof().truthTable().size()).isLessThanOrEqualTo(64);
    }
}
