package org.hiddenclerk.core.behaviour;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

class InputBehaviourTest {
    @ParameterizedTest
    @CsvSource({
        "PRESS_CHANGES, true, true",
        "POSITION_RULES, false, false",
        "EVERY_FLIP, true, false",
        "RUN_ON, false, true",
        "REPORT_ONLY, false, false",
        "SHORT_LONG, true, false",
        "UP_DOWN, false, false",
        "SUPPLY_BLINK, true, false"
    })
    void whatItDoesToARelayFollowsFromItsReactions(InputBehaviour behaviour, boolean changesOver, boolean atPress) {
        assertThat(behaviour.changesOver()).as("changes over").isEqualTo(changesOver);
        assertThat(behaviour.actsAtPress()).as("acts at the press").isEqualTo(atPress);
    }

    /** Debounce and rest belong to a contact; the rest each to one behaviour. */
    @ParameterizedTest
    @EnumSource
    void onlyAContactIsDebounced(InputBehaviour behaviour) {
        assertThat(behaviour.parameters().containsAll(Set.of(Parameter.DEBOUNCE, Parameter.REST)))
                .as("%s", behaviour)
                .isEqualTo(behaviour != InputBehaviour.SUPPLY_BLINK);
    }

    @Test
    void everyParameterIsOfUseToSomeBehaviour() {
        Set<Parameter> used = Arrays.stream(InputBehaviour.values())
                .flatMap(behaviour -> behaviour.parameters().stream())
                .collect(Collectors.toSet());
        assertThat(used).containsExactlyInAnyOrder(Parameter.values());
    }
}
