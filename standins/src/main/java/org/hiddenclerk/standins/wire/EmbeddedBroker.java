package org.hiddenclerk.standins.wire;

import io.moquette.broker.Server;
import io.moquette.broker.config.MemoryConfig;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Properties;
import java.util.UUID;

/** An MQTT 3.1.1 broker inside this process, on loopback, with one account. Nothing is kept when it stops. */
public final class EmbeddedBroker implements AutoCloseable {
    private static final String USER = "clerk";

    private final Server server = new Server();
    private final String password;
    private final int port;

    /** @param wanted port; 0 takes one that is free */
    public EmbeddedBroker(int wanted) throws IOException {
        this(wanted, UUID.randomUUID().toString());
    }

    /** @param password of the account; for brokers that come back */
    public EmbeddedBroker(int wanted, String password) throws IOException {
        this.password = password;
        port = wanted == 0 ? free() : wanted;
        Properties settings = new Properties();
        settings.setProperty("host", "127.0.0.1");
        settings.setProperty("port", String.valueOf(port));
        settings.setProperty("allow_anonymous", "false");
        settings.setProperty("persistence_enabled", "false");
        settings.setProperty("telemetry_enabled", "false");
        settings.setProperty("netty.mqtt.message_size", "65536");
        server.startServer(new MemoryConfig(settings), List.of(), null, (client, user, secret) -> USER.equals(user)
                && password.equals(new String(secret, StandardCharsets.UTF_8)), null);
    }

    private static int free() throws IOException {
        try (java.net.ServerSocket socket = new java.net.ServerSocket(0, 1, java.net.InetAddress.getLoopbackAddress())) {
            return socket.getLocalPort();
        }
    }

    public MqttLine.Broker broker() {
        return new MqttLine.Broker("tcp://127.0.0.1:" + port, USER, password);
    }

    public int port() {
        return port;
    }

    @Override
    public void close() {
        server.stopServer();
    }
}
