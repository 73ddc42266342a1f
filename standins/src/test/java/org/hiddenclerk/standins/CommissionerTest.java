package org.hiddenclerk.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.credentials.MatterManualCode;
import org.hiddenclerk.core.credentials.MatterQrCode;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Order;
import org.junit.jupiter.api.Test;

/** Sessions by code: found by the discriminator, let in by the passcode. */
class CommissionerTest {
    private static final MatterQrCode SQUARE = new MatterQrCode(0, 0xFFF1, 0x8000, 0, 4, 0xF00, 20_202_021);

    private final StandInHouse house = new StandInHouse(HouseClock.virtual());
    private final StandInNetwork network = house.network(Protocol.WIFI);
    private final List<GatewayEvent> heard = new ArrayList<>();

    CommissionerTest() {
        network.listen(heard::add);
    }

    private void device(String serial, String code, Fault... faults) {
        house.bring(serial, "A-" + serial, Protocol.WIFI, "K", 1, false, 4, code, "1.0.0", Set.of(faults));
    }

    private Answer open(String code) {
        return network.ask(new Order.OpenWindow(180, Optional.of(code))).orElseThrow();
    }

    private List<String> in() {
        return network.modules().stream()
                .filter(StandInModule::isJoined)
                .map(m -> m.spec().serial())
                .toList();
    }

    private List<String> reasons() {
        house.pass(Duration.ofSeconds(200));
        return heard.stream()
                .filter(GatewayEvent.TurnedAway.class::isInstance)
                .map(each -> ((GatewayEvent.TurnedAway) each).reason())
                .toList();
    }

    @Test
    void aSquareCodeAndTheManualCodeMadeFromItLetTheSameDeviceIn() {
        for (String code : List.of(SQUARE.text(), SQUARE.manual().code())) {
            device("by " + code, SQUARE.text());
            assertThat(open(code)).isEqualTo(new Answer.Done());
            assertThat(reasons()).isEmpty();
            assertThat(in()).contains("by " + code);
        }
    }

    @Test
    void theIndicatorTellsHowFarItIs() {
        device("S1", SQUARE.text());
        assertThat(house.shows("S1")).isEqualTo(Shows.SEARCHING);
        house.pass(Duration.ofSeconds(200));
        assertThat(house.shows("S1")).as("nobody let it in").isEqualTo(Shows.FAILED);
        house.press("S1");
        open(SQUARE.text());
        house.pass(Duration.ofSeconds(60));
        assertThat(house.shows("S1")).isEqualTo(Shows.JOINED);
        network.ask(new Order.BeginFile("A-S1", "1.1.0", "00", 3));
        assertThat(house.shows("S1")).isEqualTo(Shows.UPDATING);
    }

    @Test
    void nobodyComesInWithoutACodeOfItsOwn() {
        device("S1", SQUARE.text());
        assertThat(network.ask(new Order.OpenWindow(180, Optional.empty())).orElseThrow())
                .isInstanceOf(Answer.Refused.class);
        assertThat(open("12345678901")).isInstanceOf(Answer.Refused.class);
        assertThat(reasons()).isEmpty();
        assertThat(in()).isEmpty();
    }

    @Test
    void ofTwoThatShareAShortDiscriminatorTheOneWithThePasscodeComesIn() {
        device("other", new MatterManualCode(15, 31_415_926, Optional.empty()).code());
        device("meant", SQUARE.text());
        open(SQUARE.manual().code());
        assertThat(reasons()).isEmpty();
        assertThat(in()).containsExactly("meant");
    }

    @Test
    void aWindowThatLetNobodyInSaysWhy() {
        device("mislabelled", SQUARE.text(), Fault.OTHER_CODE);
        open(SQUARE.text());
        open(new MatterManualCode(2, 31_415_926, Optional.empty()).code());
        assertThat(reasons())
                .hasSize(2)
                .anySatisfy(reason -> assertThat(reason).contains("discriminator 3840", "passcode was not theirs"))
                .anySatisfy(reason -> assertThat(reason).contains("nobody with short discriminator 2"));
        assertThat(in()).isEmpty();
        assertThat(heard.toString()).as("a code is a secret").doesNotContain(SQUARE.text());
    }

    @Test
    void afterTooManyWrongPasscodesADeviceSearchesNoMore() {
        device("S1", SQUARE.text());
        for (int i = 0; i < Commissioner.MOST_TRIES; i++) {
            open(new MatterManualCode(15, 31_415_926 + i, Optional.empty()).code());
        }
        house.pass(Duration.ofSeconds(100));
        open(SQUARE.text());
        house.pass(Duration.ofSeconds(60));
        assertThat(in()).isEmpty();
        house.press("S1");
        house.pass(Duration.ofSeconds(60));
        assertThat(in()).containsExactly("S1");
    }
}
