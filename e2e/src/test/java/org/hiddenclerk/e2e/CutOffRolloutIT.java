package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Map;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.standins.FirmwareFile;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The application is killed in the middle of a roll-out; the house stands outside of it, behind a broker of its own. */
@Deep
class CutOffRolloutIT {

    private final RunningClerk clerk = RunningClerk.get();
    private final Caller caller = new Caller(clerk);

    @Test
    void everyModuleIsAtAKnownVersionAndTheRunGoesOn() throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
            Map<String, String> outside = RunningClerk.by(broker);
            clerk.kill();
            clerk.start(outside);
            caller.logIn();
            try (HouseOutside outer = new HouseOutside(caller, broker.broker(), "CUT-")) {
                outer.letIn();
                outer.begin();
                outer.await(rollout -> rollout.get("done").asInt() >= 2);

                clerk.kill();
                outer.kinds().forEach((serial, kind) -> assertThat(outer.house().sumOf(serial))
                        .isIn(
                                Release.sumOf(FirmwareFile.of(kind, "1.0.0")),
                                Release.sumOf(FirmwareFile.of(kind, outer.version()))));
                assertThat(outer.kinds().keySet())
                        .as("cut off in the middle")
                        .anyMatch(serial -> !outer.house().versionOf(serial).equals(outer.version()));
                clerk.start(outside);

                JsonNode done =
                        outer.await(rollout -> rollout.get("state").asString().equals("DONE"));
                assertThat(done.get("findings")).isEmpty();
                outer.kinds().keySet().forEach(serial -> assertThat(
                                outer.house().versionOf(serial))
                        .as(serial)
                        .isEqualTo(outer.version()));
            }
        } finally {
            clerk.kill();
            clerk.start();
        }
    }
}
