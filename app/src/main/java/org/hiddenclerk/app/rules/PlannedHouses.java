package org.hiddenclerk.app.rules;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
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
import java.util.stream.IntStream;
import org.hiddenclerk.app.house.HouseReadAnew;
import org.hiddenclerk.app.house.Houses;
import org.hiddenclerk.app.house.RoomRow;
import org.hiddenclerk.app.planning.Plans;
import org.hiddenclerk.app.survey.BoxRow;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Wall;
import org.hiddenclerk.core.catalogue.DataSheet.FirmwareLine;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.Channel;
import org.hiddenclerk.core.electrical.Installation;
import org.hiddenclerk.core.electrical.LoadKind;
import org.hiddenclerk.core.electrical.Part;
import org.hiddenclerk.core.electrical.PartId;
import org.hiddenclerk.core.electrical.TruthTable;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.matching.InstalledFirmware;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.wiring.Fitted;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.Run;
import org.hiddenclerk.core.wiring.RunWiring;
import org.hiddenclerk.core.wiring.WallInput;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/**
 * The planned modules of a house as devices that rules can speak of (outputs by what hangs on them, controls by the switches that
 * their inputs read), with the wirings that they hang in.
 */
@Component
public class PlannedHouses {
    private static final int UUID_CHARACTERS = 36;

    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final Map<UUID, Kept> kept = new ConcurrentHashMap<>();

    PlannedHouses(Houses houses, Boxes boxes, Plans plans) {
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
    }

    @EventListener
    void forget(HouseReadAnew anew) {
        kept.remove(anew.job());
    }

    private record Kept(List<Object> key, Planned planned) {
    }

    /**
     * A house as it is planned.
     *
     * @param worksAt switches at the wall by the control that reads them
     * @param spots   switches and lamps, each once
     * @param metered what hangs on outputs whose module measures it
     */
    public record Planned(List<Device> devices, List<LivePlan.Run> runs, Map<String, List<String>> worksAt, List<Spot> spots, Map<String, Watts> metered) {
        public Planned {
            devices = List.copyOf(devices);
            runs = List.copyOf(runs);
            worksAt = Map.copyOf(worksAt);
            spots = List.copyOf(spots);
            metered = Map.copyOf(metered);
        }
    }

    /**
     * A switch or a lamp where it is.
     *
     * @param box    where it is, or where it is listed
     * @param drives what is switched there; empty for a switch
     * @param isPush whether it goes back by itself; lamps are none
     */
    public record Spot(String id, String name, UUID room, UUID box, Optional<Device.Drives> drives, boolean isPush) {
        public boolean isLamp() {
            return drives.isPresent();
        }
    }

    /** Drawn anew only when a box, a room, a module or what a module runs has changed. */
    @Transactional(readOnly = true)
    public Planned of(UUID job) {
        HouseContext house = houses.context(job);
        List<BoxRow> rows = boxes.ofJob(job);
        Map<UUID, RoomRow> rooms = houses.rooms(job).stream().collect(Collectors.toMap(RoomRow::id, room -> room));
        Plans.Circumstances circumstances = plans.circumstances(job);
        List<Boxes.Found> found = rows.stream().map(row -> boxes.found(row, job, house)).toList();
        List<Object> key = List.of(rows.stream().map(row -> row.id() + " " + row.version()).toList(), rooms.values().stream().map(room -> room.id() + room.name()).sorted().toList(),
                circumstances.versions(), circumstances.installed(), found.stream().map(plans::modules).toList());
        Kept last = kept.get(job);
        if (last != null && last.key().equals(key)) {
            return last.planned();
        }
        Map<UUID, BoxRow> byId = rows.stream().collect(Collectors.toMap(BoxRow::id, row -> row));
        Gathering gathering = new Gathering(circumstances, byId, rooms);
        // Boxes with a module first: what the others know of a lamp is how it was found.
        found.stream().filter(each -> !each.row().picks().isEmpty()).forEach(gathering::add);
        found.stream().filter(each -> each.row().picks().isEmpty()).forEach(gathering::add);
        kept.put(job, new Kept(key, gathering.planned()));
        return kept.get(job).planned();
    }

    /** Puts the plans of boxes together. */
    private final class Gathering {
        private final Plans.Circumstances circumstances;
        private final Map<UUID, BoxRow> rows;
        private final Map<UUID, RoomRow> rooms;
        private final List<Device> devices = new ArrayList<>();
        private final List<LivePlan.Run> runs = new ArrayList<>();
        private final Map<String, List<String>> worksAt = new LinkedHashMap<>();
        private final Map<String, Spot> spots = new LinkedHashMap<>();
        private final Map<String, Watts> metered = new LinkedHashMap<>();
        private final Set<UUID> covered = new HashSet<>();

        Gathering(Plans.Circumstances circumstances, Map<UUID, BoxRow> rows, Map<UUID, RoomRow> rooms) {
            this.circumstances = circumstances;
            this.rows = rows;
            this.rooms = rooms;
        }

        Planned planned() {
            return new Planned(unique(devices), runs, worksAt, List.copyOf(spots.values()), metered);
        }

        /** A plan holds the modules of every box of its run: one box stands for all that hang together. */
        void add(Boxes.Found found) {
            if (covered.contains(found.row().id())) {
                return;
            }
            found.run().places().forEach(place -> covered.add(placeId(found, place)));
            WiringPlan plan = plans.judge(found, circumstances).plan();
            Map<PartId, String> outputs = new LinkedHashMap<>();
            plan.planned().ifPresent(wiring -> {
                List<WallInput> inputs = WallInput.of(plan);
                Installation installation = new Installation(plan.wiring());
                for (Fitted fitted : wiring.fitted()) {
                    RoomRow room = rooms.get(Optional.ofNullable(rows.get(placeId(found, fitted.place()))).map(BoxRow::roomId).orElse(found.row().roomId()));
                    List<List<SurveyedLoad>> switched = switched(found, plan, fitted);
                    Device device = device(found, fitted, switched, inputs, room, circuit(found, installation, fitted), Optional.ofNullable(circumstances.installed().getOrDefault(
                            found.row().id(), Map.of()).get(fitted.model().code())));
                    devices.add(device);
                    lamps(plan, fitted, device, outputs);
                    if (fitted.model().metering()) {
                        IntStream.range(0, switched.size()).forEach(channel -> metered.put(device.id() + "/" + fitted.model().channels().get(channel).id(), switched.get(channel).stream()
                                .map(SurveyedLoad::total).reduce(Watts.ZERO, Watts::plus)));
                    }
                }
                inputs.forEach(input -> worksAt.put(found.row().id() + "/K" + input.fitted().number() + "/in" + input.input().id(), input.gangs().stream().map(gang ->
                        switchId(found, gang)).toList()));
            });
            run(found, plan, outputs);
        }

        /** Which output switches which lamp; the two directions of a blind are one output. */
        private void lamps(WiringPlan plan, Fitted fitted, Device device, Map<PartId, String> outputs) {
            for (Channel channel : fitted.model().channels()) {
                String output = device.id() + "/" + channel.id();
                device.outputs().stream().filter(each -> each.id().equals(output) || each.drives() == Device.Drives.BLIND).findFirst().ifPresent(each ->
                        plan.proof().truthTable().loadsOf(new PartId("K" + fitted.number()), channel.id()).forEach(load -> outputs.put(load, each.id())));
            }
        }

        private void run(Boxes.Found found, WiringPlan plan, Map<PartId, String> outputs) {
            Set<PartId> parts = plan.wiring().parts().stream().map(Part::id).collect(Collectors.toSet());
            Map<PartId, String> switches = new LinkedHashMap<>();
            found.run().gangs().stream().filter(gang -> parts.contains(RunWiring.switchOf(gang))).forEach(gang -> {
                String id = switchId(found, gang);
                switches.put(RunWiring.switchOf(gang), id);
                UUID box = placeId(found, gang.place());
                spots.putIfAbsent(id, new Spot(id, rooms.get(rows.get(box).roomId()).name() + ", " + decapitalised(gang.gang().name()), rows.get(box).roomId(), box, Optional.empty(),
                        gang.gang().mechanism().isPush()));
            });
            Map<PartId, LivePlan.Lamp> lamps = new LinkedHashMap<>();
            for (Run.LoadRef ref : found.run().loads()) {
                for (int bank = 0; bank < ref.load().banks().size(); bank++) {
                    PartId part = RunWiring.loadOf(ref, bank);
                    if (parts.contains(part)) {
                        UUID box = placeId(found, ref.place());
                        String id = box + "/X" + ref.number() + (bank == 0 ? "" : "." + (bank + 1));
                        lamps.put(part, new LivePlan.Lamp(id, Optional.ofNullable(outputs.get(part))));
                        RoomRow room = rooms.get(Optional.ofNullable(rows.get(box)).orElse(found.row()).roomId());
                        spots.putIfAbsent(id, new Spot(id, inRoom(room.name(), decapitalised(ref.load().name())), room.id(), box, Optional.of(drives(ref.load().banks().get(bank).kind())),
                                false));
                    }
                }
            }
            runs.add(new LivePlan.Run(found.row().id().toString(), plan.wiring(), switches, lamps, plain(plan, switches, lamps, outputs)));
        }
    }

    /** What the contacts of switches do by themselves: lamps that they change, and outputs whose module they feed. */
    private static Map<String, LivePlan.Plain> plain(WiringPlan plan, Map<PartId, String> switches, Map<PartId, LivePlan.Lamp> lamps, Map<PartId, String> outputs) {
        TruthTable table = plan.proof().truthTable();
        Map<String, Set<String>> changed = new LinkedHashMap<>();
        Map<String, Set<String>> fed = new LinkedHashMap<>();
        lamps.forEach((load, lamp) -> table.controlsOf(load).stream().filter(switches::containsKey).forEach(at -> changed.computeIfAbsent(switches.get(at), s -> new LinkedHashSet<>())
                .add(lamp.id())));
        plan.planned().ifPresent(wiring -> wiring.fitted().forEach(fitted -> {
            PartId module = new PartId("K" + fitted.number());
            List<PartId> through = table.suppliedThrough(module);
            fitted.model().channels().forEach(channel -> table.loadsOf(module, channel.id()).stream().filter(outputs::containsKey).forEach(load -> through.stream()
                    .filter(switches::containsKey).forEach(at -> fed.computeIfAbsent(switches.get(at), s -> new LinkedHashSet<>()).add(outputs.get(load)))));
        }));
        return switches.values().stream().distinct().collect(Collectors.toMap(id -> id, id -> new LivePlan.Plain(changed.getOrDefault(id, Set.of()), fed.getOrDefault(id, Set.of()))));
    }

    /** What hangs on each channel of a module, as the proof of the wiring shows it. */
    private static List<List<SurveyedLoad>> switched(Boxes.Found found, WiringPlan plan, Fitted fitted) {
        return fitted.model().channels().stream().map(channel -> {
            List<PartId> loads = plan.proof().truthTable().loadsOf(new PartId("K" + fitted.number()), channel.id());
            return found.run().loads().stream().filter(ref -> IntStream.range(0, ref.load().banks().size()).anyMatch(bank -> loads.contains(RunWiring.loadOf(ref, bank))))
                    .map(Run.LoadRef::load).toList();
        }).toList();
    }

    private static String switchId(Boxes.Found found, Run.GangRef gang) {
        return placeId(found, gang.place()) + "/S" + gang.number();
    }

    /** The circuit that a module lives on: without it the module has no supply. */
    private static Optional<String> circuit(Boxes.Found found, Installation installation, Fitted fitted) {
        PartId part = new PartId("K" + fitted.number());
        List<String> labels = found.run().circuits().stream().map(found.house()::label).sorted().toList();
        boolean lives = installation.at(Set.of(), Set.of(), Set.of()).modules().get(part).powered();
        return labels.stream().filter(label -> lives && !installation.at(Set.of(), Set.of(), Set.of(label)).modules().get(part).powered()).findFirst()
                .or(() -> labels.stream().findFirst());
    }

    private static UUID placeId(Boxes.Found found, Run.Place place) {
        return place.id().isEmpty() ? found.row().id() : UUID.fromString(place.id().substring(0, UUID_CHARACTERS));
    }

    private Device device(Boxes.Found found, Fitted fitted, List<List<SurveyedLoad>> loads, List<WallInput> inputs, RoomRow room, Optional<String> circuit,
                          Optional<InstalledFirmware> installed) {
        String id = found.row().id() + "/K" + fitted.number();
        ModuleModel model = fitted.model();
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
