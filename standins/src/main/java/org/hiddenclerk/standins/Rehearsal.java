package org.hiddenclerk.standins;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Rollout;
import org.hiddenclerk.core.firmware.Version;
import org.hiddenclerk.core.joining.Answer;
import org.hiddenclerk.core.joining.Gateway;
import org.hiddenclerk.core.joining.Order;
import org.hiddenclerk.core.joining.Updating;

/**
 * A roll-out in a stand-in house without anybody at work in it: modules are called lamp-N where their serial is SN,
 * and nothing is written down but here.
 */
public final class Rehearsal implements Updating.World {
    private final Map<String, String> addresses = new LinkedHashMap<>();
    private final List<Rollout.Event> events = new ArrayList<>();
    private final Function<Device, Gateway> gateways;

    public Rehearsal(Function<Device, Gateway> gateways) {
        this.gateways = gateways;
    }

    /** Where each module is reached, by serial. */
    public Map<String, String> addresses() {
        return addresses;
    }

    /** What happened so far. */
    public List<Rollout.Event> events() {
        return events;
    }

    public static String nameOf(String serial) {
        return "lamp-" + serial.substring(1);
    }

    public static Release release(String kind, String version) {
        return new Release(
                kind, Version.read(version).orElseThrow(), Release.sumOf(FirmwareFile.of(kind, version)), Set.of(), "");
    }

    @Override
    public Optional<Answer> ask(Device device, Order order) {
        return gateways.apply(device).ask(order);
    }

    @Override
    public String addressOf(Device device) {
        return addresses.get(device.id());
    }

    @Override
    public String nameOf(Device device) {
        return nameOf(device.id());
    }

    @Override
    public void moved(Device device, String address) {
        addresses.put(device.id(), address);
    }

    @Override
    public byte[] fileOf(Release release) {
        return FirmwareFile.of(release.kind(), release.version().toString());
    }

    @Override
    public Set<String> isolated() {
        return Set.of();
    }

    @Override
    public Set<String> inUse() {
        return Set.of();
    }

    @Override
    public void happened(Rollout.Event event) {
        events.add(event);
    }

    @Override
    public boolean isStopped() {
        return false;
    }
}
