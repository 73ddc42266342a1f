package org.hiddenclerk.core.joining;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.testing.Modules;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class SettingsTest {
    private static ModuleModel shippedAs(String function) {
        return Modules.with(
                Modules.blind(),
                new DataSheet(
                        Optional.empty(),
                        OptionalInt.empty(),
                        Optional.empty(),
                        OptionalDouble.empty(),
                        false,
                        List.of(),
                        List.of(),
                        List.of(),
                        Optional.ofNullable(function),
                        List.of(),
                        Set.of()));
    }

    /**
     * A blind controller that is to be two relays is set so first; what is shipped as it is wanted is left alone,
     * and what nobody states is not guessed.
     */
    @ParameterizedTest
    @CsvSource({
        "blind controller, relay, relay",
        "Blind controller, relay, relay",
        "relay, blind controller, blind controller",
        "relay, relay, ",
        "something else, relay, ",
        ", relay, "
    })
    void whatItIsShippedAsIsSetOtherwiseWhereThePlanWantsIt(String shipped, String wanted, String set) {
        assertThat(Settings.ofFunction(shippedAs(shipped), wanted))
                .isEqualTo(set == null ? Map.of() : Map.of("works-as", set));
    }

    @Test
    void whatItWorksAsIsChosenWhereTheMakerStatesWhatItIsShippedAs() {
        assertThat(Settings.of(shippedAs("relay")))
                .extracting(Settings.Choice::key)
                .contains("works-as");
        assertThat(Settings.of(shippedAs(null)))
                .extracting(Settings.Choice::key)
                .doesNotContain("works-as");
        assertThat(Settings.refusal(shippedAs("relay"), "works-as", "dimmer")).isEmpty();
        assertThat(Settings.refusal(shippedAs("relay"), "works-as", "kettle"))
                .hasValueSatisfying(why -> assertThat(why).contains("kettle"));
    }
}
