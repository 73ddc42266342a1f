package org.hiddenclerk.core.job;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.SoftAssertions.assertSoftly;

import java.math.BigDecimal;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.quantity.Watts;
import org.junit.jupiter.api.Nested;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

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

    /** What people type, and what it is understood as; words by common practice, no source. */
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            textBlock =
                    """
            2x9 LED | 2 × LED lamp 9 W
            9 W LED | 1 × LED lamp 9 W
            bulb 9 | 1 × LED lamp 9 W
            60 W bulb | 1 × incandescent 60 W
            spots 5 x 6 | 5 × LED lamp 6 W
            spot 50 W | 1 × mains halogen 50 W
            tube 36 | 1 × fluorescent 36 W
            2 LED tubes 18 W | 2 × LED lamp 18 W
            4 downlights 8 | 4 × LED driver 8 W
            extractor fan 20 | 1 × motor or fan 20 W
            pump 60 W | 1 × motor or fan 60 W
            boiler 2 kW | 1 × heater 2000 W
            shutter 150 | 1 × blind motor 150 W
            air conditioner 900 W | 1 × motor or fan 900 W
            lock | 1 × gate or door input 1 W
            electric lock 12 V 6 W | 1 × gate or door input 6 W, 12 V
            valve 4 W 24 V | 1 × contactor coil 4 W, 24 V
            doorbell 8 V | 1 × gate or door input 1 W, 8 V
            gate | 1 × gate or door input 1 W
            LED 7 dimmable | 1 × LED lamp 7 W, dimmable
            2 LED 7, not dimmable | 2 × LED lamp 7 W, not dimmable
            3 x 2 led 7 | 6 × LED lamp 7 W
            LED 4 x 5 W | 4 × LED lamp 5 W
            2 x 9 W LED bulbs | 2 × LED lamp 9 W
            4 9W LED | 4 × LED lamp 9 W
            LED strip 5 m 14 W/m at 24 V | 1 × low-voltage strip 70 W, 24 V
            strip 20 at24 | 1 × low-voltage strip 20 W, 24 V
            12 V strip 20 | 1 × low-voltage strip 20 W, 12 V
            LED tape 10 metres of 9.6 W/m | 1 × low-voltage strip 96 W
            chandelier 8 x 4 | 8 × LED lamp 4 W
            pendant 11 W | 1 × LED lamp 11 W
            3 halogen spots 35 | 3 × mains halogen 35 W
            floodlight 50 W | 1 × LED driver 50 W
            ceiling light 24 W | 1 × LED driver 24 W
            wall lights 2 x 6 | 2 × LED driver 6 W
            energy saver 15 | 1 × fluorescent 15 W
            2 fluorescent tubes 58 W | 2 × fluorescent 58 W
            CFL 11 | 1 × fluorescent 11 W
            electronic transformer 60 | 1 × electronic transformer 60 W
            wire-wound transformer 105 | 1 × wire-wound transformer 105 W
            toroidal transformer 200 | 1 × wire-wound transformer 200 W
            ceiling fan 70 pf 0.7 | 1 × motor or fan 70 W
            bathroom fan 15 W | 1 × motor or fan 15 W
            cooker hood 210 | 1 × motor or fan 210 W
            circulation pump 45 | 1 × motor or fan 45 W
            heat pump 1.2 kW | 1 × motor or fan 1200 W
            air con 1100 | 1 × motor or fan 1100 W
            fridge 120 | 1 × motor or fan 120 W
            heater 1,5 kW | 1 × heater 1500 W
            water heater 2000 | 1 × heater 2000 W
            immersion heater 3 kW | 1 × heater 3000 W
            towel rail 400 | 1 × heater 400 W
            underfloor heating 600 W | 1 × heater 600 W
            radiator 1000 | 1 × heater 1000 W
            socket 2000 | 1 × socket outlet 2000 W
            2 outlets 500 | 2 × socket outlet 500 W
            receptacle 180 W | 1 × socket outlet 180 W
            contactor 5 | 1 × contactor coil 5 W
            zone valve 6 W | 1 × contactor coil 6 W
            solenoid valve 8 W at 24 | 1 × contactor coil 8 W, 24 V
            roller blind 120 | 1 × blind motor 120 W
            2 roller shutters 140 W | 2 × blind motor 140 W
            awning 200 | 1 × blind motor 200 W
            curtain 40 | 1 × blind motor 40 W
            roof window 30 W | 1 × blind motor 30 W
            garage door | 1 × gate or door input 1 W
            door strike 12 V | 1 × gate or door input 1 W, 12 V
            LED driver 30 peak 20 A | 1 × LED driver 30 W, peak 20 A
            LED panel 36 W | 1 × LED driver 36 W
            2 LED 7 and fan 45 | 2 × LED lamp 7 W and 1 × motor or fan 45 W
            """)
    void isReadBack(String typed, String words) {
        assertThat(LoadText.read(typed)).isInstanceOfSatisfying(LoadText.Understood.class, understood -> assertThat(
                        understood.words().replace('\u2009', ' '))
                .isEqualTo(words));
    }

    /** A word that leaves the kind open is counted as the kind that asks more, and that is told. */
    @Test
    void whatAWordLeavesOpenIsTold() {
        assertThat(((LoadText.Understood) LoadText.read("bulb 9 + LED 7")).taken())
                .singleElement()
                .asString()
                .startsWith("bulb: taken for LED lamp.");
        assertThat(((LoadText.Understood) LoadText.read("incandescent 9")).taken())
                .isEmpty();
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
                    "LED 7 +",
                    "9 LED",
                    "LED x 6",
                    "2 3 LED 7",
                    "LED 7 6",
                    "7 W LED 9 W",
                    "1.5 LED 7",
                    "transformer 60",
                    "LED 7 at 0 V",
                    "LED 7 !"
                }) {
                    softly.assertThat(LoadText.read(text)).as(text).isInstanceOf(LoadText.NotUnderstood.class);
                }
            });
        }
    }
}
