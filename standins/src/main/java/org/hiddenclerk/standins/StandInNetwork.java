package org.hiddenclerk.standins;

import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Member;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.joining.Window;

/**
 * The modules of one protocol, and what stands between them and whoever asks: a coordinator with its mesh, a controller, a
 * commissioner, a broker. Silence is an empty answer.
 */
public final class StandInNetwork implements Gateway {
    /** How far a message goes from one module to the next, in metres with walls counted in. */
    private static final double MESH_REACH = 12;

    private static final double WIFI_REACH = 30;
    /** How long a module waits to be let in. */
    static final Duration SEARCH = Duration.ofSeconds(180);

    private static final Duration RESTART = Duration.ofSeconds(60);
    private static final Duration MESSAGE = Duration.ofMillis(40);

    private final Protocol protocol;
    private final HouseClock clock;
    private final List<StandInModule> modules = new CopyOnWriteArrayList<>();
    private final List<Consumer<GatewayEvent>> ears = new CopyOnWriteArrayList<>();
    private final Set<String> admitted = new HashSet<>();
    private final Commissioner commissioner = new Commissioner();
    private boolean anyone;
    private long opened;
    private long closes = -1;

    StandInNetwork(Protocol protocol, HouseClock clock) {
        this.protocol = protocol;
        this.clock = clock;
    }

    void add(StandInModule module) {
        modules.add(module);
    }

    List<StandInModule> modules() {
        return modules;
    }

    @Override
    public Protocol protocol() {
        return protocol;
    }

    @Override
    public void listen(Consumer<GatewayEvent> ear) {
        ears.add(ear);
    }

    void tell(GatewayEvent heard) {
        ears.forEach(ear -> ear.accept(heard));
    }

    @Override
    public synchronized Optional<Answer> ask(Order order) {
        settle();
        clock.pass(MESSAGE);
        if (order instanceof Order.OpenWindow open) {
            return Optional.of(open(open));
        }
        if (order instanceof Order.CloseWindow) {
            close();
            return Optional.of(new Answer.Done());
        }
        if (order instanceof Order.Inventory) {
            return Optional.of(new Answer.Members(modules.stream()
                    .filter(StandInModule::isJoined)
                    .map(this::member)
                    .toList()));
        }
        return modules.stream()
                .filter(m -> m.isJoined() && m.address().equals(addressOf(order)))
                .findFirst()
                .filter(module -> !module.has(Fault.SILENT))
                .flatMap(module -> ask(module, order));
    }

    private static String addressOf(Order order) {
        if (order instanceof Order.Look look) {
            return look.address();
        } else if (order instanceof Order.Switch turn) {
            return turn.address();
        } else if (order instanceof Order.Rename rename) {
            return rename.address();
        } else if (order instanceof Order.Write write) {
            return write.address();
        } else if (order instanceof Order.ReadSettings read) {
            return read.address();
        } else if (order instanceof Order.BeginFile begin) {
            return begin.address();
        } else if (order instanceof Order.FilePart part) {
            return part.address();
        } else if (order instanceof Order.EndFile end) {
            return end.address();
        }
        return ((Order.Forget) order).address();
    }

    private Answer open(Order.OpenWindow open) {
        Window limits = Window.of(protocol);
        if (!limits.takes(open.seconds())) {
            return new Answer.Refused(
                    "the network opens for " + limits.least() + " to " + limits.most() + " s, not " + open.seconds());
        }
        if (limits.byCodeOnly() && open.code().filter(commissioner::begins).isEmpty()) {
            return new Answer.Refused(
                    "its devices are let in one by one, each by its own manual or square code, and this is none");
        }
        if (!isOpen()) {
            opened = clock.millis();
            admitted.clear();
            anyone = false;
        }
        closes = clock.millis() + open.seconds() * 1000L;
        open.code().ifPresentOrElse(admitted::add, () -> anyone = true);
        tell(new GatewayEvent.WindowOpened(open.seconds()));
        return new Answer.Done();
    }

    private boolean isOpen() {
        return closes >= 0;
    }

    private void close() {
        if (isOpen()) {
            closes = -1;
            commissioner.ends().forEach((code, reason) -> tell(new GatewayEvent.TurnedAway(code, reason)));
            tell(new GatewayEvent.WindowClosed());
        }
    }

    /** Lets in whoever has waited long enough, and closes the window when its time is over. */
    synchronized void settle() {
        long now = clock.millis();
        for (StandInModule module : modules) {
            if (isOpen() && module.searchingSince().isPresent() && !module.isJoined()) {
                long since = module.searchingSince().getAsLong();
                long in = Math.max(since, opened) + clock.takes(Window.JOIN).toMillis();
                if (in <= now
                        && in <= closes
                        && in <= since + SEARCH.toMillis()
                        && nearest(module).isPresent()
                        && admits(module)) {
                    module.comesIn(hopsOver(module));
                    tell(new GatewayEvent.CameIn(member(module)));
                }
            }
        }
        if (isOpen() && now > closes) {
            close();
        }
    }

    private boolean admits(StandInModule module) {
        return Window.of(protocol).byCodeOnly()
                ? commissioner.admits(module)
                : !module.has(Fault.OTHER_CODE)
                        && (anyone || admitted.contains(module.spec().code()));
    }

    /** Metres to the nearest that it can reach: the gateway, or a module that is in already and passes messages on. */
    private OptionalDouble nearest(StandInModule module) {
        double reach = protocol.isMesh() ? MESH_REACH : WIFI_REACH;
        double metres = module.spec().metres();
        return java.util.stream.DoubleStream.concat(
                        java.util.stream.DoubleStream.of(metres),
                        passing(module).stream()
                                .mapToDouble(other -> Math.abs(other.spec().metres() - metres)))
                .filter(d -> d <= reach)
                .min();
    }

    private List<StandInModule> passing(StandInModule module) {
        // With as many hops there is one less that passes on.
        int most = protocol.hops().orElse(1) - 1;
        return modules.stream()
                .filter(other -> other != module
                        && other.isJoined()
                        && other.spec().passesOn()
                        && !other.has(Fault.SILENT)
                        && other.hops() < most)
                .toList();
    }

    private int hopsOver(StandInModule module) {
        return module.spec().metres() <= (protocol.isMesh() ? MESH_REACH : WIFI_REACH)
                ? 0
                : passing(module).stream()
                                .filter(other -> Math.abs(other.spec().metres()
                                                - module.spec().metres())
                                        <= MESH_REACH)
                                .mapToInt(StandInModule::hops)
                                .min()
                                .orElse(0)
                        + 1;
    }

    private Member member(StandInModule module) {
        return module.member(nearest(module).orElse(MESH_REACH));
    }

    private Optional<Answer> ask(StandInModule module, Order order) {
        if (order instanceof Order.Look) {
            return Optional.of(new Answer.Members(List.of(member(module))));
        } else if (order instanceof Order.Switch turn) {
            if (turn.channel() < 1 || turn.channel() > module.channels()) {
                return Optional.of(new Answer.Refused("it has " + module.channels() + " channels"));
            }
            // Two of one topic act as one.
            modules.stream()
                    .filter(m -> m == module
                            || protocol.goesOverBroker()
                                    && m.isJoined()
                                    && m.name().equals(module.name())
                                    && turn.channel() <= m.channels())
                    .forEach(m -> turn(m, turn.channel(), turn.on()));
        } else if (order instanceof Order.Rename rename) {
            module.isCalled(rename.name());
        } else if (order instanceof Order.Write write) {
            module.set(write.settings());
        } else if (order instanceof Order.ReadSettings) {
            return Optional.of(new Answer.Settings(module.settings()));
        } else if (order instanceof Order.BeginFile begin) {
            return Optional.of(begin(module, begin));
        } else if (order instanceof Order.FilePart part) {
            return take(module, part);
        } else if (order instanceof Order.EndFile) {
            return Optional.of(end(module));
        } else if (order instanceof Order.Forget) {
            module.isForgotten();
        }
        return Optional.of(new Answer.Done());
    }

    /** A device commands another of its network. */
    void command(Settings.Commanded commanded) {
        modules.stream()
                .filter(m -> m.isJoined()
                        && m.address().equals(commanded.address())
                        && !m.has(Fault.SILENT)
                        && commanded.channel() <= m.channels())
                .findFirst()
                .ifPresent(m -> turn(m, commanded.channel(), !m.isOn(commanded.channel())));
    }

    void turn(StandInModule module, int channel, boolean on) {
        module.turn(channel, on);
        tell(new GatewayEvent.Changed(module.address(), channel, on));
    }

    private static Answer begin(StandInModule module, Order.BeginFile begin) {
        if (module.has(Fault.TAKES_NOTHING)) {
            return new Answer.Refused("it has no room for a file");
        }
        module.receives(Optional.of(new StandInModule.Transfer(begin.sha256(), new byte[begin.bytes()], 0)));
        return new Answer.Done();
    }

    private static Optional<Answer> take(StandInModule module, Order.FilePart part) {
        Optional<StandInModule.Transfer> transfer = module.transfer();
        if (transfer.isEmpty()
                || transfer.get().taken() != part.offset()
                || part.offset() + part.part().length > transfer.get().octets().length) {
            return Optional.of(new Answer.Refused("this part was not waited for"));
        }
        if (part.offset() > 0 && module.hadOnce(Fault.BREAKS_OFF)) {
            module.receives(Optional.empty());
            return Optional.empty();
        }
        byte[] octets = Arrays.copyOf(transfer.get().octets(), transfer.get().octets().length);
        System.arraycopy(part.part(), 0, octets, part.offset(), part.part().length);
        if (module.hadOnce(Fault.CORRUPTS)) {
            octets[part.offset()] ^= 1;
        }
        module.receives(Optional.of(
                new StandInModule.Transfer(transfer.get().sha256(), octets, part.offset() + part.part().length)));
        return Optional.of(new Answer.Done());
    }

    private Answer end(StandInModule module) {
        Optional<StandInModule.Transfer> transfer = module.transfer();
        module.receives(Optional.empty());
        if (transfer.isEmpty() || transfer.get().taken() != transfer.get().octets().length) {
            return new Answer.Refused("the file is not complete");
        }
        if (!Release.sumOf(transfer.get().octets()).equals(transfer.get().sha256())) {
            return new Answer.Refused("the file came with another sum than it was sent with");
        }
        Optional<String> version =
                FirmwareFile.versionFor(module.spec().kind(), transfer.get().octets());
        if (version.isEmpty()) {
            return new Answer.Refused("the file is not for this kind of module");
        }
        clock.pass(RESTART);
        module.startsWith(version.get(), transfer.get().octets());
        return new Answer.Done();
    }

    /** Addresses of all that are in. */
    List<String> addresses() {
        List<String> addresses = new ArrayList<>();
        modules.stream().filter(StandInModule::isJoined).forEach(m -> addresses.add(m.address()));
        return addresses;
    }
}
