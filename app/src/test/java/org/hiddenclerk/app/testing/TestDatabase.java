package org.hiddenclerk.app.testing;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;

/**
 * A throw-away MariaDB of this JVM. The script that runs it stops as soon as its standard input closes, so however the
 * JVM ends, the server ends too.
 */
public final class TestDatabase {
    private static final Duration SCRIPT_PATIENCE = Duration.ofMinutes(3);
    private static TestDatabase running;

    private final Process process;
    private final int port;

    private TestDatabase(Process process, int port) {
        this.process = process;
        this.port = port;
    }

    /** The server, started at the first call. */
    public static synchronized TestDatabase get() {
        if (running == null) {
            running = start();
        }
        return running;
    }

    static synchronized void stopIfRunning() {
        if (running != null) {
            try {
                running.process.getOutputStream().close();
                running.process.waitFor();
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
            running = null;
        }
    }

    private static TestDatabase start() {
        try {
            int port = freePort();
            Path root = root();
            Process process = new ProcessBuilder(
                            "bash",
                            root.resolve("scripts/db-ephemeral.sh").toString(),
                            root.resolve(".run/test-db-" + port).toString(),
                            String.valueOf(port))
                    .redirectError(ProcessBuilder.Redirect.INHERIT)
                    .start();
            BufferedReader output =
                    new BufferedReader(new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
            String line = output.readLine();
            if (!"READY".equals(line)) {
                throw new IllegalStateException("The test database did not start: " + line);
            }
            return new TestDatabase(process, port);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A port of the loopback that nobody uses now. */
    public static int freePort() {
        try (ServerSocket socket = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Root of the project, wherever the tests were started. */
    public static Path root() {
        Path at = Path.of("").toAbsolutePath();
        while (!Files.exists(at.resolve("scripts/db.sh"))) {
            at = at.getParent();
        }
        return at;
    }

    /** The first value that a query of a test's own gives. */
    public String one(String sql) {
        try (java.sql.Connection connection = java.sql.DriverManager.getConnection(url(), "clerk", "clerk-local-only");
                java.sql.Statement statement = connection.createStatement();
                java.sql.ResultSet rows = statement.executeQuery(sql)) {
            return rows.next() ? String.valueOf(rows.getString(1)) : "";
        } catch (java.sql.SQLException e) {
            throw new IllegalStateException(sql, e);
        }
    }

    /** What scripts/db.sh wants to know of it. */
    public Map<String, String> forScripts() {
        return Map.of("RUN_DIR", root().resolve(".run/test-db-" + port).toString(), "DB_PORT", String.valueOf(port));
    }

    /** What the database's owner gets for some SQL: rows by line, columns by tabulator. */
    public String asRoot(String sql) {
        return script("db_sql -Ne \"$1\"", sql);
    }

    /** Everything in it as text, binaries as hexadecimal. */
    public String dump() {
        return script("mariadb-dump --no-defaults --socket=\"$DB_SOCK\" -u \"$(id -un)\" --hex-blob clerk");
    }

    /** Kills the server at once, as a power cut would; {@link #startAgain} brings it back with everything in it. */
    public void kill() {
        script("db_kill");
    }

    public void startAgain() {
        script("DB_EXTRA='--innodb-use-native-aio=0' db_start");
    }

    /**
     * What a script says that has the functions of scripts/db.sh. Its output is a file: of a pipe a server that it
     * leaves behind would keep an end.
     * What it complains of is kept apart: a machine without the locale that is asked for complains at every start of a shell.
     */
    private String script(String text, String... arguments) {
        List<String> command = new ArrayList<>(List.of(
                "bash",
                "-c",
                ". \"$0\"; " + text,
                root().resolve("scripts/db.sh").toString()));
        command.addAll(List.of(arguments));
        try {
            Path said = Files.createTempFile("script", ".out");
            Path complained = Files.createTempFile("script", ".err");
            ProcessBuilder builder = new ProcessBuilder(command)
                    .redirectError(complained.toFile())
                    .redirectOutput(said.toFile());
            builder.environment().putAll(forScripts());
            Process process = builder.start();
            boolean ended = process.waitFor(SCRIPT_PATIENCE.toSeconds(), TimeUnit.SECONDS);
            String words = Files.readString(said);
            String complaints = Files.readString(complained);
            Files.delete(said);
            Files.delete(complained);
            if (!ended || process.exitValue() != 0) {
                process.destroyForcibly();
                throw new IllegalStateException(
                        text + (ended ? ": " : " did not end within " + SCRIPT_PATIENCE + ": ") + words + complaints);
            }
            return words;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    public String url() {
        return "jdbc:mariadb://127.0.0.1:" + port + "/clerk";
    }
}
