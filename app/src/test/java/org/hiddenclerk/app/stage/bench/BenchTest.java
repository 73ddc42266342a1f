package org.hiddenclerk.app.stage.bench;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** From goods-in to packed: steps, codes that are checked, sealed and shown on purpose, addresses and names. */
@WithDatabase
class BenchTest {
    /** ZI-6 and ZI-7 of the check values, with their checks. */
    private static final String CODE = "0011223344556677FC05";

    private static final String OTHER = "1122334455665A60";
    private static int serials;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate sql;

    @Value("${clerk.credential-keys}")
    private String keyFile;

    private Person person;
    private SmallHouse house;
    private String zigbee;

    @BeforeEach
    void open() {
        sql.update("DELETE FROM credential_showing");
        sql.update("DELETE FROM credential");
        person = new Person(mvc);
        house = new SmallHouse(person);
        zigbee = "";
        for (JsonNode item : person.get("/api/v1/stock").ok().get("modules")) {
            JsonNode document = item.get("document");
            boolean fits = document.get("protocol").asString().equals("ZIGBEE")
                    && document.get("purpose").asString().equals("LIGHTS")
                    && document.get("channels").size() == 1
                    && !item.get("retired").asBoolean();
            zigbee = zigbee.isEmpty() && fits ? document.get("code").asString() : zigbee;
        }
    }

    private JsonNode take(String module) {
        JsonNode units = person.post(
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", module, "serial", "SN-" + ++serials))
                .ok()
                .get("units");
        return units.get(units.size() - 1);
    }

    private Person.Answer mark(JsonNode unit, String step, String outcome, String note) {
        long version = unit(unit).get("version").asLong();
        return person.post(
                "/api/v1/bench/" + unit.get("id").asString() + "/marks",
                Map.of("version", version, "step", step, "outcome", outcome, "note", note));
    }

    private JsonNode unit(JsonNode unit) {
        for (JsonNode each :
                person.get("/api/v1/jobs/" + house.job() + "/bench").ok().get("units")) {
            if (each.get("id").equals(unit.get("id"))) {
                return each;
            }
        }
        throw new AssertionError("gone from the bench");
    }

    private Person.Answer keep(JsonNode unit, String text) {
        return person.post(
                "/api/v1/bench/" + unit.get("id").asString() + "/credentials",
                Map.of("kind", "ZIGBEE_INSTALL_CODE", "text", text));
    }

    /** A relay at the lamp and a sender behind the switch are two modules on the bench. */
    @Test
    void whatGoesWithAModuleWaitsToo() {
        String relay = "";
        String sender = "";
        for (JsonNode item : person.get("/api/v1/stock").ok().get("modules")) {
            JsonNode document = item.get("document");
            boolean inStock = !item.get("retired").asBoolean();
            relay = relay.isEmpty()
                            && inStock
                            && document.get("purpose").asString().equals("RECEIVER")
                    ? document.get("code").asString()
                    : relay;
            sender = sender.isEmpty()
                            && inStock
                            && document.get("purpose").asString().equals("SENDER")
                    ? document.get("code").asString()
                    : sender;
        }
        String box = house.box("A");
        person.put(
                        "/api/v1/boxes/" + box + "/plan",
                        Map.of(
                                "version",
                                house.plan(box).get("version").asLong(),
                                "picks",
                                List.of(Map.of(
                                        "moduleCode",
                                        relay,
                                        "gangs",
                                        List.of(1),
                                        "behaviours",
                                        Map.of(),
                                        "scheme",
                                        "SPLIT_PAIR",
                                        "companionCode",
                                        sender))))
                .ok();
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/bench").ok().get("waiting"))
                .extracting(waiting -> waiting.get("moduleCode").asString())
                .containsExactlyInAnyOrder(relay, sender);
        assertThat(take(sender).get("boxLabel").asString()).isEqualTo("A");
    }

    /** At the bench of a box a module is taken for that box, whichever came first in the house. */
    @Test
    void aModuleIsTakenForTheBoxThatIsMeant() {
        house.pick(house.box("A"), zigbee);
        String second = house.box("B");
        house.pick(second, zigbee);
        JsonNode waiting = person.get("/api/v1/jobs/" + house.job() + "/bench")
                .ok()
                .get("waiting")
                .get(0);
        assertThat(waiting.get("count").asInt()).isEqualTo(2);
        assertThat(waiting.get("boxes"))
                .hasSize(2)
                .extracting(JsonNode::asString)
                .contains(second);

        JsonNode units = person.post(
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", zigbee, "serial", "SN-" + ++serials, "box", second))
                .ok()
                .get("units");
        assertThat(units.get(0).get("boxLabel").asString()).isEqualTo("B");
        JsonNode third = person.post(
                        "/api/v1/jobs/" + house.job() + "/bench",
                        Map.of("moduleCode", zigbee, "serial", "SN-" + ++serials, "box", second))
                .ok()
                .get("units");
        assertThat(third)
                .extracting(unit -> unit.get("boxLabel").asString())
                .as("its place is taken: the first of the house")
                .containsExactly("B", "A");
    }

    @Test
    void aModuleGoesThroughEveryStepForTheBoxThatWaits() {
        house.pick(house.box("A"), zigbee);
        JsonNode unit = take(zigbee);
        assertThat(unit.get("boxLabel").asString()).isEqualTo("A");
        assertThat(unit.get("display").asString()).startsWith("Hall ");
        assertThat(mark(unit, "INPUTS", "DONE", "").status())
                .as("without power")
                .isEqualTo(422);
        mark(unit, "POWER_UP", "DONE", "").ok();
        assertThat(mark(unit, "CREDENTIAL", "DONE", "").status())
                .as("without a code")
                .isEqualTo(422);
        keep(unit, CODE).ok();
        assertThat(mark(unit, "PACK", "DONE", "").status())
                .as("before the tests")
                .isEqualTo(422);
        mark(unit, "CHANNELS", "FAILED", "stays off").ok();
        assertThat(unit(unit).get("faulty").asBoolean()).isTrue();
        mark(unit, "UPDATE", "SKIPPED", "newest already").ok();
        for (String step : List.of("CREDENTIAL", "NAME", "LABEL", "SETTINGS", "INPUTS", "CHANNELS", "PACK")) {
            mark(unit, step, "DONE", "").ok();
        }
        assertThat(unit(unit).get("ready").asBoolean()).isTrue();
        assertThat(unit(unit).get("faulty").asBoolean()).isFalse();
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/bench").ok().get("waiting"))
                .isEmpty();
    }

    @Test
    void aFaultyModuleIsPutAsideAndItsBoxWaitsForAnother() {
        house.pick(house.box("A"), zigbee);
        JsonNode faulty = take(zigbee);
        mark(faulty, "POWER_UP", "FAILED", "stays dark").ok();

        JsonNode bench = person.post(
                        "/api/v1/bench/" + faulty.get("id").asString() + "/put-aside",
                        Map.of("version", unit(faulty).get("version").asLong()))
                .ok();

        assertThat(bench.get("waiting").get(0).get("moduleCode").asString()).isEqualTo(zigbee);
        assertThat(unit(faulty).hasNonNull("boxLabel")).isFalse();
        assertThat(take(zigbee).get("boxLabel").asString()).isEqualTo("A");
    }

    @Test
    void aPlanThatIsChangedWaitsForTheOtherModule() {
        String box = house.box("A");
        house.pick(box, zigbee);
        JsonNode first = take(zigbee);
        house.pick(box, "SK-1");

        assertThat(unit(first).hasNonNull("boxLabel")).isFalse();
        assertThat(take("SK-1").get("boxLabel").asString()).isEqualTo("A");
        assertThat(unit(first).hasNonNull("display"))
                .as("its name went with the box")
                .isFalse();
        mark(first, "POWER_UP", "DONE", "").ok();
        assertThat(mark(first, "NAME", "DONE", "").status()).isEqualTo(422);
    }

    @Test
    void twoPeopleOnOneModuleDoNotLoseAMark() {
        JsonNode unit = take(zigbee);
        long seen = unit.get("version").asLong();
        mark(unit, "POWER_UP", "DONE", "").ok();

        Person.Answer late = person.post(
                "/api/v1/bench/" + unit.get("id").asString() + "/marks",
                Map.of("version", seen, "step", "LABEL", "outcome", "DONE", "note", ""));

        assertThat(late.status()).isEqualTo(409);
        assertThat(unit(unit).get("steps").get(0).get("behind").asBoolean()).isTrue();
    }

    @Test
    void aWrongCodeIsRefusedWithItsRuleAndTheSlipThatExplainsIt() {
        JsonNode unit = take(zigbee);
        String wrong = CODE.replace("44", "45");
        JsonNode answer = person.post(
                        "/api/v1/compute/credential-check", Map.of("kind", "ZIGBEE_INSTALL_CODE", "text", wrong))
                .ok();

        assertThat(answer.get("good").asBoolean()).isFalse();
        assertThat(answer.get("rule").asString()).isEqualTo("CHECKSUM");
        assertThat(answer.get("slips").toString()).contains(CODE);
        assertThat(keep(unit, wrong).status()).isEqualTo(422);
        assertThat(unit(unit).get("codes")).isEmpty();
    }

    @Test
    void oneCodeSerialOrAddressInTwoPlacesIsRefused() {
        JsonNode first = take(zigbee);
        JsonNode second = take(zigbee);
        keep(first, CODE).ok();
        assertThat(keep(second, "0011-2233 4455-6677 fc05").status())
                .as("the same in another layout")
                .isEqualTo(422);
        keep(second, OTHER).ok();
        assertThat(person.post(
                                "/api/v1/jobs/" + house.job() + "/bench",
                                Map.of(
                                        "moduleCode",
                                        zigbee,
                                        "serial",
                                        first.get("serial").asString()))
                        .status())
                .isEqualTo(422);
        assertThat(address(first, "00:00:5e:ef:10:00:00:2a").status()).isEqualTo(200);
        assertThat(address(second, "00005EEF1000002A").status()).isEqualTo(422);
        assertThat(address(second, "FF:FF:FF:FF:FF:FF").status())
                .as("all devices")
                .isEqualTo(422);
        sql.update("UPDATE bench_unit SET address = NULL");
    }

    private Person.Answer address(JsonNode unit, String address) {
        return person.put(
                "/api/v1/bench/" + unit.get("id").asString() + "/address",
                Map.of("version", unit(unit).get("version").asLong(), "address", address));
    }

    @Test
    void aCodeLiesSealedAndIsShownOnPurposeOnly() throws Exception {
        JsonNode unit = take(zigbee);
        JsonNode code = keep(unit, CODE).ok();
        String id = unit(unit).get("codes").get(0).get("id").asString();
        assertThat(code.toString()).doesNotContain(CODE);
        assertThat(unit(unit).get("codes").get(0).get("masked").asString()).endsWith("FC05");
        assertThat(sql.queryForList("SELECT CONCAT(HEX(sealed), facts, masked) FROM credential", String.class))
                .hasSize(1)
                .noneMatch(row -> row.contains(CODE)
                        || row.contains(java.util.HexFormat.of().withUpperCase().formatHex(CODE.getBytes())));

        assertThat(person.post("/api/v1/credentials/" + id + "/showings", Map.of("why", ""))
                        .status())
                .as("without a purpose")
                .isEqualTo(422);
        assertThat(person.post("/api/v1/credentials/" + id + "/showings", Map.of("why", "joining again"))
                        .ok()
                        .get("text")
                        .asString())
                .isEqualTo(CODE);
        assertThat(person.get("/api/v1/credentials/" + id + "/showings").ok()).hasSize(1);
        assertThat(Files.getPosixFilePermissions(Path.of(keyFile))).hasSize(2);
    }

    @Test
    void aNewKeyWrapsEverythingAnew() {
        JsonNode unit = take(zigbee);
        keep(unit, CODE).ok();
        String id = unit(unit).get("codes").get(0).get("id").asString();
        String before = sql.queryForObject("SELECT CONCAT(key_no, ' ', HEX(data_key)) FROM credential", String.class);

        assertThat(Person.fitter(mvc)
                        .post("/api/v1/credentials/renew-key", Map.of())
                        .status())
                .isEqualTo(403);
        assertThat(person.post("/api/v1/credentials/renew-key", Map.of())
                        .ok()
                        .get("sealed")
                        .asInt())
                .isEqualTo(1);

        String after = sql.queryForObject("SELECT CONCAT(key_no, ' ', HEX(data_key)) FROM credential", String.class);
        assertThat(Integer.parseInt(after.split(" ")[0])).isGreaterThan(Integer.parseInt(before.split(" ")[0]));
        assertThat(after.split(" ")[1]).isNotEqualTo(before.split(" ")[1]);
        assertThat(person.post("/api/v1/credentials/" + id + "/showings", Map.of("why", "after the change"))
                        .ok()
                        .get("text")
                        .asString())
                .isEqualTo(CODE);
        assertThat(keep(take(zigbee), CODE).status())
                .as("still told to be the same")
                .isEqualTo(422);
    }

    @Test
    void whatWasChangedInTheDatabaseIsNotShown() {
        JsonNode unit = take(zigbee);
        keep(unit, CODE).ok();
        String id = unit(unit).get("codes").get(0).get("id").asString();
        sql.update("UPDATE credential SET kind = 'ZWAVE_KEY'");

        assertThat(person.post("/api/v1/credentials/" + id + "/showings", Map.of("why", "joining again"))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void anotherConventionRenamesTogetherAndNeverTwice() {
        house.pick(house.box("A"), zigbee);
        house.pick(house.box("B"), zigbee);
        take(zigbee);
        take(zigbee);
        JsonNode changed = person.put(
                        "/api/v1/jobs/" + house.job() + "/names", Map.of("tokens", List.of("BOX", "ROOM")))
                .ok();
        assertThat(changed.get("renamings")).hasSize(2);
        assertThat(changed.get("names").get(0).get("display").asString())
                .as("until renamed")
                .startsWith("Hall");

        JsonNode renamed = person.post("/api/v1/jobs/" + house.job() + "/names/rename", Map.of())
                .ok();

        assertThat(renamed.get("renamings")).isEmpty();
        assertThat(renamed.get("names").toString()).contains("\"A Hall\"", "\"b-hall\"");
        assertThat(person.put("/api/v1/jobs/" + house.job() + "/names", Map.of("tokens", List.of()))
                        .status())
                .isEqualTo(422);
    }

    /**
     * A switch that is called otherwise once left its module with the old name; what bears its label keeps it until
     * somebody renames it.
     */
    @Test
    void aSwitchThatIsCalledOtherwiseRenamesItsModuleUntilItHasItsLabel() {
        String box = house.box("A");
        house.pick(box, zigbee);
        JsonNode unit = take(zigbee);
        mark(unit, "POWER_UP", "DONE", "").ok();
        mark(unit, "NAME", "DONE", "").ok();
        String before = unit(unit).get("display").asString();

        rename(box, "porch");

        String after = unit(unit).get("display").asString();
        assertThat(after).isNotEqualTo(before).containsIgnoringCase("porch");
        assertThat(unit(unit).get("steps").valueStream().filter(step -> step.get("step")
                        .asString()
                        .equals("NAME")))
                .as("given to it under the old name, so that is to be done again")
                .singleElement()
                .satisfies(step -> assertThat(step.get("behind").asBoolean()).isFalse());

        mark(unit, "NAME", "DONE", "").ok();
        mark(unit, "LABEL", "DONE", "").ok();
        rename(box, "gate");
        assertThat(unit(unit).get("display").asString()).as("its label says so").isEqualTo(after);
        assertThat(person.get("/api/v1/jobs/" + house.job() + "/names").ok().get("renamings"))
                .as("waits to be renamed with all that speaks of it")
                .hasSize(1);
    }

    private void rename(String box, String name) {
        JsonNode view = person.get("/api/v1/boxes/" + box + "/survey").ok();
        ObjectNode survey = (ObjectNode) view.get("survey").deepCopy();
        survey.withArray("gangs").forEach(gang -> ((ObjectNode) gang).put("name", name));
        survey.withArray("loads").forEach(load -> ((ObjectNode) load).put("name", name));
        person.put(
                        "/api/v1/boxes/" + box + "/survey",
                        Map.of("version", view.get("version").asLong(), "survey", survey))
                .ok();
    }
}
