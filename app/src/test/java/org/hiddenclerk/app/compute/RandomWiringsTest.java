package org.hiddenclerk.app.compute;

import static org.assertj.core.api.Assertions.assertThat;

import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Random wirings, most of them senseless, through the web: an answer or a clear refusal, and soon. */
@WithDatabase
class RandomWiringsTest {
    /** 10 000 with {@code ./clerk test --deep}. */
    private static final int WIRINGS = Boolean.getBoolean("clerk.deep") ? 10_000 : 500;

    private static final long SEED = 20_261_125;
    /** In the thorough run each answer comes within a second; in the ordinary one, on a busy machine, none hangs. */
    private static final long SLOWEST_MS = WIRINGS > 5_000 ? 1_000 : 10_000;
    /** What others do on the machine is not counted. */
    private static final ThreadMXBean CPU = ManagementFactory.getThreadMXBean();

    private static final List<String> MECHANISMS = List.of(
            "ONE_WAY", "TWO_WAY", "INTERMEDIATE", "PUSH_MAKE", "PUSH_BREAK", "DOUBLE_POLE", "DIMMER", "FIXED_ON");
    private static final List<String> LINES = List.of("L1", "L2", "L3", "N", "N", "PE", "ELV+", "ELV-");
    private static final List<String> BEHAVIOURS =
            List.of("EVERY_FLIP", "POSITION_RULES", "PRESS_CHANGES", "UP_DOWN", "RUN_ON", "SHORT_LONG", "REPORT_ONLY");

    private final JsonMapper json = JsonMapper.builder().build();
    private final Random random = new Random(SEED);

    @Autowired
    private MockMvc mvc;

    @Test
    void noneFailsAndNoneIsSlow() {
        Person person = new Person(mvc);
        int answered = 0;
        int refused = 0;
        long slowest = 0;
        for (int i = 0; i < WIRINGS; i++) {
            String wiring = json.writeValueAsString(wiring());
            long began = CPU.getCurrentThreadCpuTime();
            Person.Answer answer = person.post("/api/v1/compute/wiring-check", wiring);
            long took = (CPU.getCurrentThreadCpuTime() - began) / 1_000_000;
            slowest = i < 100 ? slowest : Math.max(slowest, took);
            assertThat(answer.status()).as("wiring %d: %s", i, wiring).isIn(200, 400, 413, 422);
            if (answer.status() == 200) {
                answered++;
                assertThat(answer.body().get("verdict").asString()).isIn("OK", "HOLD", "STOP");
            } else {
                refused++;
                assertThat(answer.body().path("errors").path(0).path("expected").asString(""))
                        .as(wiring)
                        .isNotBlank();
            }
            assertThat(i < 100 || took < SLOWEST_MS)
                    .as("wiring %d took %d ms: %s", i, took, wiring)
                    .isTrue();
        }
        assertThat(slowest).as("%d answered, %d refused", answered, refused).isLessThan(SLOWEST_MS);
        assertThat(answered).isGreaterThan(WIRINGS / 4);
        assertThat(refused).isGreaterThan(WIRINGS / 20);
    }

    private ObjectNode wiring() {
        ObjectNode wiring = json.createObjectNode();
        wiring.put("format", "hidden-clerk/wiring").put("version", 1);
        wiring.putObject("supply")
                .put("nominalVolts", random.nextBoolean() ? 230 : 120)
                .put("frequencyHz", 50);
        ArrayNode parts = wiring.putArray("parts");
        int nodes = 2 + random.nextInt(14);
        int count = 1 + random.nextInt(28);
        int elements = 0;
        for (int i = 0; i < count; i++) {
            elements += addPart(parts, i, nodes, elements < 11);
        }
        ArrayNode intents = wiring.putArray("intent");
        if (random.nextInt(3) == 0) {
            ObjectNode intent = intents.addObject();
            intent.put("load", "X" + random.nextInt(count)).put("remote", random.nextBoolean());
            intent.putArray("controls").add("S" + random.nextInt(count));
        }
        if (random.nextInt(8) == 0) {
            spoil(wiring, parts);
        }
        return wiring;
    }

    /** Adds a part and tells how many things that move it brings. */
    private int addPart(ArrayNode parts, int number, int nodes, boolean mayMove) {
        ObjectNode part = parts.addObject();
        switch (random.nextInt(mayMove ? 8 : 6)) {
            case 0 -> {
                String line = LINES.get(random.nextInt(LINES.size()));
                part.put("id", "F" + number).put("kind", "supply").put("line", line);
                if (!line.equals("PE")) {
                    part.put("circuit", "C" + random.nextInt(3));
                }
                if (line.equals("ELV+")) {
                    part.put("volts", 24);
                }
                pins(part, nodes, "out");
            }
            case 1, 2 -> {
                part.put("id", "W" + number)
                        .put("kind", "conductor")
                        .put("cable", "c")
                        .put("core", "black")
                        .put("mm2", random.nextBoolean() ? 1.5 : 2.5);
                pins(part, nodes, "a", "b");
            }
            case 3 -> {
                part.put("id", "X" + number)
                        .put("kind", "load")
                        .put("load", random.nextBoolean() ? "LED_LAMP" : "MOTOR")
                        .put("watts", 1 + random.nextInt(4_000))
                        .put("powerFactor", 0.9);
                pins(part, nodes, "L", "N");
            }
            case 4 -> {
                part.put("id", "B" + number).put("kind", "bypass").put("watts", 20);
                pins(part, nodes, "a", "b");
            }
            case 5 -> {
                part.put("id", "P" + number).put("kind", "cap");
                pins(part, nodes, "end");
            }
            case 6 -> {
                String mechanism = MECHANISMS.get(random.nextInt(MECHANISMS.size()));
                part.put("id", "S" + number).put("kind", "switch").put("mechanism", mechanism);
                pins(
                        part,
                        nodes,
                        switch (mechanism) {
                            case "TWO_WAY" -> new String[] {"COM", "L1", "L2"};
                            case "INTERMEDIATE" -> new String[] {"A1", "A2", "B1", "B2"};
                            case "DOUBLE_POLE" -> new String[] {"L-IN", "L-OUT", "N-IN", "N-OUT"};
                            default -> new String[] {"COM", "L1"};
                        });
                return 1;
            }
            default -> {
                module(part, number, nodes);
                return 2;
            }
        }
        return 0;
    }

    private void module(ObjectNode part, int number, int nodes) {
        part.put("id", "K" + number).put("kind", "module");
        pins(part, nodes, "L", "N", "O1", "O2", "S1", "S2");
        ObjectNode module = part.putObject("module");
        ObjectNode supply = module.putObject("supply")
                .put("type", "LINE_NEUTRAL")
                .put("minVolts", 90)
                .put("maxVolts", 265)
                .put("watts", 1);
        supply.putArray("pins").add("L").add("N");
        ArrayNode channels = module.putArray("channels");
        ArrayNode inputs = module.putArray("inputs");
        for (int i = 1; i <= 2; i++) {
            ObjectNode channel =
                    channels.addObject().put("id", "" + i).put("from", "L").put("to", "O" + i);
            channel.putArray("ratings").addObject().put("load", "LED_LAMP").put("watts", 150);
            inputs.addObject()
                    .put("id", "" + i)
                    .put("pin", "S" + i)
                    .put("activeWith", "L")
                    .put("potential", random.nextInt(4) == 0 ? "ELV" : "MAINS")
                    .put("behaviour", BEHAVIOURS.get(random.nextInt(BEHAVIOURS.size())))
                    .put("channel", "" + i);
        }
        if (random.nextInt(4) == 0) {
            module.put("interlocked", true);
        }
    }

    private void pins(ObjectNode part, int nodes, String... names) {
        ObjectNode pins = part.putObject("pins");
        for (String name : names) {
            boolean used = names.length < 4 || random.nextInt(5) > 0;
            if (used) {
                pins.put(name, "n" + random.nextInt(nodes));
            }
        }
    }

    /** A slip of a hand that types. */
    private void spoil(ObjectNode wiring, ArrayNode parts) {
        List<Runnable> slips = new ArrayList<>(List.of(
                () -> wiring.put("version", 2),
                () -> wiring.put("format", "x"),
                () -> wiring.remove("supply"),
                () -> wiring.put("colour", 1),
                () -> ((ObjectNode) parts.get(0)).put("kind", "battery"),
                () -> ((ObjectNode) parts.get(0)).put("id", ""),
                () -> ((ObjectNode) parts.get(0)).put("watts", -1),
                () -> ((ObjectNode) parts.get(0)).remove("pins"),
                () -> parts.add("text"),
                () -> ((ObjectNode) wiring.get("supply")).put("nominalVolts", 1e300)));
        slips.get(random.nextInt(slips.size())).run();
    }
}
