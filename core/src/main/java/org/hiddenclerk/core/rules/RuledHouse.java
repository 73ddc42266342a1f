package org.hiddenclerk.core.rules;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;

/** A house with its devices, links and rules; every id is known, see {@link #problems}. */
public final class RuledHouse {
    private final List<Device> devices;
    private final List<Link> links;
    private final List<Rule> rules;
    private final Map<OutputId, Device.Output> outputs = new LinkedHashMap<>();
    private final Map<ControlId, Device.Control> controls = new LinkedHashMap<>();
    private final Map<SensorId, Device.Sensor> sensors = new LinkedHashMap<>();
    private final Map<HouseId, Device> owners = new LinkedHashMap<>();

    public RuledHouse(List<Device> devices, List<Link> links, List<Rule> rules) {
        this.devices = List.copyOf(devices);
        this.links = List.copyOf(links);
        this.rules = List.copyOf(rules);
        for (Device device : devices) {
            device.outputs().forEach(output -> outputs.put(output.id(), output));
            device.controls().forEach(control -> controls.put(control.id(), control));
            device.sensors().forEach(sensor -> sensors.put(sensor.id(), sensor));
            Stream.of(
                            device.outputs().stream().map(Device.Output::id),
                            device.controls().stream().map(Device.Control::id),
                            device.sensors().stream().map(Device.Sensor::id))
                    .flatMap(ids -> ids)
                    .forEach(id -> owners.put(id, device));
        }
    }

    public List<Device> devices() {
        return devices;
    }

    public List<Link> links() {
        return links;
    }

    public List<Rule> rules() {
        return rules;
    }

    public Map<OutputId, Device.Output> outputs() {
        return outputs;
    }

    public Map<ControlId, Device.Control> controls() {
        return controls;
    }

    public Map<SensorId, Device.Sensor> sensors() {
        return sensors;
    }

    /** The device that an output, control or sensor belongs to. */
    public Device owner(HouseId id) {
        return Optional.ofNullable(owners.get(id))
                .orElseThrow(() -> new IllegalArgumentException("The id (" + id + ") must be one of the house."));
    }

    /** What a person calls an output, control or sensor. */
    public String nameOf(HouseId id) {
        if (outputs.containsKey(id)) {
            return outputs.get(id).name();
        }
        return controls.containsKey(id)
                ? controls.get(id).name()
                : sensors.containsKey(id) ? sensors.get(id).name() : id.text();
    }

    /** The device at which a trigger happens; none for a time, or for people. */
    Optional<Device> sourceOf(Trigger trigger) {
        return trigger.ids().stream().findFirst().map(this::owner);
    }

    /** The device that a rule runs in when it runs in one: where it is set going, or where it acts when a time does that. */
    public Optional<Device> holderOf(Rule rule) {
        Optional<Device> source = rule.triggers().stream()
                .flatMap(trigger -> sourceOf(trigger).stream())
                .findFirst();
        return source.or(() -> rule.deeds().stream()
                .flatMap(deed -> deed.action().outputs().stream())
                .map(this::owner)
                .findFirst());
    }

    /** Whether it is one of the lights that "all off" means. */
    boolean isLight(OutputId output) {
        return outputs.get(output).declared() == Device.Drives.LIGHT;
    }

    public RuledHouse withRules(List<Rule> other) {
        return new RuledHouse(devices, links, other);
    }

    RuledHouse withLinks(List<Link> other) {
        return new RuledHouse(devices, other, rules);
    }

    RuledHouse withDevices(List<Device> other) {
        return new RuledHouse(other, links, rules);
    }

    /** Something that cannot be, with a JSON pointer below the house. */
    public record Problem(String pointer, String found, String expected) {}

    /** Ids that are used twice or that nothing bears, and figures that cannot be. */
    public List<Problem> problems() {
        List<Problem> problems = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (int d = 0; d < devices.size(); d++) {
            Device device = devices.get(d);
            String at = "/devices/" + d;
            Stream.of(
                            Stream.of(device.id()),
                            device.outputs().stream().map(Device.Output::id),
                            device.controls().stream().map(Device.Control::id),
                            device.sensors().stream().map(Device.Sensor::id))
                    .flatMap(ids -> ids)
                    .map(HouseId::text)
                    .filter(id -> !seen.add(id))
                    .forEach(id -> problems.add(new Problem(at, id, "an id that nothing else of the house has")));
            device.controls().stream()
                    .flatMap(control -> control.output().stream())
                    .filter(output -> !outputs.containsKey(output))
                    .forEach(output ->
                            problems.add(new Problem(at + "/controls", output.text(), "an output of the house")));
        }
        for (int l = 0; l < links.size(); l++) {
            known(
                    problems,
                    "/links/" + l + "/control",
                    links.get(l).control(),
                    controls::containsKey,
                    "a control of the house");
            known(
                    problems,
                    "/links/" + l + "/output",
                    links.get(l).output(),
                    outputs::containsKey,
                    "an output of the house");
            Link link = links.get(l);
            if (Optional.ofNullable(controls.get(link.control()))
                    .flatMap(Device.Control::output)
                    .filter(link.output()::equals)
                    .isPresent()) {
                problems.add(new Problem(
                        "/links/" + l + "/output",
                        nameOf(link.output()),
                        "an output that the switch does not command by its own wires: it would change it twice"));
            }
        }
        for (int r = 0; r < rules.size(); r++) {
            new RuleReferences(this, rules.get(r), "/rules/" + r).addProblems(problems);
        }
        return problems;
    }

    static <T extends HouseId> void known(
            List<Problem> problems, String pointer, T id, Predicate<T> isKnown, String expected) {
        if (!isKnown.test(id)) {
            problems.add(new Problem(pointer, id.text(), expected));
        }
    }
}
