package org.hiddenclerk.core.radio;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Channels by the centre frequencies of IEEE 802.15.4 and IEEE 802.11. */
class ChannelPlanTest {
    private static List<Integer> numbers(String text) {
        return text.isBlank()
                ? List.of()
                : Arrays.stream(text.split(" ")).map(Integer::valueOf).toList();
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({"CH-1, 11, 2405", "CH-2, 15, 2425", "CH-3, 20, 2450", "CH-4, 25, 2475", "CH-5, 26, 2480"})
    void centres(String id, int channel, int mhz) {
        assertThat(ChannelPlan.mhz(channel)).isEqualTo(mhz);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({"CH-6, 1, 2412", "CH-7, 6, 2437", "CH-8, 11, 2462", "CH-9, 13, 2472", "CH-10, 14, 2484"})
    void centresOfWifi(String id, int channel, int mhz) {
        assertThat(ChannelPlan.wifiMhz(channel)).isEqualTo(mhz);
    }

    @ParameterizedTest(name = "{0}")
    @CsvSource({
        "OV-1, 1 6 11, 15 20 25 26",
        "OV-2, 1 7 13, 15 16 21 22",
        "OV-3, 1 5 9 13, ''",
        "OV-4, 1, 15 16 17 18 19 20 21 22 23 24 25 26",
        "OV-5, 6, 11 12 13 14 15 20 21 22 23 24 25 26",
        "OV-6, 11, 11 12 13 14 15 16 17 18 19 20 25 26",
        "OV-7, 1 6, 15 20 21 22 23 24 25 26"
    })
    void whatIsClear(String id, String wifi, String clear) {
        assertThat(ChannelPlan.beside(numbers(wifi)).slots())
                .filteredOn(ChannelPlan.Slot::isClear)
                .extracting(ChannelPlan.Slot::channel)
                .isEqualTo(numbers(clear));
    }

    @Test
    void theBestIsClearAndFarAwayAndNotTheWeakOne() {
        assertThat(ChannelPlan.beside(List.of(1, 6, 11)).best()).isEqualTo(25);
        assertThat(ChannelPlan.beside(List.of(11)).best()).isEqualTo(11);
        int crowded = ChannelPlan.beside(List.of(1, 5, 9, 13)).best();
        assertThat(ChannelPlan.beside(List.of(1, 5, 9, 13)).slots()).allSatisfy(slot -> assertThat(slot.overlapMhz())
                .isGreaterThanOrEqualTo(ChannelPlan.beside(List.of(1, 5, 9, 13))
                        .slots()
                        .get(crowded - 11)
                        .overlapMhz()));
    }

    @Test
    void channelsThatAreNotInTheBandAreRefused() {
        assertThatThrownBy(() -> ChannelPlan.beside(List.of(36))).hasMessageContaining("1 to 14");
    }
}
