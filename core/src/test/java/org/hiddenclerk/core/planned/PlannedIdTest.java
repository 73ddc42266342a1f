package org.hiddenclerk.core.planned;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is written of an id is read back as the same id. */
class PlannedIdTest {
    private static final PlannedId.Module MODULE = new PlannedId.Module("0e8e-b", 2, 0);
    private static final PlannedId.Module COMPANION = new PlannedId.Module("0e8e-b", 2, 3);

    static Stream<PlannedId> ids() {
        return Stream.of(
                MODULE,
                COMPANION,
                new PlannedId.Output(MODULE, "1"),
                new PlannedId.Output(COMPANION, "up"),
                new PlannedId.Input(MODULE, "1"),
                new PlannedId.Input(COMPANION, "2"),
                new PlannedId.Switch("0e8e-b", 4),
                new PlannedId.Lamp("0e8e-b", 3, 0),
                new PlannedId.Lamp("0e8e-b", 3, 1));
    }

    @ParameterizedTest
    @MethodSource("ids")
    void whatIsWrittenIsRead(PlannedId id) {
        assertThat(PlannedId.read(id.text())).contains(id);
        assertThat(id.text()).startsWith("0e8e-b/");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "K1",
                "t-1/button",
                "box/",
                "box/K",
                "box/K1/",
                "box/K1.x",
                "box/S",
                "box/Q1",
                "a/b/K1",
                "box/S99999999999",
                "box/K99999999999/in1"
            })
    void whatIsNoneIsNotTakenForOne(String text) {
        assertThat(PlannedId.read(text)).isEmpty();
    }

    @Test
    void anInputIsKnownWithinThePlanOfItsBox() {
        PlannedId.Input input = new PlannedId.Input(COMPANION, "2");

        assertThat(input.key()).isEqualTo("K2.3/2");
        assertThat(PlannedId.Input.ofKey("0e8e-b", "K2.3/2")).contains(input);
        assertThat(PlannedId.Input.ofKey("0e8e-b", "S2")).isEmpty();
        assertThat(PlannedId.moduleOf(input.text())).contains(COMPANION);
        assertThat(PlannedId.moduleOf("0e8e-b/S4"))
                .as("a switch is of no module")
                .isEmpty();
    }
}
