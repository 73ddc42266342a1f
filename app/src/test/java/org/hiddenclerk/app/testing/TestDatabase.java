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

/**
 * A throw-away MariaDB of this JVM. The script that runs it stops as soon as its standard input closes, so however the
 * JVM ends, the server ends too.
 */
public final class TestDatabase {
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
            Process process = new ProcessBuilder("bash", root.resolve("scripts/db-ephemeral.sh").toString(),
                    root.resolve(".run/test-db-" + port).toString(), String.valueOf(port))
                    .redirectError(ProcessBuilder.Redirect.INHERIT).start();
            BufferedReader output = new BufferedReader(
                    new InputStreamReader(process.getInputStream(), StandardCharsets.UTF_8));
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

    public String url() {
        return "jdbc:mariadb://127.0.0.1:" + port + "/clerk";
    }
}
