package org.hiddenclerk.app.stage.joining;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.Stair;
import org.hiddenclerk.app.testing.WithDatabase;
import org.hiddenclerk.core.credentials.MatterManualCode;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.standins.FirmwareFile;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Modules of a small house come in over a real broker, are told apart, set, and brought to another firmware. */
@WithDatabase
class JoiningTest {
    private static int serials;
    private static int versions;

    @Autowired
    private MockMvc mvc;

    private Person person;
    private SmallHouse house;
    private String zigbee = "";

    @BeforeEach
    void open() {
        person = new Person(mvc);
        house = new SmallHouse(person);
        for (JsonNode item : person.get("/api/v1/stock").ok().get("modules")) {
            JsonNode document = item.get("document");
            boolean fits = document.get("protocol").asString().equals("ZIGBEE")
                    && document.get("purpose").asString().equals("LIGHTS")
                    && document.get("channels").size() == 1
                    && !item.get("retired").asBoolean();
            zigbee = zigbee.isEmpty() && fits ? document.get("code").asString() : zigbee;
        }
    }

    /** Takes a module for a new box to the bench and gives its id. */
    private String unit(String box, String address) {
        return unitOf(house.box(box), zigbee, address);
    }

    private String unitOf(String box, String zigbee, String address) {
        house.pick(box, zigbee);
        JsonNode units = person.post(job("/bench"), Map.of("moduleCode", zigbee, "serial", "JN-" + ++serials))
                .ok()
                .get("units");
        JsonNode unit = units.get(units.size() - 1);
        if (!address.isEmpty()) {
            person.put(
                            "/api/v1/bench/" + unit.get("id").asString() + "/address",
                            Map.of("version", unit.get("version").asLong(), "address", address))
                    .ok();
        }
        return unit.get("id").asString();
    }

    private String job(String path) {
        return "/api/v1/jobs/" + house.job() + path;
    }

    private static String address() {
        return String.format("00A1B2%010X", ++serials);
    }

    private JsonNode network() {
        return person.get(job("/join")).ok().get("networks").get(0);
    }

    private JsonNode await(String path, Predicate<JsonNode> until) {
        return Awaitility.await()
                .atMost(Duration.ofSeconds(60))
                .pollInterval(Duration.ofMillis(50))
                .until(() -> person.get(path).ok(), until);
    }

    private JsonNode awaitIn(int devices) throws InterruptedException {
        person.post(job("/join/window"), Map.of("protocol", "ZIGBEE", "seconds", 120))
                .ok();
        return awaitIn("ZIGBEE", devices);
    }

    private JsonNode awaitIn(String protocol, int devices) throws InterruptedException {
        return await(
                        job("/join"),
                        join -> join.get("networks")
                                        .get(0)
                                        .get("protocol")
                                        .asString()
                                        .equals(protocol)
                                && join.get("networks").get(0).get("devices").size() == devices)
                .get("networks")
                .get(0);
    }

    private String serialOf(String unit) {
        for (JsonNode each : person.get(job("/bench")).ok().get("units")) {
            if (each.get("id").asString().equals(unit)) {
                return each.get("serial").asString();
            }
        }
        throw new AssertionError(unit);
    }

    private String unitLit() {
        for (JsonNode module : person.get(job("/stand-in")).ok().get("modules")) {
            if (module.get("lit").size() > 0) {
                for (JsonNode unit : person.get(job("/bench")).ok().get("units")) {
                    if (unit.get("serial").equals(module.get("serial"))) {
                        return unit.get("id").asString();
                    }
                }
            }
        }
        throw new AssertionError("No lamp is lit.");
    }

    private static JsonNode unknown(JsonNode network) {
        for (JsonNode device : network.get("devices")) {
            if (!device.hasNonNull("unit")) {
                return device;
            }
        }
        throw new AssertionError("All are known.");
    }

    private void build(Map<String, String> faults) {
        person.post(job("/stand-in"), Map.of("faults", faults)).ok();
    }

    @Test
    void devicesAreToldByCodeByLampAndByWallSwitch() throws InterruptedException {
        String known = unit("A", address());
        List<String> open = new ArrayList<>(List.of(unit("B", ""), unit("C", "")));
        build(Map.of());
        JsonNode network = awaitIn(3);
        assertThat(network.get("finished").asBoolean()).isFalse();
        assertThat(network.get("devices"))
                .anySatisfy(
                        device -> assertThat(device.path("unit").asString("")).isEqualTo(known));

        JsonNode first = unknown(network);
        assertThat(first.get("candidates")).hasSize(2);
        person.post("/api/v1/devices/" + first.get("id").asString() + "/switch", Map.of("channel", 1, "on", true))
                .ok();
        String lit = unitLit();
        person.post("/api/v1/devices/" + first.get("id").asString() + "/seen", Map.of("unit", lit, "there", true))
                .ok();
        open.remove(lit);

        assertThat(network().get("finished").asBoolean())
                .as("the last one is not known by being left over")
                .isFalse();
        assertThat(person.post(job("/join/flipped"), Map.of("unit", open.get(0)))
                        .status())
                .as("nothing was flipped")
                .isEqualTo(422);
        person.post(job("/stand-in/hand"), Map.of("serial", serialOf(open.get(0)), "deed", "FLIP_SWITCH"))
                .ok();
        await(job("/join"), join -> unknown(join.get("networks").get(0)).hasNonNull("flippedAt"));
        person.post(job("/join/flipped"), Map.of("unit", open.get(0))).ok();
        assertThat(network().get("finished").asBoolean()).isTrue();
    }

    /** "It changed here" was taken for any device, so that a slip gave a lamp the name of another. */
    @Test
    void whatIsSeenIsSeenOfTheDeviceThatWasSwitchedLast() throws InterruptedException {
        String unit = unit("A", "");
        unit("B", "");
        build(Map.of());
        JsonNode network = awaitIn(2);
        String one =
                "/api/v1/devices/" + network.get("devices").get(0).get("id").asString();
        String other =
                "/api/v1/devices/" + network.get("devices").get(1).get("id").asString();
        Map<String, Object> here = Map.of("unit", unit, "there", true);

        assertThat(person.post(one + "/seen", here).pointer())
                .as("nothing was switched")
                .isEqualTo("/unit");
        person.post(one + "/switch", Map.of("channel", 1, "on", true)).ok();
        person.post(other + "/switch", Map.of("channel", 1, "on", true)).ok();
        assertThat(person.post(one + "/seen", here).pointer())
                .as("another was switched since")
                .isEqualTo("/unit");
        assertThat(network().get("devices"))
                .noneSatisfy(device -> assertThat(device.hasNonNull("unit")).isTrue());
        person.post(one + "/switch", Map.of("channel", 1, "on", false)).ok();
        person.post(one + "/seen", Map.of("unit", unit, "there", false)).ok();
        person.post(one + "/seen", Map.of("unit", unitOf("B"), "there", true)).ok();
        assertThat(network().get("devices"))
                .anySatisfy(
                        device -> assertThat(device.path("place").asString("")).endsWith("B"));
    }

    private String unitOf(String label) {
        return person.get(job("/bench"))
                .ok()
                .get("units")
                .valueStream()
                .filter(unit -> unit.get("boxLabel").asString().equals(label))
                .findFirst()
                .orElseThrow()
                .get("id")
                .asString();
    }

    /** A switch without a load of its own does nothing before its module is told whom to command. */
    @Test
    void linksThatTheWiringNeedsAreBoundWhenBothAreIn() throws InterruptedException {
        Map<String, String> stair = Stair.in(house, person);
        String foot = stair.get("B-10");
        person.put(
                        "/api/v1/boxes/" + foot + "/plan",
                        Map.of(
                                "version",
                                house.plan(foot).get("version").asLong(),
                                "picks",
                                List.of(Map.of(
                                        "moduleCode",
                                        "TG-1N",
                                        "gangs",
                                        List.of(1),
                                        "behaviours",
                                        Map.of("1", "EVERY_FLIP"),
                                        "scheme",
                                        "MULTI_SECOND_UNLOADED"))))
                .ok();
        int modules = 0;
        for (JsonNode waiting : person.get(job("/bench")).ok().get("waiting")) {
            for (int i = 0; i < waiting.get("count").asInt(); i++, modules++) {
                JsonNode units = person.post(
                                job("/bench"),
                                Map.of("moduleCode", waiting.get("moduleCode").asString(), "serial", "JN-" + ++serials))
                        .ok()
                        .get("units");
                JsonNode unit = units.get(units.size() - 1);
                person.put(
                                "/api/v1/bench/" + unit.get("id").asString() + "/address",
                                Map.of("version", unit.get("version").asLong(), "address", address()))
                        .ok();
            }
        }
        assertThat(person.get(job("/join")).ok().get("links"))
                .isNotEmpty()
                .allSatisfy(link -> assertThat(link.get("state").asString()).isEqualTo("WAITS"));
        build(Map.of());
        String protocol = network().get("protocol").asString();
        person.post(job("/join/window"), Map.of("protocol", protocol, "seconds", 120))
                .ok();
        JsonNode network = awaitIn(protocol, modules);
        for (JsonNode device : network.get("devices")) {
            person.post("/api/v1/devices/" + device.get("id").asString() + "/set-up", Map.of())
                    .ok();
        }

        JsonNode join = person.get(job("/join")).ok();
        join.get("links").forEach(link -> {
            assertThat(link.get("state").asString()).as(link.toString()).isEqualTo("BOUND");
            assertThat(link.get("reason").asString()).isNotEmpty();
        });
        assertThat(join.get("networks").get(0).get("devices"))
                .allSatisfy(device -> assertThat(device.get("differences")).isEmpty());
    }

    @Test
    void aNetworkThatIsOpenStaysOpenLonger() {
        unit("A", "");
        build(Map.of());
        person.post(job("/join/window"), Map.of("protocol", "ZIGBEE", "seconds", 60))
                .ok();
        String first = network().get("closesAt").asString();
        person.post(job("/join/window"), Map.of("protocol", "ZIGBEE", "seconds", 180))
                .ok();
        assertThat(java.time.Instant.parse(network().get("closesAt").asString()))
                .isAfter(java.time.Instant.parse(first));
    }

    @Test
    void whatIsSetIsReadBackAndWhatIsNotKeptIsFound() throws InterruptedException {
        List<String> units = List.of(unit("A", address()), unit("B", address()));
        for (String unit : units) {
            long version = 0;
            for (JsonNode each : person.get(job("/bench")).ok().get("units")) {
                version = each.get("id").asString().equals(unit)
                        ? each.get("version").asLong()
                        : version;
            }
            assertThat(person.put(
                                    "/api/v1/bench/" + unit + "/settings",
                                    Map.of("version", version, "wanted", Map.of("power-on", "sideways")))
                            .status())
                    .isEqualTo(422);
            person.put(
                            "/api/v1/bench/" + unit + "/settings",
                            Map.of("version", version, "wanted", Map.of("power-on", "last")))
                    .ok();
        }
        build(Map.of(serialOf(units.get(1)), "FORGETFUL"));
        for (JsonNode device : awaitIn(2).get("devices")) {
            person.post("/api/v1/devices/" + device.get("id").asString() + "/set-up", Map.of())
                    .ok();
            person.post("/api/v1/devices/" + device.get("id").asString() + "/link", Map.of("closed", false))
                    .ok();
            person.post(
                            job("/stand-in/hand"),
                            Map.of("serial", serialOf(device.get("unit").asString()), "deed", "COVER_ON"))
                    .ok();
            person.post("/api/v1/devices/" + device.get("id").asString() + "/link", Map.of("closed", true))
                    .ok();
        }
        JsonNode join = person.get(job("/join")).ok();
        for (JsonNode device : join.get("networks").get(0).get("devices")) {
            boolean forgetful = device.get("unit").asString().equals(units.get(1));
            assertThat(device.get("differences")).hasSize(forgetful ? 1 : 0);
            assertThat(device.get("closed").get("figure").asInt())
                    .isLessThan(device.get("open").get("figure").asInt());
        }
        assertThat(join.get("findings"))
                .extracting(f -> f.get("code").asString())
                .contains("SETTING_NOT_KEPT");
    }

    /** Service: the new one has box, name and settings, its tests are made again, and the old one is no member any more. */
    @Test
    void aReplacedModuleHandsOnItsPlaceAndLeavesTheNetwork() throws InterruptedException {
        String unit = unit("A", address());
        build(Map.of());
        awaitIn(1);
        JsonNode record = person.get(job("/handover"))
                .ok()
                .get("boxes")
                .get(0)
                .get("outputs")
                .get(0)
                .get("tests");
        for (JsonNode test : record) {
            if (List.of("REMOTE", "WALL_SWITCH").contains(test.get("kind").asString())) {
                person.post(
                                job("/handover/entries"),
                                Map.of("test", test.get("id").asString(), "asPlanned", true, "note", "", "cause", ""))
                        .ok();
            }
        }
        JsonNode old = person.get(job("/bench")).ok().get("units").get(0);
        assertThat(person.post(
                                "/api/v1/bench/" + unit + "/replaced",
                                Map.of(
                                        "version",
                                        old.get("version").asLong(),
                                        "serial",
                                        old.get("serial").asString()))
                        .pointer())
                .isEqualTo("/serial");
        JsonNode units = person.post(
                        "/api/v1/bench/" + unit + "/replaced",
                        Map.of("version", old.get("version").asLong(), "serial", "JN-" + ++serials))
                .ok()
                .get("units");
        JsonNode now = units.get(units.size() - 1);
        assertThat(now.get("boxLabel")).isEqualTo(old.get("boxLabel"));
        assertThat(now.get("handle")).isEqualTo(old.get("handle"));
        assertThat(units.get(0).hasNonNull("handle")).isFalse();
        assertThat(network().get("devices")).isEmpty();
        Map<String, String> standing = new java.util.HashMap<>();
        person.get(job("/handover"))
                .ok()
                .get("boxes")
                .get(0)
                .get("outputs")
                .get(0)
                .get("tests")
                .forEach(test -> standing.put(
                        test.get("kind").asString(), test.get("standing").asString()));
        assertThat(standing).containsEntry("REMOTE", "AGAIN").containsEntry("WALL_SWITCH", "PASSED");
    }

    @Test
    void aCampaignNamesTheJobsThatAreBehind() throws InterruptedException {
        unit("A", address());
        build(Map.of());
        awaitIn(1);
        String running = network().get("devices").get(0).get("firmware").asString();
        keep(zigbee, "99.0." + ++serials, List.of());
        assertThat(person.get("/api/v1/firmware/campaigns")
                        .ok()
                        .valueStream()
                        .filter(campaign -> campaign.get("kind").asString().equals(zigbee))
                        .flatMap(campaign -> campaign.get("jobs").valueStream())
                        .filter(job -> job.get("job").asString().equals(house.job())))
                .singleElement()
                .satisfies(
                        behind -> assertThat(behind.get("running").has(running)).isTrue());
        person.post(job("/archived"), null).ok();
        assertThat(person.get("/api/v1/firmware/campaigns").ok().toString()).doesNotContain(house.job());
    }

    /** One renaming for the bench, the label and the device. */
    @Test
    void aDeviceIsRenamedWithItsModule() throws InterruptedException {
        unit("A", address());
        build(Map.of());
        String device = awaitIn(1).get("devices").get(0).get("id").asString();
        person.post("/api/v1/devices/" + device + "/set-up", Map.of()).ok();
        String before = network().get("devices").get(0).get("name").asString();
        person.put(job("/names"), Map.of("tokens", List.of("STOREY", "BOX"))).ok();
        person.post(job("/names/rename"), Map.of()).ok();
        String handle =
                person.get(job("/bench")).ok().get("units").get(0).get("handle").asString();
        assertThat(handle).isNotEqualTo(before);
        await(job("/join"), join -> join.get("networks")
                .get(0)
                .get("devices")
                .get(0)
                .get("name")
                .asString()
                .equals(handle));
    }

    @Test
    void aRenamedRoomRenamesDeviceHubRulesAndLabelTogether() throws InterruptedException {
        String room = house.room("Loft");
        String unit = unitOf(
                house.boxIn(room, "L", survey -> survey.get("loads")
                        .forEach(load -> load.asObject().put("typed", "LED 9").put("name", "Lamp"))),
                zigbee,
                address());
        build(Map.of());
        JsonNode device = awaitIn(1).get("devices").get(0);
        person.post("/api/v1/devices/" + device.get("id").asString() + "/set-up", Map.of())
                .ok();
        person.post(job("/rules"), Map.of("version", 0, "recipe", "SUN")).ok();
        assertThat(person.put("/api/v1/rooms/" + room, Map.of("was", "Attic", "name", "Study"))
                        .status())
                .isEqualTo(409);
        person.put("/api/v1/rooms/" + room, Map.of("was", "Loft", "name", "Study"))
                .ok();

        JsonNode plan = person.get(job("/names")).ok();
        assertThat(plan.get("renamings")).hasSize(1);
        assertThat(plan.get("renamings").get(0).toString()).contains("loft", "study");
        assertThat(plan.get("rules").toString()).contains("Study lamp").doesNotContain("Loft");
        person.post(job("/names/rename"), Map.of()).ok();
        await(job("/join"), join -> join.get("networks")
                .get(0)
                .get("devices")
                .get(0)
                .get("name")
                .asString()
                .contains("study"));
        JsonNode bench = person.get(job("/bench")).ok().get("units").get(0);
        assertThat(bench.get("id").asString()).isEqualTo(unit);
        assertThat(bench.get("display").asString()).startsWith("Study");
        assertThat(person.get(job("/names")).ok().get("renamings")).isEmpty();
    }

    /** The stair of the demo house lives on a feature; a module that has joined without it holds the plan back until it is updated. */
    @Test
    void aPlanIsHeldByWhatAModuleRuns() throws InterruptedException {
        String demo = person.demoJob();
        String box = person.demoBox("B-10");
        assertThat(person.get("/api/v1/boxes/" + box + "/plan").ok().toString()).doesNotContain("FIRMWARE_LACKS");
        keep("HV-1B", "1.0.0", List.of());
        JsonNode units = person.post(
                        "/api/v1/jobs/" + demo + "/bench", Map.of("moduleCode", "HV-1B", "serial", "JN-" + ++serials))
                .ok()
                .get("units");
        JsonNode unit = units.get(units.size() - 1);
        assertThat(unit.get("boxLabel").asString())
                .as("the module of B-10 sits at the lamp")
                .isEqualTo("B-13");
        person.put(
                        "/api/v1/bench/" + unit.get("id").asString() + "/address",
                        Map.of("version", unit.get("version").asLong(), "address", address()))
                .ok();
        person.post("/api/v1/jobs/" + demo + "/stand-in", Map.of("faults", Map.of()))
                .ok();
        person.post("/api/v1/jobs/" + demo + "/join/window", Map.of("protocol", "ZIGBEE", "seconds", 120))
                .ok();
        await("/api/v1/jobs/" + demo + "/join", join -> join.get("networks")
                .valueStream()
                .flatMap(network -> network.get("devices").valueStream())
                .anyMatch(device ->
                        device.path("unit").asString("").equals(unit.get("id").asString())));
        JsonNode plan = person.get("/api/v1/boxes/" + box + "/plan").ok();
        assertThat(plan.toString()).contains("FIRMWARE_LACKS", "1.0.0 installed");

        for (JsonNode each : person.get("/api/v1/jobs/" + demo + "/bench").ok().get("units")) {
            if (each.get("id").equals(unit.get("id"))) {
                person.post(
                                "/api/v1/bench/" + unit.get("id").asString() + "/put-aside",
                                Map.of("version", each.get("version").asLong()))
                        .ok();
            }
        }
        assertThat(person.get("/api/v1/boxes/" + box + "/plan").ok().toString())
                .as("another module will be updated first")
                .doesNotContain("FIRMWARE_LACKS");
    }

    private void keep(String kind, String version, List<String> features) {
        byte[] file = FirmwareFile.of(kind, version);
        person.post(
                        "/api/v1/firmware",
                        Map.of(
                                "kind",
                                kind,
                                "version",
                                version,
                                "sha256",
                                Release.sumOf(file),
                                "features",
                                features,
                                "notes",
                                "",
                                "file",
                                java.util.Base64.getEncoder().encodeToString(file)))
                .ok();
    }

    @Test
    void aWindowHasLimitsAndNothingIsAskedWhereNoNetworkIs() {
        unit("A", address());
        Person.Answer tooLong = person.post(job("/join/window"), Map.of("protocol", "ZIGBEE", "seconds", 255));
        assertThat(tooLong.status()).isEqualTo(422);
        assertThat(tooLong.pointer()).isEqualTo("/seconds");
        assertThat(person.post(job("/join/window"), Map.of("protocol", "ZIGBEE", "seconds", 120))
                        .status())
                .as("no network is connected")
                .isEqualTo(409);
    }

    @Test
    void whereTheRoomsAreDrawnTheyComeInFromNearToFar() {
        String near = house.room("Near");
        String middle = house.room("Middle");
        String far = house.room("Far");
        JsonNode kept = person.get(job("/settings")).ok();
        ObjectNode document = kept.get("document").deepCopy().asObject();
        ArrayNode rooms = document.putArray("rooms");
        for (Map.Entry<String, Integer> room :
                Map.of(near, 0, middle, 10, far, 20).entrySet()) {
            rooms.addObject()
                    .put("room", room.getKey())
                    .put("storey", 0)
                    .put("x", room.getValue())
                    .put("y", 0)
                    .put("width", 5)
                    .put("depth", 5)
                    .put("walls", "BRICK");
        }
        document.putArray("anchors")
                .addObject()
                .put("name", "coordinator")
                .put("protocol", "ZIGBEE")
                .put("room", near);
        person.put(job("/settings"), Map.of("version", kept.get("version").asLong(), "document", document))
                .ok();
        for (String room : List.of(far, near, middle)) {
            unitOf(house.boxIn(room, "in " + room, survey -> {}), zigbee, address());
        }
        List<String> places = new ArrayList<>();
        network().get("waiting").forEach(module -> {
            places.add(module.get("place").asString());
            assertThat(module.get("guide").get("shows").asString())
                    .as("what its indicator shows while it searches")
                    .isNotEmpty();
        });
        assertThat(places).hasSize(3);
        assertThat(places.get(0)).contains("Near");
        assertThat(places.get(1)).contains("Middle");
        assertThat(places.get(2)).contains("Far");
    }

    @Test
    void aMatterDeviceIsLetInByItsOwnCodeOnly() throws InterruptedException {
        String matter = "BR-1S";
        unitOf(house.box("without a code"), matter, "");
        build(Map.of());
        Map<String, Object> opening = Map.of("protocol", "WIFI", "seconds", 180);
        Person.Answer without = person.post(job("/join/window"), opening);
        assertThat(without.status()).isEqualTo(409);
        assertThat(without.body().toString()).contains("by their own codes only");
        String address = address();
        String unit = unitOf(house.box("with a code"), matter, address);
        String code = new MatterManualCode(7, 27_182_818 + ++serials, Optional.empty()).code();
        person.post("/api/v1/bench/" + unit + "/credentials", Map.of("kind", "MATTER_MANUAL_CODE", "text", code))
                .ok();
        build(Map.of());
        person.post(job("/join/window"), opening).ok();
        JsonNode in = awaitIn("WIFI", 1);
        List<String> shown = new ArrayList<>();
        person.get(job("/stand-in"))
                .ok()
                .get("modules")
                .forEach(module -> shown.add(module.get("shows").asString() + " "
                        + module.get("pattern").asString()));
        assertThat(shown.get(1)).as("in, and dark as its maker says").isEqualTo("JOINED dark");
        assertThat(in.get("devices").get(0).get("address").asString()).isEqualTo(address);
        assertThat(in.get("waiting")).hasSize(1);
    }

    private String begin(int stopAfter) {
        String version = "1.2." + ++versions;
        byte[] file = FirmwareFile.of(zigbee, version);
        Map<String, Object> release = Map.of(
                "kind",
                zigbee,
                "version",
                version,
                "sha256",
                Release.sumOf(file),
                "features",
                List.of(),
                "notes",
                "",
                "file",
                java.util.Base64.getEncoder().encodeToString(file));
        assertThat(person.post("/api/v1/firmware", with(release, "sha256", Release.sumOf(new byte[0])))
                        .pointer())
                .isEqualTo("/sha256");
        person.post("/api/v1/firmware", release).ok();
        person.post(job("/rollouts"), Map.of("batch", 2, "tries", 2, "stopAfter", stopAfter))
                .ok();
        return version;
    }

    private static Map<String, Object> with(Map<String, Object> body, String key, Object value) {
        Map<String, Object> changed = new java.util.HashMap<>(body);
        changed.put(key, value);
        return changed;
    }

    private static Predicate<JsonNode> is(String state) {
        return firmware ->
                firmware.get("rollouts").get(0).get("state").asString().equals(state);
    }

    @Test
    void aRollOutStopsAtAFailureGoesOnWhenSomebodyLookedAndListsWhatIsLeft() throws InterruptedException {
        // The first of its kind goes by its id; the faulty one is not the first.
        List<String> units = Stream.of(unit("A", address()), unit("B", address()), unit("C", address()))
                .sorted()
                .toList();
        build(Map.of(serialOf(units.get(2)), "TAKES_NOTHING"));
        awaitIn(3);
        String version = begin(1);
        JsonNode stopped =
                await(job("/firmware"), is("STOPPED")).get("rollouts").get(0);
        assertThat(person.post(job("/rollouts"), Map.of("batch", 2, "tries", 2, "stopAfter", 1))
                        .status())
                .as("one at a time")
                .isEqualTo(409);
        person.post("/api/v1/rollouts/" + stopped.get("id").asString() + "/go-on", Map.of())
                .ok();
        JsonNode done = await(job("/firmware"), firmware -> is("DONE").test(firmware))
                .get("rollouts")
                .get(0);
        assertThat(done.get("findings")).isNotEmpty().allSatisfy(finding -> assertThat(finding.get("remedies"))
                .isNotEmpty());
        assertThat(done.get("done").asInt() + done.get("findings").size()).isEqualTo(3);
        assertThat(done.get("log"))
                .anySatisfy(
                        line -> assertThat(line.get("words").asString()).contains("says " + version + ", was 1.0.0"));
        assertThat(network().get("devices"))
                .filteredOn(device -> device.get("firmware").asString().equals(version))
                .hasSize(done.get("done").asInt());
    }

    /** A lamp that is lit is not switched off by an update. */
    @Test
    void nothingIsUpdatedWhileItsLampIsLit() throws InterruptedException {
        unit("A", address());
        build(Map.of());
        String device = awaitIn(1).get("devices").get(0).get("id").asString();
        person.post("/api/v1/devices/" + device + "/switch", Map.of("channel", 1, "on", true))
                .ok();
        await(job("/stand-in"), house -> house.get("modules").get(0).get("lit").size() == 1);
        begin(1);
        JsonNode waiting = await(job("/firmware"), firmware -> firmware.get("rollouts")
                        .get(0)
                        .get("words")
                        .asString()
                        .contains("in use"))
                .get("rollouts")
                .get(0);
        assertThat(waiting.get("words").asString()).isEqualTo("waiting: Hall, A is in use");
        person.post("/api/v1/devices/" + device + "/switch", Map.of("channel", 1, "on", false))
                .ok();
        await(job("/firmware"), is("DONE"));
    }

    /** Somebody works on the circuit. */
    @Test
    void nothingIsUpdatedWhileItsCircuitIsIsolated() throws InterruptedException {
        unit("A", address());
        build(Map.of());
        awaitIn(1);
        String box = house.boxes().get(0);
        person.post(
                        "/api/v1/boxes/" + box + "/plan/issue",
                        Map.of("version", house.plan(box).get("version").asLong()))
                .ok();
        person.post("/api/v1/boxes/" + box + "/run-sheet", null).ok();
        for (String step : List.of("identify", "switch-off")) {
            List<String> confirmed = new ArrayList<>();
            for (JsonNode each : person.get("/api/v1/boxes/" + box + "/run-sheet")
                    .ok()
                    .get("sheet")
                    .get("steps")) {
                if (each.get("id").asString().equals(step)) {
                    each.get("confirms")
                            .forEach(confirm -> confirmed.add(confirm.get("id").asString()));
                }
            }
            person.post(
                            "/api/v1/boxes/" + box + "/run-sheet/entries",
                            Map.of("stepId", step, "confirmed", confirmed, "readings", Map.of(), "note", ""))
                    .ok();
        }
        begin(1);
        await(job("/firmware"), firmware -> firmware.get("rollouts")
                .get(0)
                .get("words")
                .asString()
                .equals("waiting: circuit 1 is isolated"));
    }
}
