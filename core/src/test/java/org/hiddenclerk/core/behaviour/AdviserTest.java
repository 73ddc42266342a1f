package org.hiddenclerk.core.behaviour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.Adviser.Advice;
import org.hiddenclerk.core.behaviour.Household.RemoteUse;
import org.hiddenclerk.core.behaviour.Household.Want;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What each school costs on what happens in a household; which suits whom is common practice, no source. */
class AdviserTest {
    private static final Set<InputBehaviour> ALL = EnumSet.allOf(InputBehaviour.class);

    private static List<Advice> rank(Wall.Kind kind, int ends, Want want, RemoteUse remote) {
        return Adviser.rank(new Wall(kind, ends), new Household(want, remote), ALL, Parameters.USUAL);
    }

    private static Advice of(List<Advice> ranked, InputBehaviour behaviour) {
        return ranked.stream()
                .filter(advice -> advice.behaviour() == behaviour)
                .findFirst()
                .orElseThrow();
    }

    private static ScenarioResult at(Advice advice, Scenario occasion) {
        return advice.played().stream()
                .filter(played -> played.occasion() == occasion)
                .findFirst()
                .orElseThrow();
    }

    @ParameterizedTest
    @CsvSource({
        "ROCKER,1,UP_MEANS_ON,SOMETIMES,POSITION_RULES",
        "ROCKER,1,ANY_FLIP,SOMETIMES,EVERY_FLIP",
        "ROCKER,1,ANY_FLIP,OFTEN,EVERY_FLIP",
        "ROCKER,1,UP_MEANS_ON,NEVER,POSITION_RULES",
        "ROCKER,2,UP_MEANS_ON,SOMETIMES,EVERY_FLIP",
        "PUSH,1,ANY_FLIP,SOMETIMES,PRESS_CHANGES",
        "ROCKER,1,PUSH_BUTTONS,OFTEN,PRESS_CHANGES",
        "PUSH,1,CHILDREN,NEVER,RUN_ON",
        "SUPPLY,1,ANY_FLIP,OFTEN,SUPPLY_BLINK",
        "UP_DOWN,1,ANY_FLIP,OFTEN,UP_DOWN"
    })
    void theFirstIsTheOneForThesePeople(Wall.Kind kind, int ends, Want want, RemoteUse remote, InputBehaviour first) {
        assertThat(rank(kind, ends, want, remote).get(0).behaviour()).isEqualTo(first);
    }

    @Test
    void afterAllOffPositionRulesMayTakeTwoFlipsAndEveryFlipTakesOne() {
        List<Advice> ranked = rank(Wall.Kind.ROCKER, 1, Want.UP_MEANS_ON, RemoteUse.OFTEN);
        ScenarioResult rules = at(of(ranked, InputBehaviour.POSITION_RULES), Scenario.ALL_OFF);
        ScenarioResult flips = at(of(ranked, InputBehaviour.EVERY_FLIP), Scenario.ALL_OFF);
        assertThat(rules.wasted()).isEqualTo(1);
        assertThat(rules.hands()).isEqualTo(4);
        assertThat(flips.wasted()).isZero();
        assertThat(flips.hands()).isEqualTo(3);
        assertThat(rules.contradictions()).as("only until the next flip").isLessThan(flips.contradictions());
        assertThat(rules.words(new Wall(Wall.Kind.ROCKER, 1)))
                .isEqualTo("4 flips, 1 without effect, switch and lamp disagree once");
    }

    /**
     * One wants up to be on, one any flip to act: what each pays stands apart, and the first is the one for which
     * the worst off pays least.
     */
    @ParameterizedTest
    @CsvSource({"NEVER", "SOMETIMES", "OFTEN"})
    void aHouseholdOfTwoSchoolsIsWeighedAsOne(RemoteUse remote) {
        Household both = new Household(Want.UP_MEANS_ON, Optional.of(Want.ANY_FLIP), remote, Map.of());
        List<Advice> ranked = Adviser.rank(new Wall(Wall.Kind.ROCKER, 1), both, ALL, Parameters.USUAL);
        List<Advice> up = rank(Wall.Kind.ROCKER, 1, Want.UP_MEANS_ON, remote);
        List<Advice> any = rank(Wall.Kind.ROCKER, 1, Want.ANY_FLIP, remote);

        ranked.forEach(advice -> assertThat(advice.costs())
                .as(advice.behaviour() + "")
                .containsExactly(
                        of(up, advice.behaviour()).cost(),
                        of(any, advice.behaviour()).cost()));
        ranked.stream().filter(advice -> advice.refusal().isEmpty()).forEach(advice -> assertThat(advice.cost())
                .isGreaterThanOrEqualTo(ranked.get(0).cost()));
        assertThat(new Household(Want.ANY_FLIP, Optional.of(Want.ANY_FLIP), remote, Map.of()).schools())
                .as("who wants the same is no second school")
                .containsExactly(Want.ANY_FLIP);
    }

    /** A week without power cuts and children is not weighed by them. */
    @Test
    void whatNeverHappensCostsNothing() {
        Map<Scenario, Integer> never =
                Arrays.stream(Scenario.values()).collect(Collectors.toMap(occasion -> occasion, occasion -> 0));
        Wall wall = new Wall(Wall.Kind.ROCKER, 1);
        assertThat(Adviser.rank(
                        wall,
                        new Household(Want.UP_MEANS_ON, Optional.empty(), RemoteUse.OFTEN, never),
                        ALL,
                        Parameters.USUAL))
                .extracting(Advice::cost)
                .containsOnly(0);
        Map<Scenario, Integer> twice = Map.of(Scenario.ALL_OFF, 2);
        int once = rank(Wall.Kind.ROCKER, 1, Want.UP_MEANS_ON, RemoteUse.OFTEN).stream()
                .filter(a -> a.behaviour() == InputBehaviour.POSITION_RULES)
                .findFirst()
                .orElseThrow()
                .cost();
        Advice more = of(
                Adviser.rank(
                        wall,
                        new Household(Want.UP_MEANS_ON, Optional.empty(), RemoteUse.OFTEN, twice),
                        ALL,
                        Parameters.USUAL),
                InputBehaviour.POSITION_RULES);
        assertThat(more.cost()).isGreaterThan(once);
    }

    @Test
    void aRockerReadAsAPushTakesTwoFlipsForEachChange() {
        Advice pressed = of(rank(Wall.Kind.ROCKER, 1, Want.ANY_FLIP, RemoteUse.NEVER), InputBehaviour.PRESS_CHANGES);
        ScenarioResult night = at(pressed, Scenario.NIGHT_CUT);
        assertThat(night.hands()).as("on with one, off with two").isEqualTo(3);
        assertThat(night.wasted()).isEqualTo(1);
    }

    @Test
    void whatCannotBeHadComesLastWithItsReason() {
        List<Advice> push = rank(Wall.Kind.PUSH, 1, Want.ANY_FLIP, RemoteUse.SOMETIMES);
        assertThat(of(push, InputBehaviour.POSITION_RULES).refusal())
                .contains("a push button would light only while it is held");
        assertThat(of(push, InputBehaviour.EVERY_FLIP).refusal()).isPresent();
        assertThat(of(rank(Wall.Kind.ROCKER, 2, Want.ANY_FLIP, RemoteUse.NEVER), InputBehaviour.POSITION_RULES)
                        .refusal())
                .isPresent();
        List<Advice> poor = Adviser.rank(
                new Wall(Wall.Kind.ROCKER, 1),
                new Household(Want.ANY_FLIP, RemoteUse.NEVER),
                Set.of(InputBehaviour.POSITION_RULES),
                Parameters.USUAL);
        assertThat(poor.get(0).behaviour()).isEqualTo(InputBehaviour.POSITION_RULES);
        assertThat(of(poor, InputBehaviour.EVERY_FLIP).refusal()).contains("the module cannot be set to it");
    }

    @Test
    void aChildLeavesARunOnThatEndsByItself() {
        List<Advice> ranked = rank(Wall.Kind.PUSH, 1, Want.CHILDREN, RemoteUse.NEVER);
        assertThat(at(of(ranked, InputBehaviour.RUN_ON), Scenario.CHILD).leftOn())
                .isFalse();
        assertThat(at(of(ranked, InputBehaviour.PRESS_CHANGES), Scenario.CHILD).leftOn())
                .isTrue();
    }

    @Test
    void nothingThatIsAdvisedLightsAtNight() {
        for (Wall.Kind kind : Wall.Kind.values()) {
            for (Want want : Want.values()) {
                Advice first = rank(kind, 1, want, RemoteUse.SOMETIMES).get(0);
                first.played().stream()
                        .filter(played -> played.occasion() == Scenario.NIGHT_CUT)
                        .forEach(played -> assertThat(played.leftOn()).isFalse());
            }
        }
    }
}
