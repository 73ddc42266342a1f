package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.AsBuilt;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.Commands;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.run.Together;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;

/** A module that is in a box already takes another load: the same as if it had been planned for both at once. */
class FreeChannelTest {
    private static final ModuleModel ONE = Modules.withNeutral(1, 2, Modules.generous());

    static Stream<ModuleModel> modules() {
        return Stream.of(
                Modules.withNeutral(2, 2, Modules.generous()),
                Modules.withNeutral(2, 1, Modules.generous()),
                Modules.withNeutral(4, 2, Modules.generous()),
                Modules.withElvInputs(2, Modules.generous()));
    }

    private static Box twoGangs() {
        return Boxes.box()
                .depth(75)
                .gang("4", "2 LED 7")
                .gang("4", "LED 30")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .jumper(common(1), common(2))
                .build();
    }

    private static Assignment given(SchemeCode scheme, ModuleModel model, Integer... gangs) {
        return new Assignment(scheme, model, List.of(gangs), List.of(), Map.of(), Optional.empty(), Optional.empty());
    }

    private static Assignment behind(ModuleModel model, Integer... gangs) {
        return given(SchemeCode.BEHIND_SWITCH_N, model, gangs);
    }

    private static Assignment onFree(ModuleModel model, Integer... gangs) {
        return given(SchemeCode.FREE_CHANNEL, model, gangs);
    }

    private static WiringPlan plan(Box box, Assignment... modules) {
        return WiringPlan.of(Boxes.house(), box, List.of(modules));
    }

    private static Box built(Box box, Assignment... modules) {
        WiringPlan plan = plan(box, modules);
        assertThat(plan.verdict()).as("%s", plan.findings()).isEqualTo(Verdict.OK);
        return AsBuilt.surveyed(plan.after().orElseThrow());
    }

    /** Which switches command which loads, by way of which channel. */
    private static Map<PartId, Set<PartId>> commands(WiringPlan plan) {
        return Commands.of(plan.wiring(), plan.proof().truthTable());
    }

    private static List<FindingCode> codes(WiringPlan plan) {
        return plan.findings().stream().map(finding -> finding.code()).toList();
    }

    @ParameterizedTest
    @MethodSource("modules")
    void itComesToTheSameAsBothAtOnce(ModuleModel model) {
        WiringPlan atOnce = plan(twoGangs(), behind(model, 1, 2));
        WiringPlan later = plan(built(twoGangs(), behind(model, 1)), onFree(model, 2));

        assertThat(later.planned()).as("%s", later.findings()).isPresent();
        assertThat(later.verdict()).as("%s", later.findings()).isEqualTo(Verdict.OK);
        assertThat(commands(later)).isEqualTo(commands(atOnce)).hasSize(2);
        assertThat(Commands.switched(later.wiring(), later.proof().truthTable()))
                .isEqualTo(Commands.switched(atOnce.wiring(), atOnce.proof().truthTable()));
        RunWiring planned = later.planned().orElseThrow();
        assertThat(planned.added()).as("nothing is put in").isEmpty();
        assertThat(planned.fitted()).singleElement().satisfies(fitted -> {
            assertThat(fitted.inPlace()).isTrue();
            assertThat(fitted.inputs()).as("the one in use and the new one").hasSize(2);
        });
        assertThat(PartsToAdd.of(later.before(), later.after().orElseThrow()))
                .as("no module to bring along")
                .noneMatch(item -> item.what().startsWith(model.code()));
    }

    /** What it did before the work it goes on doing, and its ends stay where they were. */
    @ParameterizedTest
    @MethodSource("modules")
    void whatHangsOnItStays(ModuleModel model) {
        Box box = built(twoGangs(), behind(model, 1));
        BoxWiring after = plan(box, onFree(model, 2)).after().orElseThrow();
        BoxWiring before = WiringPlan.surveyed(Boxes.house(), box).before();

        Stream.of(
                        model.channels().get(0).to(),
                        model.inputs().get(0).pins().get(0),
                        model.supply().returnPin())
                .map(pin ->
                        new End.AtModule(before.modules().keySet().iterator().next(), pin))
                .forEach(end -> assertThat(keys(after, end)).as("%s", end).isEqualTo(keys(before, end)));
    }

    private static Set<String> keys(BoxWiring wiring, End end) {
        return wiring.attachedAt(end).stream().map(BoxWiring.Attached::key).collect(Collectors.toSet());
    }

    @Test
    void asFoundItsSwitchCommandsItsLampAndNothingIsAmiss() {
        WiringPlan found = WiringPlan.surveyed(Boxes.house(), built(twoGangs(), behind(ONE, 1)));

        assertThat(found.verdict()).as("%s", found.findings()).isEqualTo(Verdict.OK);
        assertThat(found.found().intents())
                .filteredOn(intent -> intent.load().equals(new PartId("X1")))
                .singleElement()
                .satisfies(intent -> {
                    assertThat(intent.controls()).containsExactly(new PartId("S1"));
                    assertThat(intent.remote()).isTrue();
                });
    }

    @Test
    void aGangThatItReadsAlreadyIsOfferedLast() {
        Box box = built(twoGangs(), behind(ONE, 1));
        Planner planner =
                new Planner(Boxes.house(), ConnectedBoxes.of(box, Boxes.house().region()));

        assertThat(planner.together()).extracting(Together::gangs).containsExactly(List.of(2), List.of(1));
    }

    /** Another module beside it is proved together with it. */
    @Test
    void aModuleBesideIt() {
        WiringPlan beside = plan(built(twoGangs(), behind(ONE, 1)), behind(ONE, 2));

        assertThat(beside.verdict()).as("%s", beside.findings()).isEqualTo(Verdict.OK);
        assertThat(commands(beside)).hasSize(2);
        assertThat(beside.planned().orElseThrow().added()).hasSize(1);
        assertThat(beside.modulesOf(0)).containsExactly("K1");
    }

    @Test
    void withoutAFreeChannelItDoesNotApply() {
        assertThat(codes(plan(built(twoGangs(), behind(ONE, 1)), onFree(ONE, 2))))
                .contains(FindingCode.SCHEME_NOT_FOR_THIS);
        ModuleModel two = Modules.withNeutral(2, 2, Modules.generous());
        assertThat(codes(plan(twoGangs(), onFree(two, 2)))).containsExactly(FindingCode.SCHEME_NOT_FOR_THIS);
    }

    /** Its channels take from its own live: a load of another circuit is none of its business. */
    @Test
    void aLoadOfAnotherCircuitIsRefused() {
        Box box = Boxes.box()
                .depth(75)
                .gang("4", "2 LED 7")
                .gang("6", "LED 30")
                .feed("4", common(1))
                .feed("6", common(2))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "6")
                .build();
        ModuleModel two = Modules.withNeutral(2, 2, Modules.generous());

        WiringPlan plan = plan(built(box, behind(two, 1)), onFree(two, 2));

        assertThat(plan.planned()).isEmpty();
        assertThat(codes(plan)).contains(FindingCode.SEPARATE_FEEDS);
    }

    @Test
    void twoPicksDoNotShareIt() {
        Box three = Boxes.box()
                .depth(75)
                .gang("4", "2 LED 7")
                .gang("4", "LED 30")
                .gang("4", "LED 9")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .lamp(3, throwOf(3), "4")
                .jumper(common(1), common(2))
                .jumper(common(2), common(3))
                .build();
        ModuleModel four = Modules.withNeutral(4, 2, Modules.generous());
        Box box = built(three, behind(four, 1));

        assertThat(codes(plan(box, onFree(four, 2), onFree(four, 3)))).contains(FindingCode.CLAIMED_TWICE);
        WiringPlan together = plan(box, onFree(four, 2, 3));
        assertThat(together.verdict()).as("%s", together.findings()).isEqualTo(Verdict.OK);
        assertThat(commands(together)).hasSize(3);
    }

    /** A conductor of it that was entered at the wrong terminal, any of them: no plan is proved on that. */
    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void aWrongEndOfItIsNeverProved(RegionProfile region) {
        ModuleModel two = Modules.withNeutral(2, 2, Modules.generous());
        Box right = built(twoGangs(), behind(two, 1));
        List<String> terminals =
                two.terminals().stream().map(terminal -> terminal.name()).toList();
        List<End.AtModule> held = WiringPlan.surveyed(Boxes.house(), right).before().places().stream()
                .filter(End.AtModule.class::isInstance)
                .map(end -> new End.AtModule(1, ((End.AtModule) end).terminal()))
                .toList();
        assertThat(held).extracting(End.AtModule::terminal).contains("L", "N", "O1", "S1");
        for (End.AtModule end : held) {
            for (String other : terminals) {
                if (!other.equals(end.terminal())) {
                    Box wrong = moved(right, end, new End.AtModule(1, other));
                    assertThat(WiringPlan.of(Boxes.house(region), wrong, List.of(onFree(two, 2)))
                                    .verdict())
                            .as("what belongs on %s is on %s", end.terminal(), other)
                            .isNotEqualTo(Verdict.OK);
                }
            }
        }
    }

    /** All that is at one end, cores and jumpers, put on another. */
    private static Box moved(Box box, End from, End to) {
        return new Box(
                box.label(),
                box.kind(),
                box.geometry(),
                box.gangs(),
                box.loads(),
                box.cables().stream()
                        .map(cable -> new Cable(
                                cable.name(),
                                cable.leads(),
                                cable.mm2(),
                                cable.cores().stream()
                                        .map(core -> core.end().equals(from) ? core.endingAt(to) : core)
                                        .toList()))
                        .toList(),
                box.jumpers().stream()
                        .map(jumper -> new Jumper(
                                jumper.key(),
                                jumper.colour(),
                                jumper.from().equals(from) ? to : jumper.from(),
                                jumper.to().equals(from) ? to : jumper.to()))
                        .toList(),
                box.modules());
    }

    @Test
    void behaviourIsChosenForTheNewInputAlone() {
        ModuleModel two = Modules.withNeutral(2, 2, Modules.generous());
        WiringPlan plan = plan(
                built(twoGangs(), behind(two, 1)),
                new Assignment(
                        SchemeCode.FREE_CHANNEL,
                        two,
                        List.of(2),
                        List.of(),
                        Map.of(2, InputBehaviour.POSITION_RULES),
                        Optional.empty(),
                        Optional.empty()));

        assertThat(plan.planned().orElseThrow().fitted().get(0).inputs())
                .extracting(input -> input.behaviour())
                .containsExactly(two.inputs().get(0).behaviour(), InputBehaviour.POSITION_RULES);
    }

    /**
     * Whatever was proved is sound as found by somebody who comes later, but for what no conductor shows: commands by radio, flips that
     * break a supply, a bypass at the lamp. Of those it is said that the switch does nothing, which holds a plan, and is never dangerous.
     */
    @ParameterizedTest
    @EnumSource(RegionProfile.class)
    void whatWasProvedIsSoundAsFound(RegionProfile region) {
        Set<String> notInTheConductors =
                Set.of("AT_LAMP_BLINK", "SWITCH_UPSTREAM", "MULTI_SECOND_UNLOADED", "BEHIND_SWITCH_NO_N");
        int[] sound = {0};
        SchemeMatrix.plans(region).forEach((name, plan) -> {
            if (plan.planned().isPresent() && plan.verdict() == Verdict.OK) {
                AsBuilt.surveyed(plan, region)
                        .map(run -> WiringPlan.surveyed(Boxes.house(region), run))
                        .ifPresent(found -> {
                            if (found.verdict() == Verdict.OK) {
                                sound[0]++;
                                return;
                            }
                            assertThat(notInTheConductors)
                                    .as("%s: %s", name, found.findings())
                                    .contains(name.substring(name.indexOf(" / ") + 3));
                            assertThat(found.verdict()).as(name).isEqualTo(Verdict.HOLD);
                            assertThat(codes(found))
                                    .as(name)
                                    .containsAnyOf(FindingCode.SWITCH_WITHOUT_EFFECT, FindingCode.BELOW_MINIMUM_LOAD);
                        });
            }
        });
        assertThat(sound[0]).as("plans that are sound as found").isGreaterThan(30);
    }
}
