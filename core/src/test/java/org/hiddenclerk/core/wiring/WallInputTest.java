package org.hiddenclerk.core.wiring;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;
import org.junit.jupiter.api.Test;

/** What a hand finds at the inputs of planned modules is read off the truth table. */
class WallInputTest {
    private final Map<String, WiringPlan> plans = SpecialRuns.plans();

    private List<Wall> walls(String plan) {
        assertThat(plans.get(plan).verdict()).isEqualTo(Verdict.OK);
        return WallInput.of(plans.get(plan)).stream().map(WallInput::wall).toList();
    }

    @Test
    void eachInputHasItsOwnSwitch() {
        assertThat(walls("EU_230 four loads"))
                .hasSize(4)
                .allMatch(wall -> wall.ends() == 1 && wall.kind() == Wall.Kind.ROCKER);
        assertThat(WallInput.of(plans.get("EU_230 four loads")))
                .extracting(input -> input.gangs().get(0).number())
                .containsExactly(1, 2, 3, 4);
        assertThat(WallInput.of(plans.get("EU_230 four loads")))
                .extracting(WallInput::key)
                .containsExactly("K1/1", "K1/2", "K1/3", "K1/4");
    }

    @Test
    void aBlindIsCommandedByTwoContacts() {
        assertThat(walls("EU_230 blind")).isNotEmpty().allMatch(wall -> wall.kind() == Wall.Kind.UP_DOWN);
        assertThat(WallInput.of(plans.get("EU_230 blind")))
                .allMatch(input -> input.input().behaviour() == InputBehaviour.UP_DOWN);
    }

    @Test
    void aGateHasAPushButton() {
        assertThat(walls("EU_230 gate")).allMatch(wall -> wall.kind() == Wall.Kind.PUSH);
    }
}
