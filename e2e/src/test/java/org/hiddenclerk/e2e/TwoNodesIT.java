package org.hiddenclerk.e2e;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ConcurrentLinkedQueue;
import java.util.stream.Collectors;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.SmallHouse;
import org.hiddenclerk.app.testing.TestDatabase;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Two nodes on one database and one broker, behind nginx as docs/operations.md sets it up; one of them dies. */
@Deep
class TwoNodesIT {

    private static final int DOOR = TestDatabase.freePort();
    private static final RunningClerk FIRST = RunningClerk.get();
    private static EmbeddedBroker broker;
    private static RunningClerk second;
    private static Process proxy;
    private Caller caller;

    @BeforeAll
    static void start() throws IOException {
        broker = new EmbeddedBroker(0);
        FIRST.kill();
        FIRST.start(node("one"));
        second = RunningClerk.another(node("two"));
        proxy = nginx();
        Awaitility.await("the door").atMost(Duration.ofSeconds(60)).until(TwoNodesIT::isOpen);
    }

    private static boolean isOpen() {
        try (Socket socket = new Socket(InetAddress.getLoopbackAddress(), DOOR)) {
            return socket.isConnected();
        } catch (IOException notYet) {
            return false;
        }
    }

    /** One of them may have died in the test before. */
    @BeforeEach
    void both() throws IOException, InterruptedException {
        if (!FIRST.isAlive()) {
            FIRST.start(node("one"));
        }
        if (!second.isAlive()) {
            second.start(node("two"));
        }
        caller = new Caller("http://127.0.0.1:" + DOOR);
        caller.logIn();
    }

    private static Map<String, String> node(String name) {
        Map<String, String> settings = new HashMap<>(RunningClerk.by(broker));
        settings.put("CLERK_NODE", name);
        settings.put("CLERK_FORWARDED", "native");
        return settings;
    }

    /** The published set-up, with the addresses of this run and without its certificates. */
    private static Process nginx() throws IOException {
        Path place = Files.createDirectories(Scratch.of("nginx"));
        String published = Files.readString(Path.of(System.getProperty("clerk.root", ".."), "docs", "nginx.conf"));
        String own = published
                .replace("127.0.0.1:8750", FIRST.address().substring("http://".length()))
                .replace("127.0.0.1:8751", second.address().substring("http://".length()))
                .replaceAll("(?m)^ *ssl_.*$", "")
                .replaceAll("listen 443 ssl;", "listen 127.0.0.1:" + DOOR + ";");
        Files.writeString(place.resolve("nginx.conf"), own);
        return new ProcessBuilder(
                        "nginx",
                        "-p",
                        place.toString(),
                        "-c",
                        "nginx.conf",
                        "-e",
                        "error.log",
                        "-g",
                        "daemon off; pid nginx.pid; error_log error.log;")
                .redirectErrorStream(true)
                .redirectOutput(place.resolve("out.log").toFile())
                .start();
    }

    @AfterAll
    static void stop() throws Exception {
        proxy.destroy();
        proxy.waitFor();
        second.kill();
        FIRST.kill();
        FIRST.start();
        broker.close();
    }

    private String answering() {
        return caller.ask("GET", "/api/v1/about", null).get("node").asString();
    }

    @Test
    void aLoginOutlivesANodeAndBothHearOfALiveHouse() throws Exception {
        assertThat(java.util.stream.IntStream.range(0, 20)
                        .mapToObj(i -> answering())
                        .collect(Collectors.toSet()))
                .as("both nodes answer behind the proxy")
                .containsExactlyInAnyOrder("one", "two");
        SmallHouse house = new SmallHouse(caller);
        house.pick(house.box("TN-1"), "SK-1");
        String live = "/api/v1/jobs/" + house.job() + "/live";
        Caller one = caller.at(FIRST.address());
        Caller two = caller.at(second.address());
        one.ask("POST", live + "/start", null);
        Queue<String> here = new ConcurrentLinkedQueue<>();
        Queue<String> there = new ConcurrentLinkedQueue<>();
        one.listen(live + "/events", here::add);
        two.listen(live + "/events", there::add);
        await("the other node knows how the house is", () -> two.ask("GET", live, null)
                .hasNonNull("now"));
        String hand = one.ask("GET", live, null)
                .get("storeys")
                .get(0)
                .get("rooms")
                .get(0)
                .get("switches")
                .get(0)
                .get("id")
                .asString();
        here.clear();
        there.clear();
        two.ask("POST", live + "/deeds", Map.of("kind", "HAND", "at", hand, "doing", "FLIP"));
        await("a hand on one node is seen on both", () -> here.contains("happened") && there.contains("happened"));
        two.ask("DELETE", live, null);
        await("stopped from the node on which it did not run", () -> !one.ask("GET", live, null)
                .hasNonNull("now"));

        FIRST.kill();
        assertThat(java.util.stream.IntStream.range(0, 20)
                        .mapToObj(i -> answering())
                        .collect(Collectors.toSet()))
                .as("the same login, on the node that is left")
                .containsExactly("two");
    }

    @Test
    void aRollOutMovesToTheOtherNodeAndNoModuleIsDoneTwice() throws Exception {
        try (HouseOutside outer = new HouseOutside(caller, broker.broker(), "TWO-")) {
            outer.letIn();
            outer.begin();
            outer.await(rollout -> rollout.get("done").asInt() >= 1);
            String at = TestDatabase.get()
                    .one("SELECT locked_by FROM lease WHERE name LIKE 'rollout %' AND lock_until > UTC_TIMESTAMP(3)");
            (at.equals("one") ? FIRST : second).kill();
            JsonNode done =
                    outer.await(rollout -> rollout.get("state").asString().equals("DONE"));
            assertThat(done.get("findings")).isEmpty();
            outer.kinds().keySet().forEach(serial -> assertThat(outer.house().versionOf(serial))
                    .as(serial)
                    .isEqualTo(outer.version()));
            List<String> reported = List.of(TestDatabase.get()
                    .one("SELECT GROUP_CONCAT(device) FROM rollout_event WHERE kind = 'REPORTED' AND rollout_id = '"
                            + done.get("id").asString() + "'")
                    .split(","));
            assertThat(reported).hasSize(HouseOutside.MODULES).doesNotHaveDuplicates();
            if (!FIRST.isAlive()) {
                assertThat(answering()).isEqualTo("two");
            }
        }
    }

    private interface Check {
        boolean holds() throws Exception;
    }

    private static void await(String what, Check check) {
        Awaitility.await(what).atMost(Duration.ofSeconds(90)).until(check::holds);
    }
}
