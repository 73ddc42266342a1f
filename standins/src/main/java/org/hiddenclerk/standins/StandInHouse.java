package org.hiddenclerk.standins;

import java.time.Duration;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.NoSuchElementException;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.joining.GatewayEvent;
import org.hiddenclerk.core.joining.Settings;

/** A house of simulated modules, and the hands in it: they press buttons, flip switches and put covers on. */
public final class StandInHouse {
    private static final Duration TICK = Duration.ofSeconds(5);

    private final HouseClock clock;
    private final Map<Protocol, StandInNetwork> networks = new EnumMap<>(Protocol.class);

    public StandInHouse(HouseClock clock) {
        this.clock = clock;
        for (Protocol protocol : Protocol.values()) {
            networks.put(protocol, new StandInNetwork(protocol, clock));
        }
    }

    /** A module that somebody brings into the house; it searches from now on. */
    public void bring(
            String serial,
            String address,
            Protocol protocol,
            String kind,
            int channels,
            boolean passesOn,
            double metres,
            String code,
            String version,
            Set<Fault> faults) {
        StandInModule module = new StandInModule(new StandInModule.Spec(
                serial, address, protocol, kind, channels, passesOn, metres, code, version, faults));
        networks.get(protocol).add(module);
        module.searches(clock.millis());
    }

    /** A module that is in its network already. */
    public void isIn(String serial, String name, String version, String address) {
        StandInModule module = module(serial);
        module.comesIn(0);
        module.isCalled(name);
        module.startsWith(version, FirmwareFile.of(module.spec().kind(), version));
        if (!module.address().equals(address)) {
            throw new IllegalArgumentException(
                    serial + " has the address " + module.address() + ", not " + address + ".");
        }
    }

    public StandInNetwork network(Protocol protocol) {
        return networks.get(protocol);
    }

    public boolean knows(String serial) {
        return networks.values().stream()
                .flatMap(network -> network.modules().stream())
                .anyMatch(m -> m.spec().serial().equals(serial));
    }

    /** Lets time go by, for clocks that do not do it themselves. */
    public void pass(Duration time) {
        for (long left = time.toMillis(); left > 0; left -= TICK.toMillis()) {
            clock.pass(Duration.ofMillis(Math.min(left, TICK.toMillis())));
            settle();
        }
    }

    /** Whatever is due happens. */
    public void settle() {
        networks.values().forEach(StandInNetwork::settle);
    }

    /** Somebody presses the button of a module until it searches. */
    public void press(String serial) {
        module(serial).searches(clock.millis());
    }

    /**
     * Somebody moves the wall switch at an input: the module reports it, and what the input commands changes. Where it is set to command
     * another device, that one does as far as it is reached; else its own channel of that number.
     */
    public void flip(String serial, int input) {
        StandInModule module = module(serial);
        if (module.isJoined() && !module.has(Fault.SILENT)) {
            StandInNetwork network = networks.get(module.spec().protocol());
            network.tell(new GatewayEvent.Flipped(module.address(), input));
            Optional<Settings.Commanded> elsewhere = Optional.ofNullable(
                            module.settings().get(Settings.commands(input)))
                    .flatMap(Settings.Commanded::read);
            if (elsewhere.isPresent()) {
                network.command(elsewhere.get());
            } else if (input <= module.channels()) {
                network.turn(module, input, !module.isOn(input));
            }
        }
    }

    /** Somebody puts plate and cover on, or takes them off. */
    public void cover(String serial, boolean on) {
        module(serial).isCovered(on);
    }

    /** Channels that are on: what somebody sees who stands in front of the lamps. */
    public List<Integer> lit(String serial) {
        StandInModule module = module(serial);
        List<Integer> lit = new ArrayList<>();
        for (int channel = 1; channel <= module.channels(); channel++) {
            if (module.isOn(channel)) {
                lit.add(channel);
            }
        }
        return lit;
    }

    /** What the indicator of a module shows now. */
    public Shows shows(String serial) {
        StandInModule module = module(serial);
        if (module.transfer().isPresent()) {
            return Shows.UPDATING;
        } else if (module.isJoined()) {
            return Shows.JOINED;
        }
        return module.searchingSince().isPresent()
                        && clock.millis() <= module.searchingSince().getAsLong() + StandInNetwork.SEARCH.toMillis()
                ? Shows.SEARCHING
                : Shows.FAILED;
    }

    /** What a module runs, whether it is reached or not. */
    public String versionOf(String serial) {
        return module(serial).member(0).version();
    }

    public String sumOf(String serial) {
        return module(serial).member(0).sha256();
    }

    private StandInModule module(String serial) {
        return networks.values().stream()
                .flatMap(network -> network.modules().stream())
                .filter(m -> m.spec().serial().equals(serial))
                .findFirst()
                .orElseThrow(() -> new NoSuchElementException("No module of the house has the serial " + serial + "."));
    }

    /** Faults for a share of some modules, the same for the same seed. */
    public static Map<Integer, Fault> faults(int modules, double share, long seed) {
        Random random = new Random(seed);
        Map<Integer, Fault> faults = new java.util.TreeMap<>();
        Fault[] all = Fault.values();
        while (faults.size() < Math.round(modules * share)) {
            faults.putIfAbsent(random.nextInt(modules), all[faults.size() % all.length]);
        }
        return faults;
    }
}
