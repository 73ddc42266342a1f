package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.credentials.MatterManualCode;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.joining.Window;
import org.hiddenclerk.standins.FirmwareFile;
import org.hiddenclerk.standins.HouseClock;
import org.hiddenclerk.standins.StandInHouse;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.hiddenclerk.standins.wire.MqttFront;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The application is killed in the middle of a roll-out; the house stands outside of it, behind a broker of its own. */
class CutOffRolloutIT {
    private static final String VERSION = "3.0.0";
    private static final int MODULES = 6;
    private static final int KINDS = 3;

    private final RunningClerk clerk = RunningClerk.get();
    private final Caller caller = new Caller(clerk);
    private final StandInHouse house = new StandInHouse(HouseClock.live(60));
    private final Map<String, String> kinds = new LinkedHashMap<>();
    private String job = "";

    @Test
    void everyModuleIsAtAKnownVersionAndTheRunGoesOn() throws Exception {
        try (EmbeddedBroker broker = new EmbeddedBroker(0)) {
            Map<String, String> outside = Map.of("CLERK_MQTT_URL", broker.broker().url(), "CLERK_MQTT_USER", broker.broker().user(),
                    "CLERK_MQTT_PASSWORD", broker.broker().password());
            clerk.kill();
            clerk.start(outside);
            caller.logIn();
            openHouse();
            List<MqttFront> fronts = new ArrayList<>();
            for (Protocol protocol : Protocol.values()) {
                fronts.add(new MqttFront(broker.broker(), "house-" + protocol, "clerk/" + job, house.network(protocol)));
            }
            letIn();
            begin();
            await(rollout -> rollout.get("done").asInt() >= 2);

            clerk.kill();
            kinds.forEach((serial, kind) -> assertThat(house.sumOf(serial)).isIn(Release.sumOf(FirmwareFile.of(kind, "1.0.0")),
                    Release.sumOf(FirmwareFile.of(kind, VERSION))));
            assertThat(kinds.keySet()).as("cut off in the middle").anyMatch(serial -> !house.versionOf(serial).equals(VERSION));
            clerk.start(outside);

            JsonNode done = await(rollout -> rollout.get("state").asString().equals("DONE"));
            assertThat(done.get("findings")).isEmpty();
            kinds.keySet().forEach(serial -> assertThat(house.versionOf(serial)).as(serial).isEqualTo(VERSION));
            fronts.forEach(MqttFront::close);
        } finally {
            clerk.kill();
            clerk.start();
        }
    }

    /** Takes modules for a house of its own to the bench, and brings the same ones into the stand-in house. */
    private void openHouse() {
        SmallHouse small = new SmallHouse(caller);
        job = small.job();
        List<JsonNode> fitting = new ArrayList<>();
        for (JsonNode item : caller.ask("GET", "/api/v1/stock", null).get("modules")) {
            JsonNode document = item.get("document");
            boolean fits = document.get("purpose").asString().equals("LIGHTS") && document.get("channels").size() == 1 && !item.get("retired").asBoolean();
            if (fits && fitting.size() < KINDS) {
                fitting.add(document);
            }
        }
        for (int number = 0; number < MODULES; number++) {
            JsonNode module = fitting.get(number % KINDS);
            String kind = module.get("code").asString();
            String serial = "CUT-" + number;
            small.pick(small.box("C-" + number), kind);
            JsonNode units = caller.ask("POST", "/api/v1/jobs/" + job + "/bench", Map.of("moduleCode", kind, "serial", serial)).get("units");
            JsonNode unit = units.get(units.size() - 1);
            String address = String.format("02C07000%08X", number);
            caller.ask("PUT", "/api/v1/bench/" + unit.get("id").asString() + "/address", Map.of("version", unit.get("version"), "address", address));
            Protocol protocol = Protocol.valueOf(module.get("protocol").asString());
            String code = new MatterManualCode(number % 16, 20_202_021 + number, Optional.empty()).code();
            if (Window.of(protocol).byCodeOnly()) {
                caller.ask("POST", "/api/v1/bench/" + unit.get("id").asString() + "/credentials", Map.of("kind", "MATTER_MANUAL_CODE", "text", code));
            }
            house.bring(serial, address, protocol, kind, 1, true, 3, code, "1.0.0", Set.of());
            kinds.put(serial, kind);
        }
    }

    private JsonNode networks() {
        return caller.ask("GET", "/api/v1/jobs/" + job + "/join", null).get("networks");
    }

    private void letIn() throws InterruptedException {
        for (JsonNode network : networks()) {
            caller.ask("POST", "/api/v1/jobs/" + job + "/join/window", Map.of("protocol", network.get("protocol").asString(), "seconds", 200));
        }
        int in = 0;
        for (int tries = 0; tries < 100 && in < MODULES; tries++) {
            Thread.sleep(200);
            house.settle();
            in = 0;
            for (JsonNode network : networks()) {
                in += (int) network.get("devices").valueStream().filter(device -> device.hasNonNull("unit")).count();
            }
        }
        assertThat(in).isEqualTo(MODULES);
    }

    private void begin() {
        for (String kind : Set.copyOf(kinds.values())) {
            byte[] file = FirmwareFile.of(kind, VERSION);
            caller.ask("POST", "/api/v1/firmware", Map.of("kind", kind, "version", VERSION, "sha256", Release.sumOf(file), "features", List.of(), "notes", "", "file",
                    Base64.getEncoder().encodeToString(file)));
        }
        caller.ask("POST", "/api/v1/jobs/" + job + "/rollouts", Map.of("batch", 3, "tries", 3, "stopAfter", 2));
    }

    private JsonNode await(java.util.function.Predicate<JsonNode> until) throws InterruptedException {
        JsonNode firmware = caller.ask("GET", "/api/v1/jobs/" + job + "/firmware", null);
        for (int tries = 0; tries < 300 && !until.test(firmware.get("rollouts").get(0)); tries++) {
            Thread.sleep(100);
            firmware = caller.ask("GET", "/api/v1/jobs/" + job + "/firmware", null);
        }
        assertThat(until.test(firmware.get("rollouts").get(0))).as(firmware.toString()).isTrue();
        return firmware.get("rollouts").get(0);
    }
}
