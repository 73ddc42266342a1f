package org.hiddenclerk.standins.wire;

import java.io.IOException;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.awaitility.Awaitility;

/** An independent broker, Debian's mosquitto, in a process of its own. */
final class Mosquitto implements AutoCloseable {
    private final Path dir;
    private final int port;
    private Process process;

    Mosquitto(Path dir) throws IOException, InterruptedException {
        this.dir = dir;
        try (ServerSocket socket = new ServerSocket(0)) {
            port = socket.getLocalPort();
        }
        process = start();
    }

    private Process start() throws IOException {
        Path settings = Files.writeString(
                dir.resolve("broker.conf"),
                "listener " + port
                        + " 127.0.0.1\nallow_anonymous true\npersistence false\nuser root\nmax_queued_messages 0\n");
        Process started = new ProcessBuilder("mosquitto", "-c", settings.toString())
                .redirectErrorStream(true)
                .redirectOutput(dir.resolve("log").toFile())
                .start();
        Awaitility.await("the broker").atMost(Duration.ofSeconds(30)).until(this::isThere);
        return started;
    }

    private boolean isThere() {
        try (Socket socket = new Socket("127.0.0.1", port)) {
            return socket.isConnected();
        } catch (IOException e) {
            return false;
        }
    }

    MqttLine.Broker broker() {
        return new MqttLine.Broker("tcp://127.0.0.1:" + port, "nobody", "none");
    }

    /** Ends it at once, as by kill -9. */
    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    void startAgain() throws IOException, InterruptedException {
        process = start();
    }

    @Override
    public void close() {
        process.destroyForcibly();
    }
}
