package org.hiddenclerk.core.rules;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Whatever a rule is put together from makes a rule of the house, that reads as a sentence and can be taken apart again. */
class RulePartTest {
    private final RuledHouse house = Houses.house(3, List.of());

    @ParameterizedTest
    @EnumSource
    void everyPartFitsIntoARule(RulePart part) {
        Rule rule = RulePart.draft(house, "r").orElseThrow();
        Rule more = part.addTo(rule, house).orElseThrow();
        assertThat(house.withRules(List.of(rule, more.runningOn(Rule.RunsOn.CLOUD)))
                        .problems())
                .extracting(RuledHouse.Problem::pointer)
                .as(part.words())
                .isEmpty();
        assertThat(Words.parts(house, more)).hasSize(3);
        assertThat(SentencePart.plain(Words.of(house, more)))
                .startsWith("When ")
                .endsWith(".")
                .hasSizeGreaterThan(SentencePart.plain(Words.of(house, rule)).length());
    }

    @ParameterizedTest
    @EnumSource
    void aHouseWithoutAnythingHasNoRules(RulePart part) {
        RuledHouse empty = new RuledHouse(List.of(), List.of(), List.of());
        assertThat(RulePart.draft(empty, "r")).isEmpty();
        Optional<Rule> more =
                part.addTo(new Rule("r", "r", Rule.RunsOn.HUB, List.of(), List.of(), List.of(), true), empty);
        assertThat(more.isPresent())
                .as(part.words())
                .isEqualTo(List.of(
                                RulePart.WHEN_TIME,
                                RulePart.WHEN_SUN,
                                RulePart.WHEN_HOUSEHOLD,
                                RulePart.WHILE_TIME,
                                RulePart.WHILE_DARK,
                                RulePart.WHILE_HOME,
                                RulePart.THEN_ALL_OFF)
                        .contains(part));
    }
}
