package org.hiddenclerk.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.HttpURLConnection;
import java.net.URI;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Duration;
import java.util.Map;
import org.awaitility.Awaitility;
import org.hiddenclerk.app.testing.TestDatabase;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.springframework.util.FileSystemUtils;

/** The real application from its jar, with the demo house, on a free port and a throw-away database. */
final class RunningClerk {
    private static final String JAVA =
            Path.of(System.getProperty("java.home"), "bin", "java").toString();
    private static final Duration PATIENCE = Duration.ofSeconds(180);
    /**
     * As the start command unpacks it; the first graceful stop leaves the archive behind, with which later starts
     * take a third of the time.
     */
    private static final Path UNPACKED = Path.of("target", "clerk").toAbsolutePath();

    private static final Path ARCHIVE = UNPACKED.resolve("classes.jsa");
    private static final Path ONE_AT_A_TIME = Path.of("target", "clerk.lock").toAbsolutePath();
    /** Port of a demo that runs already, for whoever writes a test: {@code -Dclerk.port=8790}. */
    private static final String RUNS_ALREADY = "clerk.port";

    private static RunningClerk running;

    private final int port;
    private Process process;

    private RunningClerk(int port) {
        this.port = port;
    }

    static synchronized RunningClerk get() {
        if (running == null && Integer.getInteger(RUNS_ALREADY) != null) {
            running = new RunningClerk(Integer.getInteger(RUNS_ALREADY));
        }
        if (running == null) {
            running = new RunningClerk(TestDatabase.freePort());
            running.prepare();
            running.start();
            Runtime.getRuntime().addShutdownHook(new Thread(running::kill));
        }
        return running;
    }

    /** Unpacks the application and makes the archive, once for all processes of tests. */
    @SuppressWarnings("try") // What is held is a door, and held until it closes.
    private void prepare() {
        try (FileChannel door = FileChannel.open(ONE_AT_A_TIME, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
                FileLock held = door.lock()) {
            unpack();
            if (!Files.exists(ARCHIVE)) {
                start();
                stop();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A node beside the one that everybody uses, on the same database; whoever starts it ends it. */
    static RunningClerk another(Map<String, String> more) {
        RunningClerk other = new RunningClerk(TestDatabase.freePort());
        other.start(more);
        return other;
    }

    /** Settings of a start that uses a broker outside. */
    static Map<String, String> by(EmbeddedBroker broker) {
        return Map.of(
                "CLERK_MQTT_URL",
                broker.broker().url(),
                "CLERK_MQTT_USER",
                broker.broker().user(),
                "CLERK_MQTT_PASSWORD",
                broker.broker().password());
    }

    /** Of the last start. */
    Path log() {
        return Scratch.of("clerk-" + port + ".log");
    }

    String address() {
        return "http://127.0.0.1:" + port;
    }

    void start() {
        start(Map.of());
    }

    /** @param more settings of this start alone */
    void start(Map<String, String> more) {
        // Short runs gain nothing from code that is compiled twice.
        ProcessBuilder builder = new ProcessBuilder(
                JAVA,
                "-Xmx512m",
                "-XX:+UseSerialGC",
                "-XX:TieredStopAtLevel=1",
                "-Xlog:cds=off",
                "-Xlog:cds+dynamic=off",
                (Files.exists(ARCHIVE) ? "-XX:SharedArchiveFile=" : "-XX:ArchiveClassesAtExit=") + ARCHIVE,
                "-jar",
                jar().toString());
        builder.environment()
                .putAll(Map.of(
                        "CLERK_DB_URL",
                        TestDatabase.get().url(),
                        "CLERK_PORT",
                        "" + port,
                        "CLERK_DEMO",
                        "true",
                        "CLERK_KEY_FILE",
                        Scratch.of("credential-keys").toString()));
        builder.environment().putAll(more);
        builder.redirectErrorStream(true).redirectOutput(log().toFile());
        try {
            process = builder.start();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        awaitAnswer();
    }

    private static Path packed() {
        return Path.of(System.getProperty("clerk.jar"));
    }

    private static Path jar() {
        return UNPACKED.resolve(packed().getFileName());
    }

    private static void unpack() throws IOException {
        if (Files.exists(jar())
                && Files.getLastModifiedTime(jar()).compareTo(Files.getLastModifiedTime(packed())) >= 0) {
            return;
        }
        FileSystemUtils.deleteRecursively(UNPACKED);
        Process extract = new ProcessBuilder(
                        JAVA,
                        "-Djarmode=tools",
                        "-jar",
                        packed().toString(),
                        "extract",
                        "--destination",
                        UNPACKED.toString())
                .redirectErrorStream(true)
                .redirectOutput(ProcessBuilder.Redirect.DISCARD)
                .start();
        try {
            if (extract.waitFor() != 0) {
                throw new IllegalStateException("The application could not be unpacked.");
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    boolean isAlive() {
        return process.isAlive();
    }

    /** Ends the application as the stop command does. */
    private void stop() {
        process.destroy();
        awaitEnd();
    }

    /** Ends the application at once, as a power cut would. */
    void kill() {
        process.destroyForcibly();
        awaitEnd();
    }

    private void awaitEnd() {
        try {
            process.waitFor();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private void awaitAnswer() {
        Awaitility.await("an answer of the application")
                .atMost(PATIENCE)
                .pollInterval(Duration.ofMillis(200))
                .until(() -> {
                    if (!process.isAlive()) {
                        throw new IllegalStateException("The application did not start; see " + log() + ".");
                    }
                    return answers();
                });
    }

    private boolean answers() {
        try {
            HttpURLConnection connection = (HttpURLConnection)
                    URI.create(address() + "/actuator/health").toURL().openConnection();
            connection.setConnectTimeout(1_000);
            connection.setReadTimeout(2_000);
            return connection.getResponseCode() == 200;
        } catch (IOException notYet) {
            return false;
        }
    }
}
