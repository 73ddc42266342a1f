package org.hiddenclerk.app.job.exchange;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** How files of older versions are brought up. */
class JobFileTest {
    private static final String BOX = "0e8e0000-0000-4000-8000-000000000002";

    @Test
    void modulesOnTheBenchAreNamedByThePlansThatTheyAreFor() {
        JsonNode units = JobFile.read(("{\"format\":\"hidden-clerk-job\",\"version\":3,\"parts\":{\"benchUnit\":["
                                + "{\"serial\":\"picked\",\"boxId\":\"" + BOX + "\",\"pick\":2,\"handle\":\"a\"},"
                                + "{\"serial\":\"goes with another\",\"boxId\":\"" + BOX
                                + "\",\"pick\":101,\"handle\":\"b\"},"
                                + "{\"serial\":\"put aside\",\"boxId\":null,\"pick\":null,\"handle\":null}]}}")
                        .getBytes(StandardCharsets.UTF_8))
                .at("/parts/benchUnit");

        assertThat(units).noneMatch(unit -> unit.has("pick"));
        assertThat(units.get(0).get("plannedModule").asString()).isEqualTo(BOX + "/K2");
        assertThat(units.get(0).get("handle").asString()).isEqualTo("a");
        assertThat(units.get(1).get("plannedModule").isNull())
                .as("which module it goes with was not told")
                .isTrue();
        assertThat(units.get(1).get("boxId").isNull()).isTrue();
        assertThat(units.get(2).get("plannedModule").isNull()).isTrue();
    }
}
