package org.hiddenclerk.core.wiring.scheme;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.Move;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.Fitted;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Every scheme on every circuit: what is offered is proved, and what is not offered says why. */
class SchemeMatrixTest {

    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void whatIsOfferedIsProvedAndWhatIsNotSaysWhy(RegionProfile region) {
        SchemeMatrix.plans(region).forEach((name, plan) -> {
            if (plan.planned().isPresent()) {
                // A plan without a wall switch takes one away: it waits for the household's consent, and for nothing
                // else.
                boolean takesSwitches = name.endsWith(" NO_SWITCH");
                assertThat(plan.verdict())
                        .as(name + " " + plan.findings())
                        .isEqualTo(takesSwitches ? Verdict.HOLD : Verdict.OK);
                assertThat(plan.findings())
                        .as(name)
                        .extracting(f -> f.code())
                        .isSubsetOf(
                                FindingCode.UNUSED_CONDUCTOR,
                                FindingCode.MODULE_CUT_BY_SWITCH,
                                takesSwitches ? FindingCode.SWITCH_LOST : FindingCode.UNUSED_CONDUCTOR);
            } else {
                assertThat(plan.findings()).as(name).isNotEmpty().allSatisfy(f -> assertThat(f.severity())
                        .isNotEqualTo(Severity.NOTE));
            }
        });
    }

    /** The counts that the page of the stamp quotes. */
    @Test
    void howManyPlansAreDrawnHeldAndRefusedIsTold() {
        Map<String, Integer> counts = new LinkedHashMap<>(Map.of("proved", 0, "held", 0, "refused", 0));
        for (RegionProfile region : RegionProfile.values()) {
            SchemeMatrix.plans(region)
                    .values()
                    .forEach(plan -> counts.merge(
                            plan.planned().isEmpty() ? "refused" : plan.verdict() == Verdict.OK ? "proved" : "held",
                            1,
                            Integer::sum));
        }
        System.out.println("circuits x schemes, in every region: " + new java.util.TreeMap<>(counts));
        assertThat(counts.values()).as("some of each").allMatch(count -> count > 0);
        assertThat(counts.values().stream().mapToInt(Integer::intValue).sum())
                .isEqualTo(RegionProfile.values().length
                        * SchemeMatrix.plans(RegionProfile.EU_230).size());
    }

    /** Two conductors of one name would be drawn as one. */
    @Test
    void everyPartOfAPlanHasANameOfItsOwn() {
        SchemeMatrix.plans(RegionProfile.EU_230)
                .forEach((name, plan) -> assertThat(plan.wiring().parts())
                        .as(name)
                        .extracting(part -> part.id())
                        .doesNotHaveDuplicates());
    }

    /** A plan that is proved because nothing was done would be no plan. */
    @Test
    void everyPlanFitsTheModuleThatItIsFor() {
        SchemeMatrix.plans(RegionProfile.EU_230)
                .forEach((name, plan) -> plan.planned().ifPresent(planned -> {
                    assertThat(planned.fitted()).as(name).isNotEmpty();
                    assertThat(plan.placesOfWork())
                            .as(name)
                            .containsAll(
                                    planned.fitted().stream().map(Fitted::place).toList());
                }));
    }

    @Test
    void aModuleWithoutInputsIsRefusedWhereSwitchesAreRead() {
        ModuleModel relay = Modules.receiver();
        Topologies.all(RegionProfile.EU_230).forEach((name, run) -> {
            for (SchemeCode scheme : List.of(
                    SchemeCode.BEHIND_SWITCH_N,
                    SchemeCode.MULTI_ONE_MODULE,
                    SchemeCode.MULTI_SECOND_UNLOADED,
                    SchemeCode.AT_LAMP_SPARE,
                    SchemeCode.AT_JUNCTION)) {
                WiringPlan plan = WiringPlan.of(Boxes.house(), run, List.of(SchemeMatrix.assigned(scheme, relay)));
                assertThat(plan.planned()).as(name + " " + scheme).isEmpty();
                assertThat(plan.findings()).extracting(f -> f.code()).contains(FindingCode.FEATURE_MISSING);
            }
        });
    }

    /** Common practice, no source: what people do on these circuits, and what the number of cores forbids. */
    @Test
    void theSchemesThatPractitionersUseApply() {
        Map<String, Set<String>> offered = new LinkedHashMap<>();
        SchemeMatrix.plans(RegionProfile.EU_230).forEach((name, plan) -> {
            String[] parts = name.split(" / ");
            offered.computeIfAbsent(parts[1], s -> new TreeSet<>());
            if (plan.planned().isPresent()) {
                offered.get(parts[1]).add(parts[0]);
            }
        });
        Set<String> all = Topologies.all(RegionProfile.EU_230).keySet();
        Set<String> severalSwitches = new TreeSet<>(all);
        severalSwitches.removeIf(name -> name.startsWith("one-way"));

        assertThat(offered.get("AT_LAMP_BLINK"))
                .as("one wire is enough anywhere")
                .containsExactlyInAnyOrderElementsOf(all);
        assertThat(offered.get("SPLIT_PAIR"))
                .as("one wire is enough anywhere")
                .containsExactlyInAnyOrderElementsOf(all);
        assertThat(offered.get("SWITCH_UPSTREAM")).containsExactlyInAnyOrderElementsOf(all);
        assertThat(offered.get("BEHIND_SWITCH_N"))
                .containsExactlyInAnyOrder("one-way, feed at the switch", "one-way, lamp cable with a spare core");
        assertThat(offered.get("AT_LAMP_SPARE"))
                .contains(
                        "one-way, switch loop",
                        "one-way, lamp cable with a spare core",
                        "one-way, loop-in at the lamp place",
                        "two-way, feed at the lamp")
                .doesNotContain("one-way, feed at the switch");
        assertThat(offered.get("AT_JUNCTION")).contains("one-way, feed at a junction box");
        assertThat(offered.get("MULTI_ONE_MODULE"))
                .contains(
                        "two-way, feed and lamp at A",
                        "three-strapper, feed and lamp at A",
                        "two intermediates, feed and lamp at A")
                .doesNotContain("two-way, feed at A, lamp from B, neutral through");
        assertThat(offered.get("MULTI_SECOND_UNLOADED"))
                .isSubsetOf(severalSwitches)
                .contains("two-way, feed at A, lamp from B, neutral through", "two-way, another circuit in B");
    }

    /** Every core that a plan leaves without a task is capped at both of its ends, wherever they are. */
    @Test
    void freedCoresAreCappedAtBothEnds() {
        SchemeMatrix.plans(RegionProfile.EU_230)
                .forEach((name, plan) -> plan.planned().ifPresent(planned -> plan.run()
                        .spans()
                        .forEach(span -> span.atA().cores().forEach(core -> {
                            var here = new org.hiddenclerk.core.job.Box.CableCore(span.atA(), core);
                            var there = new org.hiddenclerk.core.job.Box.CableCore(
                                    span.atB(), span.twin(core).orElseThrow());
                            boolean cappedHere =
                                    planned.at(span.a()).endOf(here) instanceof org.hiddenclerk.core.job.End.Capped;
                            boolean cappedThere =
                                    planned.at(span.b()).endOf(there) instanceof org.hiddenclerk.core.job.End.Capped;
                            boolean asFound = planned.at(span.a()).endOf(here).equals(core.end())
                                    && planned.at(span.b())
                                            .endOf(there)
                                            .equals(there.core().end());
                            assertThat(cappedHere)
                                    .as(name + ", " + here.words())
                                    .isEqualTo(asFound ? cappedHere : cappedThere);
                        }))));
    }

    /** Common practice, no source: a piece of wire across the travellers at one switch feeds the lamp for good. */
    @Test
    void oneLinkFeedsTheLampWhereSwitchesChangeOverBetweenTravellers() {
        for (RegionProfile region : RegionProfile.values()) {
            SchemeMatrix.plans(region).forEach((name, plan) -> {
                if (name.endsWith(" AT_LAMP_BLINK") && !name.startsWith("one-way")) {
                    List<ConnectedBoxes.Place> switchBoxes = plan.placesOfWork().stream()
                            .filter(place -> !place.box().gangs().isEmpty())
                            .toList();
                    int switches = plan.planned()
                            .orElseThrow()
                            .intents()
                            .get(0)
                            .controls()
                            .size();
                    // Three strappers join common to common: a link there would leave no flip that breaks anything.
                    boolean travellers = !name.startsWith("three-strapper");
                    assertThat(switchBoxes).as(region + " " + name).hasSize(travellers ? 1 : switches);
                }
            });
        }
    }

    /** A bypass once was advised beside the one that was planned. */
    @Test
    void adviceNeverAsksForWhatIsPlannedAlready() {
        int bypassed = 0;
        for (RegionProfile region : RegionProfile.values()) {
            for (Map.Entry<String, WiringPlan> each : SchemeMatrix.plans(region).entrySet()) {
                boolean planned = each.getValue()
                        .planned()
                        .filter(wiring -> wiring.boxes().values().stream()
                                .anyMatch(box -> !box.bypasses().isEmpty()))
                        .isPresent();
                bypassed += planned ? 1 : 0;
                if (planned) {
                    assertThat(each.getValue().findings())
                            .as(each.getKey())
                            .flatExtracting(f -> f.remedies())
                            .extracting(remedy -> remedy.kind())
                            .doesNotContain(Remedy.Kind.ADD_BYPASS);
                }
            }
        }
        assertThat(bypassed).isPositive();
    }

    @Test
    void theWayBackUndoesEveryMoveInEveryBox() {
        SchemeMatrix.plans(RegionProfile.EU_230)
                .forEach((name, plan) -> plan.planned().ifPresent(planned -> {
                    for (ConnectedBoxes.Place place : plan.run().places()) {
                        BoxWiring before = plan.found().at(place);
                        BoxWiring after = planned.at(place);
                        Set<String> there = conductors(Move.between(before, after));
                        assertThat(conductors(Move.between(after, before)))
                                .as(name + ", " + place)
                                .isEqualTo(there);
                        if (!plan.placesOfWork().contains(place)) {
                            assertThat(there)
                                    .as(name + ", nothing to do at " + place)
                                    .isEmpty();
                        }
                    }
                }));
    }

    private static Set<String> conductors(List<Move> moves) {
        return new HashSet<>(
                new ArrayList<>(moves).stream().map(Move::conductor).toList());
    }
}
