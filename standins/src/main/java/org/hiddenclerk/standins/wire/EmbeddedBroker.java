package org.hiddenclerk.standins.wire;

import io.moquette.broker.Server;
import io.moquette.broker.config.MemoryConfig;
import io.moquette.broker.security.IAuthorizatorPolicy;
import io.moquette.broker.subscriptions.Topic;
import io.moquette.interception.AbstractInterceptHandler;
import io.moquette.interception.messages.InterceptConnectionLostMessage;
import io.moquette.interception.messages.InterceptDisconnectMessage;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Properties;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * An MQTT 3.1.1 broker inside this process, on loopback. The application has an account that may do anything; whoever else comes in
 * may do what its own account says. Nothing is kept when it stops.
 */
public final class EmbeddedBroker implements AutoCloseable {
    private static final String USER = "clerk";

    private static final System.Logger LOG = System.getLogger(EmbeddedBroker.class.getName());

    private final Accounts others;
    private final MemoryConfig config;
    private Server server;
    private boolean closed;
    private final Map<String, String> userOfClient = new ConcurrentHashMap<>();
    private final String password;
    private final int port;

    /** @param wanted port; 0 takes one that is free */
    public EmbeddedBroker(int wanted) throws IOException {
        this(wanted, UUID.randomUUID().toString());
    }

    /** @param password of the account of the application; for brokers that come back */
    public EmbeddedBroker(int wanted, String password) throws IOException {
        this(wanted, password, Accounts.NONE);
    }

    /** @param others whoever may come in beside the application */
    public EmbeddedBroker(int wanted, String password, Accounts others) throws IOException {
        this.password = password;
        this.others = others;
        port = wanted == 0 ? free() : wanted;
        Properties settings = new Properties();
        settings.setProperty("host", "127.0.0.1");
        settings.setProperty("port", String.valueOf(port));
        settings.setProperty("allow_anonymous", "false");
        settings.setProperty("persistence_enabled", "false");
        settings.setProperty("telemetry_enabled", "false");
        // How a house of 300 boxes is, told in one message, takes some 100 kB.
        settings.setProperty("netty.mqtt.message_size", "1048576");
        settings.setProperty("session_queue_size", "65536");
        config = new MemoryConfig(settings);
        server = start();
    }

    private Server start() throws IOException {
        Server started = new Server();
        started.startServer(config, List.of(new Watch()), null, this::enters, new IAuthorizatorPolicy() {
            @Override
            public boolean canWrite(Topic topic, String user, String client) {
                return USER.equals(user) || others.mayWrite(user, topic.toString());
            }

            @Override
            public boolean canRead(Topic topic, String user, String client) {
                return USER.equals(user) || others.mayRead(user, topic.toString());
            }
        });
        return started;
    }

    /**
     * A session loop that failed serves nobody any more: in 0.17 it is enough that a client is pushed out by another one of its own
     * name while it acknowledges something. Everybody comes back by himself, and says again what is to be kept.
     */
    private synchronized void startAnew() {
        if (closed) {
            return;
        }
        LOG.log(System.Logger.Level.WARNING, "The broker inside is started anew.");
        server.stopServer();
        userOfClient.clear();
        try {
            server = start();
        } catch (IOException e) {
            LOG.log(System.Logger.Level.ERROR, "The broker inside does not start again.", e);
        }
    }

    /** Nobody takes the name of a client that somebody else is in by. */
    private boolean enters(String client, @Nullable String user, byte @Nullable [] secret) {
        if (user == null || secret == null) {
            return false;
        }
        String said = new String(secret, StandardCharsets.UTF_8);
        boolean taken = !user.equals(userOfClient.getOrDefault(client, user));
        boolean enters = !taken && (USER.equals(user) ? password.equals(said) : others.mayEnter(user, said));
        if (enters) {
            userOfClient.put(client, user);
        }
        return enters;
    }

    /** Forgets whoever leaves, and sees when the broker needs help. */
    private final class Watch extends AbstractInterceptHandler {
        @Override
        public String getID() {
            return "watch";
        }

        @Override
        public void onDisconnect(InterceptDisconnectMessage message) {
            userOfClient.remove(message.getClientID());
        }

        @Override
        public void onConnectionLost(InterceptConnectionLostMessage message) {
            userOfClient.remove(message.getClientID());
        }

        @Override
        public void onSessionLoopError(Throwable error) {
            LOG.log(System.Logger.Level.ERROR, "Something went wrong in the broker inside.", error);
            // Not on its own thread, which is to end.
            new Thread(EmbeddedBroker.this::startAnew, "broker starts anew").start();
        }
    }

    /** Ends every connection of a user. */
    public synchronized void sendOut(String user) {
        userOfClient.forEach((client, whose) -> {
            if (whose.equals(user)) {
                server.disconnectClient(client);
                userOfClient.remove(client);
            }
        });
    }

    /** Accounts beside that of the application. */
    public interface Accounts {
        boolean mayEnter(String user, String password);

        /** @param filter of a subscription */
        boolean mayRead(String user, String filter);

        boolean mayWrite(String user, String topic);

        /** Nobody else. */
        Accounts NONE = new Accounts() {
            @Override
            public boolean mayEnter(String user, String password) {
                return false;
            }

            @Override
            public boolean mayRead(String user, String filter) {
                return false;
            }

            @Override
            public boolean mayWrite(String user, String topic) {
                return false;
            }
        };
    }

    private static int free() throws IOException {
        try (java.net.ServerSocket socket =
                new java.net.ServerSocket(0, 1, java.net.InetAddress.getLoopbackAddress())) {
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
    public synchronized void close() {
        closed = true;
        server.stopServer();
    }
}
