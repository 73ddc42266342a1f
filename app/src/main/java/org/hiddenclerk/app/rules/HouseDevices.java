package org.hiddenclerk.app.rules;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.hiddenclerk.app.house.Houses;
import org.hiddenclerk.app.house.RoomRow;
import org.hiddenclerk.app.planning.Plans;
import org.hiddenclerk.app.survey.BoxRow;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.catalogue.DataSheet.FirmwareLine;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.LoadKind;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.InstalledFirmware;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.Fitted;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.Run;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** The planned modules of a house as devices that rules can speak of: outputs by what hangs on them, controls by the switches that their inputs read. */
@Component
class HouseDevices {
    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final Map<UUID, Kept> kept = new ConcurrentHashMap<>();

    HouseDevices(Houses houses, Boxes boxes, Plans plans) {
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
    }

    private record Kept(List<Object> key, List<Device> devices) {
    }

    /** Drawn anew only when a box, a room, a module or what a module runs has changed. */
    @Transactional(readOnly = true)
    public List<Device> of(UUID job) {
        HouseContext house = houses.context(job);
        List<BoxRow> rows = boxes.ofJob(job);
        Map<UUID, RoomRow> rooms = houses.rooms(job).stream().collect(Collectors.toMap(RoomRow::id, room -> room));
        Plans.Circumstances circumstances = plans.circumstances(job);
        List<Boxes.Found> picked = rows.stream().filter(row -> !row.picks().isEmpty()).map(row -> boxes.found(row, job, house)).toList();
        List<Object> key = List.of(rows.stream().map(row -> row.id() + " " + row.version()).toList(), rooms.values().stream().map(room -> room.id() + room.name()).sorted().toList(),
                circumstances.versions(), circumstances.installed(), picked.stream().map(plans::modules).toList());
        Kept last = kept.get(job);
        if (last != null && last.key().equals(key)) {
            return last.devices();
        }
        List<Device> devices = new ArrayList<>();
        Map<UUID, BoxRow> byId = rows.stream().collect(Collectors.toMap(BoxRow::id, row -> row));
        picked.forEach(found -> devices.addAll(of(found, circumstances, byId, rooms)));
        kept.put(job, new Kept(key, unique(devices)));
        return kept.get(job).devices();
    }

    private List<Device> of(Boxes.Found found, Plans.Circumstances circumstances, Map<UUID, BoxRow> rows, Map<UUID, RoomRow> rooms) {
        WiringPlan plan = plans.judge(found, circumstances).plan();
        List<WallInput> inputs = WallInput.of(plan);
        List<Assignment> assignments = plans.assignments(found.row().id());
        List<Device> devices = new ArrayList<>();
        plan.planned().ifPresent(wiring -> {
            List<Assignment> left = new ArrayList<>(assignments);
            for (Fitted fitted : wiring.fitted()) {
                Optional<Assignment> own = left.stream().filter(a -> a.model().code().equals(fitted.model().code())).findFirst();
                own.ifPresent(left::remove);
                RoomRow room = rooms.get(Optional.ofNullable(rows.get(placeId(found, fitted.place()))).map(BoxRow::roomId).orElse(found.row().roomId()));
                devices.add(device(found, fitted, own, inputs, room, Optional.ofNullable(circumstances.installed().getOrDefault(found.row().id(), Map.of()).get(
                        fitted.model().code()))));
            }
        });
        return devices;
    }

    private static UUID placeId(Boxes.Found found, Run.Place place) {
        return place.id().isEmpty() ? found.row().id() : UUID.fromString(place.id());
    }

    private Device device(Boxes.Found found, Fitted fitted, Optional<Assignment> own, List<WallInput> inputs, RoomRow room, Optional<InstalledFirmware> installed) {
        String id = found.row().id() + "/K" + fitted.number();
        ModuleModel model = fitted.model();
        List<List<SurveyedLoad>> loads = own.map(assignment -> plans.loadsOf(found, assignment)).orElse(List.of());
        boolean blind = model.behaviours().contains(InputBehaviour.UP_DOWN);
        List<Device.Output> outputs = new ArrayList<>();
        for (int channel = 0; channel < loads.size() && !(blind && channel > 0); channel++) {
            if (!loads.get(channel).isEmpty()) {
                String names = loads.get(channel).stream().map(load -> decapitalised(load.name())).distinct().collect(Collectors.joining(" and "));
                Device.Drives drives = blind ? Device.Drives.BLIND : drives(loads.get(channel).get(0).banks().get(0).kind());
                outputs.add(new Device.Output(id + "/" + model.channels().get(channel).id(), inRoom(room.name(), names), drives, declared(model), model.sheet().dims()));
            }
        }
        List<Device.Control> controls = inputs.stream().filter(input -> input.fitted().number() == fitted.number()).map(input -> control(found, id, input, outputs, room)).toList();
        Optional<String> circuit = found.run().circuits().stream().map(found.house()::label).sorted().findFirst();
        return new Device(id, room.name() + " " + model.code(), room.name(), model.protocol(), circuit, direct(model, installed), outputs, controls, List.of());
    }

    private static Device.Control control(Boxes.Found found, String device, WallInput input, List<Device.Output> outputs, RoomRow room) {
        String target = input.input().target().map(part -> found.row().id() + "/" + part.value()).orElse(device);
        Optional<String> output = input.input().channel().map(channel -> target + "/" + channel).filter(o -> !target.equals(device) || outputs.stream()
                .anyMatch(own -> own.id().equals(o)));
        Device.Kind kind = input.wall().kind() == Wall.Kind.PUSH || input.wall().kind() == Wall.Kind.UP_DOWN ? Device.Kind.PUSH : Device.Kind.ROCKER;
        String gangs = input.gangs().stream().map(gang -> decapitalised(gang.words())).distinct().collect(Collectors.joining(" and "));
        return new Device.Control(device + "/in" + input.input().id(), room.name() + " switch (" + gangs + ")", kind, input.input().behaviour(), output);
    }

    /** A room that ends as the name begins says it once: the passage bank of the glass passage. */
    private static String inRoom(String room, String name) {
        String last = room.substring(room.lastIndexOf(' ') + 1).toLowerCase(Locale.ROOT) + " ";
        return room + " " + (name.startsWith(last) ? name.substring(last.length()) : name);
    }

    private static String decapitalised(String name) {
        return name.isEmpty() || name.length() > 1 && Character.isUpperCase(name.charAt(1)) ? name : name.substring(0, 1).toLowerCase(Locale.ROOT) + name.substring(1);
    }

    private static Device.Drives drives(LoadKind kind) {
        return switch (kind) {
            case MOTOR -> Device.Drives.FAN;
            case BLIND_MOTOR -> Device.Drives.BLIND;
            case HEATER -> Device.Drives.HEATER;
            case SOCKET -> Device.Drives.SOCKET;
            case DOOR_INPUT -> Device.Drives.GATE;
            case RESISTIVE, COIL -> Device.Drives.OTHER;
            case INCANDESCENT, HALOGEN, LED_LAMP, LED_DRIVER, FLUORESCENT, ELECTRONIC_TRANSFORMER, WIRE_WOUND_TRANSFORMER, ELV_STRIP -> Device.Drives.LIGHT;
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

    private static Set<Link.Way> direct(ModuleModel model, Optional<InstalledFirmware> installed) {
        Set<String> features = installed.map(InstalledFirmware::features).orElseGet(() -> model.sheet().firmware().isEmpty() ? Set.of() : model.sheet().firmware().get(0).features());
        Set<Link.Way> ways = EnumSet.noneOf(Link.Way.class);
        if (features.contains(FirmwareLine.LOCAL_GROUP)) {
            ways.add(Link.Way.LOCAL_GROUP);
        }
        if (features.contains(FirmwareLine.DIRECT_BINDING)) {
            ways.add(Link.Way.DIRECT_BINDING);
        }
        return ways;
    }

    /** Two of one name are told apart by a number. */
    private static List<Device> unique(List<Device> devices) {
        Map<String, Integer> seen = new LinkedHashMap<>();
        List<Device> unique = new ArrayList<>();
        Set<String> ids = new LinkedHashSet<>();
        for (Device device : devices) {
            if (!ids.add(device.id())) {
                continue;
            }
            unique.add(new Device(device.id(), device.name(), device.room(), device.protocol(), device.circuit(), device.direct(), device.outputs().stream().map(output ->
                    new Device.Output(output.id(), numbered(output.name(), seen), output.drives(), output.declared(), output.dims())).toList(), device.controls().stream()
                    .map(control -> new Device.Control(control.id(), numbered(control.name(), seen), control.kind(), control.behaviour(), control.output())).toList(),
                    device.sensors()));
        }
        return List.copyOf(unique);
    }

    private static String numbered(String name, Map<String, Integer> seen) {
        int times = seen.merge(name, 1, Integer::sum);
        return times == 1 ? name : name + " " + times;
    }
}
