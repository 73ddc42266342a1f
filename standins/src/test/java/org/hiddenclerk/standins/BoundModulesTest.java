package org.hiddenclerk.standins;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Settings;
import org.junit.jupiter.api.Test;

/** A module that is told to command another one does so by itself. */
class BoundModulesTest {
    private static StandInHouse house(Set<Fault> ofLamp) {
        StandInHouse house = new StandInHouse(HouseClock.virtual());
        house.bring("switch", "A1", Protocol.ZIGBEE, "K", 1, true, 3, "c1", "1.0.0", Set.of());
        house.bring("lamp", "A2", Protocol.ZIGBEE, "K", 1, true, 5, "c2", "1.0.0", ofLamp);
        house.network(Protocol.ZIGBEE).ask(new Order.OpenWindow(60, Optional.empty()));
        house.pass(Duration.ofSeconds(60));
        house.network(Protocol.ZIGBEE)
                .ask(new Order.Write("A1", Map.of(Settings.commands(1), new Settings.Commanded("A2", 1).text())));
        return house;
    }

    @Test
    void aFlipChangesWhatItCommandsAndNotItsOwnChannel() {
        StandInHouse house = house(Set.of());
        house.flip("switch", 1);
        assertThat(house.lit("lamp")).containsExactly(1);
        assertThat(house.lit("switch")).isEmpty();
        house.flip("switch", 1);
        assertThat(house.lit("lamp")).isEmpty();
        house.flip("lamp", 1);
        assertThat(house.lit("lamp"))
                .as("its own switch acts on its own channel")
                .containsExactly(1);
    }

    @Test
    void whoDoesNotListenIsNotCommanded() {
        StandInHouse house = house(Set.of(Fault.SILENT));
        house.flip("switch", 1);
        assertThat(house.lit("lamp")).isEmpty();
        assertThat(house.lit("switch")).isEmpty();
    }
}
