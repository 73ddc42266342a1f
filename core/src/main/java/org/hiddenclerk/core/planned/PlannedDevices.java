package org.hiddenclerk.core.planned;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.rules.Device;

/**
 * The modules of a planned house as devices that rules can speak of: outputs by what hangs on them, controls by the
 * switches that their inputs
 * read.
 */
public final class PlannedDevices {
    private final Map<String, PlannedRoom> rooms;
    private final BiFunction<String, ModuleModel, Set<String>> features;

    /**
     * @param rooms    by box
     * @param features of the firmware of a module that belongs to the picks of a box
     */
    public PlannedDevices(Map<String, PlannedRoom> rooms, BiFunction<String, ModuleModel, Set<String>> features) {
        this.rooms = rooms;
        this.features = features;
    }

    /** Every module whose plan is drawn, in the order of the works; names are unique. */
    public List<Device> of(PlannedHouse house) {
        return unique(house.drawn().stream().map(this::device).toList());
    }

    /** What hangs on outputs whose module measures it, by output. */
    public static Map<OutputId, Watts> metered(PlannedHouse house) {
        Map<OutputId, Watts> metered = new LinkedHashMap<>();
        house.drawn().stream().filter(module -> module.model().metering()).forEach(module -> module.outputs()
                .forEach(output -> metered.put(output.id().inHouse(), output.total())));
        return metered;
    }

    private Device device(PlannedModule module) {
        ModuleModel model = module.model();
        PlannedRoom room = rooms.get(module.box());
        List<Device.Output> outputs = new ArrayList<>();
        for (PlannedModule.Output output : module.outputs()) {
            List<SurveyedLoad> loads = output.surveyed();
            boolean secondDirection = isBlind(model) && !outputs.isEmpty();
            if (!loads.isEmpty() && !secondDirection) {
                String names = names(loads);
                Device.Drives drives = isBlind(model)
                        ? Device.Drives.BLIND
                        : drives(loads.get(0).banks().get(0).kind());
                outputs.add(new Device.Output(
                        output.id().inHouse(),
                        inRoom(room.name(), names),
                        drives,
                        declared(model),
                        model.sheet().dims()));
            }
        }
        List<Device.Control> controls = module.inputs().stream()
                .map(input -> control(
                        input,
                        isBlind(model)
                                ? outputs.stream().findFirst().map(Device.Output::id)
                                : input.commands()
                                        .map(PlannedId.Output::inHouse)
                                        .filter(output -> outputs.stream()
                                                .anyMatch(own -> own.id().equals(output))),
                        room))
                .toList();
        return new Device(
                module.id().inHouse(),
                room.name() + " " + model.code(),
                room.name(),
                model.protocol(),
                module.circuit(),
                PlannedHouse.direct(features.apply(module.id().box(), model)),
                outputs,
                controls,
                List.of());
    }

    /** A motor by its own name, for its two windings are one thing to whoever uses it; all else by what it is called. */
    private static String names(List<SurveyedLoad> loads) {
        return loads.stream()
                .map(load -> decapitalised(load.drive().map(Drive::motor).orElse(load.name())))
                .distinct()
                .collect(Collectors.joining(" and "));
    }

    /** The two directions of a blind are one output. */
    static boolean isBlind(ModuleModel model) {
        return model.behaviours().contains(InputBehaviour.UP_DOWN);
    }

    /** @param own output that it switches itself: what it commands elsewhere is a link, and both directions of a blind are one output */
    private static Device.Control control(PlannedModule.Input input, Optional<OutputId> own, PlannedRoom room) {
        Wall.Kind wall = input.wall().wall().kind();
        Device.Kind kind = wall == Wall.Kind.PUSH || wall == Wall.Kind.UP_DOWN ? Device.Kind.PUSH : Device.Kind.ROCKER;
        String gangs = input.wall().gangs().stream()
                .map(gang -> decapitalised(gang.words()))
                .distinct()
                .collect(Collectors.joining(" and "));
        return new Device.Control(
                input.id().inHouse(),
                room.name() + " switch (" + gangs + ")",
                kind,
                input.wall().input().behaviour(),
                own);
    }

    /** A room that ends as the name begins says it once: the passage bank of the glass passage. */
    static String inRoom(String room, String name) {
        String last = room.substring(room.lastIndexOf(' ') + 1).toLowerCase(Locale.ROOT) + " ";
        return room + " " + (name.startsWith(last) ? name.substring(last.length()) : name);
    }

    static String decapitalised(String name) {
        return name.isEmpty() || name.length() > 1 && Character.isUpperCase(name.charAt(1))
                ? name
                : name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    }

    static Device.Drives drives(LoadKind kind) {
        return switch (kind) {
            case MOTOR -> Device.Drives.FAN;
            case BLIND_MOTOR -> Device.Drives.BLIND;
            case HEATER -> Device.Drives.HEATER;
            case SOCKET -> Device.Drives.SOCKET;
            case DOOR_INPUT -> Device.Drives.GATE;
            case RESISTIVE, COIL -> Device.Drives.OTHER;
            case INCANDESCENT,
                    HALOGEN,
                    LED_LAMP,
                    LED_DRIVER,
                    FLUORESCENT,
                    ELECTRONIC_TRANSFORMER,
                    WIRE_WOUND_TRANSFORMER,
                    ELV_STRIP -> Device.Drives.LIGHT;
        };
    }

    /** What a hub takes it for as it comes: a relay is none of these. */
    private static Device.Drives declared(ModuleModel model) {
        return switch (model.sheet().defaultFunction().orElse("")) {
            case "dimmer" -> Device.Drives.LIGHT;
            case "blind controller" -> Device.Drives.BLIND;
            default -> Device.Drives.OTHER;
        };
    }

    /** Two of one name are told apart by a number. */
    private static List<Device> unique(List<Device> devices) {
        Map<String, Integer> seen = new LinkedHashMap<>();
        return devices.stream()
                .map(device -> new Device(
                        device.id(),
                        device.name(),
                        device.room(),
                        device.protocol(),
                        device.circuit(),
                        device.direct(),
                        device.outputs().stream()
                                .map(output -> new Device.Output(
                                        output.id(),
                                        numbered(output.name(), seen),
                                        output.drives(),
                                        output.declared(),
                                        output.dims()))
                                .toList(),
                        device.controls().stream()
                                .map(control -> new Device.Control(
                                        control.id(),
                                        numbered(control.name(), seen),
                                        control.kind(),
                                        control.behaviour(),
                                        control.output()))
                                .toList(),
                        device.sensors()))
                .toList();
    }

    private static String numbered(String name, Map<String, Integer> seen) {
        int times = seen.merge(name, 1, Integer::sum);
        return times == 1 ? name : name + " " + times;
    }
}
