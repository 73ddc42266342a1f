package org.hiddenclerk.core.rules;

import java.util.Optional;
import org.hiddenclerk.core.catalogue.Protocol;

/**
 * How long things take, in milliseconds; common practice, no source, and to be measured in the house.
 *
 * @param wire    debounce and relay of a switch that is wired to its module
 * @param group   from device to device over the Wi-Fi of the house
 * @param binding from device to device over a mesh
 * @param mesh    from a device to its coordinator, or back
 * @param wifi    from a device to the broker or hub over Wi-Fi, or back
 * @param broker  through the broker
 * @param hub     until the hub has decided
 * @param cloud   to a cloud and back, with what it decides
 */
public record Delays(int wire, int group, int binding, int mesh, int wifi, int broker, int hub, int cloud) {
    public static final Delays USUAL = new Delays(40, 60, 80, 60, 30, 10, 50, 800);

    public Delays {
        if (wire < 0 || group < 0 || binding < 0 || mesh < 0 || wifi < 0 || broker < 0 || hub < 0 || cloud < 0) {
            throw new IllegalArgumentException("Delays must not be below 0 ms.");
        }
    }

    /** Between a device and the hub, one way. */
    public int toHub(Protocol protocol) {
        return protocol.isMesh() ? mesh : wifi + (protocol.goesOverBroker() ? broker : 0);
    }

    /** From device to device without a hub: a command that only passes through a mesh, or the Wi-Fi of the house. */
    public int direct(Protocol from) {
        return from.isMesh() ? binding : group;
    }

    /** From what happened at a device to what a rule makes of an output. */
    int of(Rule.RunsOn on, Optional<Protocol> from, Protocol to) {
        return switch (on) {
            case DEVICE -> wire;
            case DEVICE_TO_DEVICE -> from.map(this::direct).orElse(binding);
            case HUB -> overHub(from, to);
            case CLOUD -> overHub(from, to) + cloud;
        };
    }

    int of(Link.Way way, Protocol from, Protocol to) {
        return switch (way) {
            case WIRE -> wire;
            case LOCAL_GROUP -> group;
            case DIRECT_BINDING -> binding;
            case HUB -> overHub(Optional.of(from), to);
            case CLOUD -> overHub(Optional.of(from), to) + cloud;
        };
    }

    private int overHub(Optional<Protocol> from, Protocol to) {
        return from.map(this::toHub).orElse(0) + hub + toHub(to);
    }
}
