package org.hiddenclerk.e2e;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.atomic.AtomicInteger;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.credentials.MatterManualCode;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.joining.Window;
import org.hiddenclerk.standins.FirmwareFile;
import org.hiddenclerk.standins.HouseClock;
import org.hiddenclerk.standins.StandInHouse;
import org.hiddenclerk.standins.wire.MqttFront;
import org.hiddenclerk.standins.wire.MqttLine;
import tools.jackson.databind.JsonNode;

/** A stand-in house that lives here and not in the application: it goes on whatever becomes of that. */
final class HouseOutside implements AutoCloseable {
    static final int MODULES = 6;
    /** Every house gets a version of its own, newer than that of any before: the newest is what a roll-out takes. */
    private static final AtomicInteger NEXT_MINOR = new AtomicInteger();

    private static final int KINDS = 3;

    private final Caller caller;
    private final String version = "3." + NEXT_MINOR.getAndIncrement() + ".0";
    private final String prefix;
    private final StandInHouse house = new StandInHouse(HouseClock.live(60));
    private final Map<String, String> kinds = new LinkedHashMap<>();
    private final List<MqttFront> fronts = new ArrayList<>();
    private String job = "";

    /** @param prefix of the serials of its modules, which begin with version 1.0.0 */
    HouseOutside(Caller caller, MqttLine.Broker broker, String prefix) {
        this.caller = caller;
        this.prefix = prefix;
        open();
        for (Protocol protocol : Protocol.values()) {
            fronts.add(new MqttFront(broker, "house-" + prefix + protocol, "clerk/" + job, house.network(protocol)));
        }
    }

    String job() {
        return job;
    }

    /** To which a roll-out brings its modules. */
    String version() {
        return version;
    }

    /** Kind of each module, by serial number. */
    Map<String, String> kinds() {
        return kinds;
    }

    StandInHouse house() {
        return house;
    }

    @Override
    public void close() {
        fronts.forEach(MqttFront::close);
    }

    /** Takes modules for a house of its own to the bench, and brings the same ones into the stand-in house. */
    private void open() {
        SmallHouse small = new SmallHouse(caller);
        job = small.job();
        List<JsonNode> fitting = new ArrayList<>();
        for (JsonNode item : caller.ask("GET", "/api/v1/stock", null).get("modules")) {
            JsonNode document = item.get("document");
            boolean fits = document.get("purpose").asString().equals("LIGHTS")
                    && document.get("channels").size() == 1
                    && !item.get("retired").asBoolean();
            if (fits && fitting.size() < KINDS) {
                fitting.add(document);
            }
        }
        for (int number = 0; number < MODULES; number++) {
            JsonNode module = fitting.get(number % KINDS);
            String kind = module.get("code").asString();
            String serial = prefix + number;
            small.pick(small.box("C-" + number), kind);
            JsonNode units = caller.ask(
                            "POST", "/api/v1/jobs/" + job + "/bench", Map.of("moduleCode", kind, "serial", serial))
                    .get("units");
            JsonNode unit = units.get(units.size() - 1);
            String address = String.format("02C0%04X%08X", prefix.hashCode() & 0xffff, number);
            caller.ask(
                    "PUT",
                    "/api/v1/bench/" + unit.get("id").asString() + "/address",
                    Map.of("version", unit.get("version"), "address", address));
            Protocol protocol = Protocol.valueOf(module.get("protocol").asString());
            String code = new MatterManualCode(
                            number % 16, 20_202_021 + (prefix.hashCode() & 0xfff) * 10 + number, Optional.empty())
                    .code();
            if (Window.of(protocol).byCodeOnly()) {
                caller.ask(
                        "POST",
                        "/api/v1/bench/" + unit.get("id").asString() + "/credentials",
                        Map.of("kind", "MATTER_MANUAL_CODE", "text", code));
            }
            house.bring(serial, address, protocol, kind, 1, true, 3, code, "1.0.0", Set.of());
            kinds.put(serial, kind);
        }
    }

    private JsonNode networks() {
        return caller.ask("GET", "/api/v1/jobs/" + job + "/join", null).get("networks");
    }

    void letIn() {
        for (JsonNode network : networks()) {
            caller.ask(
                    "POST",
                    "/api/v1/jobs/" + job + "/join/window",
                    Map.of("protocol", network.get("protocol").asString(), "seconds", 200));
        }
        Awaitility.await("every module in")
                .atMost(Duration.ofMinutes(1))
                .pollInterval(Duration.ofMillis(200))
                .until(() -> {
                    house.settle();
                    return modulesIn() == MODULES;
                });
    }

    private int modulesIn() {
        int in = 0;
        for (JsonNode network : networks()) {
            in += (int) network.get("devices")
                    .valueStream()
                    .filter(device -> device.hasNonNull("unit"))
                    .count();
        }
        return in;
    }

    void begin() {
        for (String kind : Set.copyOf(kinds.values())) {
            byte[] file = FirmwareFile.of(kind, version);
            caller.ask(
                    "POST",
                    "/api/v1/firmware",
                    Map.of(
                            "kind",
                            kind,
                            "version",
                            version,
                            "sha256",
                            Release.sumOf(file),
                            "features",
                            List.of(),
                            "notes",
                            "",
                            "file",
                            Base64.getEncoder().encodeToString(file)));
        }
        caller.ask("POST", "/api/v1/jobs/" + job + "/rollouts", Map.of("batch", 3, "tries", 3, "stopAfter", 2));
    }

    JsonNode await(java.util.function.Predicate<JsonNode> until) {
        return Awaitility.await()
                .atMost(Duration.ofSeconds(90))
                .until(
                        () -> caller.ask("GET", "/api/v1/jobs/" + job + "/firmware", null)
                                .at("/rollouts/0"),
                        until);
    }
}
