package org.hiddenclerk.standins.wire;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuledHouse;

/** Topics of a house that runs: {@code root/device/outputs/output/state} and the like, by the names that its devices bear. */
public final class HouseTopics {
    private final String root;
    private final Map<DeviceId, String> handles;
    private final Map<String, HouseId> ids = new HashMap<>();

    /** @param handles names as levels of a topic, by device; no two alike, and none is "hub" */
    public HouseTopics(String root, RuledHouse house, Map<DeviceId, String> handles) {
        this.root = root;
        this.handles = Map.copyOf(handles);
        house.outputs().keySet().forEach(output -> ids.put(below(house.owner(output), "outputs", output), output));
        house.controls()
                .keySet()
                .forEach(control -> ids.put(below(house.owner(control), "controls", control), control));
        house.sensors().keySet().forEach(sensor -> ids.put(below(house.owner(sensor), "sensors", sensor), sensor));
    }

    public String root() {
        return root;
    }

    private String below(Device device, String kind, HouseId id) {
        return root + "/" + handles.get(device.id()) + "/" + kind + "/" + id.within();
    }

    public String about(Device device) {
        return root + "/" + handles.get(device.id()) + "/about";
    }

    public String presence(Device device) {
        return root + "/" + handles.get(device.id()) + "/presence";
    }

    public String hubPresence() {
        return root + "/hub/presence";
    }

    public String state(Device device, OutputId output) {
        return below(device, "outputs", output) + "/state";
    }

    public String order(Device device, OutputId output) {
        return below(device, "outputs", output) + "/order";
    }

    /** Where it is said why an order was not carried out. */
    public String refused(Device device, OutputId output) {
        return below(device, "outputs", output) + "/refused";
    }

    /** Every topic of a device on which something is told to whoever comes later. */
    public List<String> retained(Device device) {
        List<String> topics = new ArrayList<>(List.of(about(device), presence(device)));
        device.outputs().forEach(output -> topics.add(state(device, output.id())));
        device.sensors().forEach(sensor -> topics.add(reading(device, sensor.id())));
        return topics;
    }

    public String told(Device device, ControlId control) {
        return below(device, "controls", control) + "/told";
    }

    public String reading(Device device, SensorId sensor) {
        return below(device, "sensors", sensor) + "/reading";
    }

    /**
     * Filter for what is said of outputs ({@code state}, {@code order}), controls ({@code told}) or sensors ({@code
     * reading}) of every device.
     */
    public String every(String kind, String what) {
        return root + "/+/" + kind + "/+/" + what;
    }

    /** The output, control or sensor that a topic is about; empty for any other topic. */
    public Optional<HouseId> subject(String topic) {
        return Optional.ofNullable(ids.get(topic.substring(0, Math.max(0, topic.lastIndexOf('/')))));
    }
}
