package org.hiddenclerk.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.math.BigDecimal;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.quantity.Watts;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;

class LoadTextTest {

    @Nested
    class Understands {
        @Test
        void threeTimesTwoLampsOfSevenWatts() {
            LoadBank bank = understood("3x2 LED 7").banks().get(0);

            assertThat(bank.kind()).isEqualTo(LoadKind.LED_LAMP);
            assertThat(bank.count()).isEqualTo(6);
            assertThat(bank.each()).isEqualTo(Watts.of(7));
            assertThat(bank.total()).isEqualTo(Watts.of(42));
        }

        @Test
        void manyWaysToTypeTheSame() {
            assertSoftly(softly -> {
                for (String text : new String[] {"3 x 2 led 7", "3×2 LED 7W", "6 LED 7 w", "6x LED 7", "2*3 led 7,0"}) {
                    softly.assertThat(understood(text).total()).as(text).isEqualTo(Watts.of(42));
                }
            });
        }

        @Test
        void banksJoinedByPlusAndAPowerFactor() {
            LoadText.Understood text = understood("2 LED driver 30 + fan 45 pf 0.7");

            assertThat(text.banks()).extracting(LoadBank::kind).containsExactly(LoadKind.LED_DRIVER, LoadKind.MOTOR);
            assertThat(text.banks().get(1).powerFactor()).isEqualByComparingTo(new BigDecimal("0.7"));
            assertThat(text.total()).isEqualTo(Watts.of(105));
        }

        private LoadText.Understood understood(String text) {
            return (LoadText.Understood) LoadText.read(text);
        }
    }

    @Nested
    class Refuses {
        @Test
        void whatIsNotALoadAndSaysWhere() {
            LoadText.NotUnderstood refused = (LoadText.NotUnderstood) LoadText.read("2 LED 7 + 3 candles 9");

            assertThat(refused.column()).isEqualTo(10);
            assertThat(refused.found()).isEqualTo("candles");
            assertThat(refused.expected()).contains("led", "heater");
        }

        @Test
        void figuresOutOfAllProportion() {
            assertSoftly(softly -> {
                for (String text : new String[] {
                    "",
                    "LED",
                    "LED 0",
                    "0 LED 7",
                    "999999999999x9 LED 7",
                    "LED 1e9",
                    "LED 99999",
                    "LED 7 pf 0",
                    "LED 7 pf 1.5",
                    "-3 LED 7",
                    "LED 7 +"
                }) {
                    softly.assertThat(LoadText.read(text)).as(text).isInstanceOf(LoadText.NotUnderstood.class);
                }
            });
        }
    }
}
