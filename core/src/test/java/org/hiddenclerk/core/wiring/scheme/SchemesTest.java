package org.hiddenclerk.core.wiring.scheme;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Whoever adds a scheme and forgets a place is told here which. */
class SchemesTest {
    /** Schemes for circuits of their own, which {@link SpecialSchemesTest} proves. */
    private static final Set<SchemeCode> ON_THEIR_OWN = EnumSet.of(
            SchemeCode.FOUR_CHANNEL,
            SchemeCode.HEAVY_DUTY,
            SchemeCode.BLIND_PAIR,
            SchemeCode.CANOPY_FAN_LIGHT,
            SchemeCode.SOCKET,
            SchemeCode.VOLT_FREE,
            SchemeCode.ELV_DC,
            SchemeCode.FREE_CHANNEL);

    @ParameterizedTest
    @EnumSource(SchemeCode.class)
    void aSchemeThatIsNamedIsBuilt(SchemeCode code) {
        assertThat(Schemes.of(code).code()).isEqualTo(code);
        assertThat(code.label()).isNotBlank();
    }

    @Test
    void aSchemeThatIsNamedIsProvedOnEveryCircuitOrOnItsOwn() {
        Set<SchemeCode> proved = SchemeMatrix.forGangOne().values().stream()
                .map(Assignment::scheme)
                .collect(Collectors.toCollection(() -> EnumSet.copyOf(ON_THEIR_OWN)));
        assertThat(proved).as("add it to the matrix of schemes").containsExactlyInAnyOrder(SchemeCode.values());
    }
}
