package org.hiddenclerk.app.stage.live;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.RoomRow;
import org.hiddenclerk.app.job.settings.HouseDocument;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.live.Parts;
import org.hiddenclerk.core.planned.Spot;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Reach.Part;

/** The plan of a house that runs: rooms with what is in them, parts that may fail, sensors and buttons. */
final class LiveViews {
    private LiveViews() {}

    /** A switch at the wall; what a hand does to it at first is {@code doing}. */
    record LiveSwitchView(String id, String name, Hand.Doing doing) {}

    /** A lamp, or whatever else is switched; {@code output} is left out where no module commands it. */
    record LiveLampView(String id, String name, Device.Drives drives, @MayBeAbsent String output) {}

    /** Place of a room in its storey, in metres. */
    record PlacedView(double x, double y, double width, double depth) {}

    record LiveRoomView(
            UUID id,
            String name,
            @MayBeAbsent PlacedView placed,
            List<LiveSwitchView> switches,
            List<LiveLampView> lamps) {}

    record LiveStoreyView(String name, List<LiveRoomView> rooms) {}

    record LivePartView(String key, String words, Part.Kind kind) {}

    record LiveSensorView(String id, String name, Device.Senses senses, String unit) {}

    record LiveButtonView(String id, String name) {}

    /** An output that can be ordered by remote. */
    record LiveOutputNameView(String id, String name, Device.Drives drives, boolean dims, String topic) {}

    /** Where outside clients find it. */
    record LiveBrokerView(String url, String root, boolean accountsHere) {}

    /** Everything that stays the same while a house runs. {@code now} is left out while it does not. */
    record LiveView(
            List<LiveStoreyView> storeys,
            List<LivePartView> parts,
            List<LiveSensorView> sensors,
            List<LiveButtonView> buttons,
            List<LiveOutputNameView> outputs,
            int devices,
            LiveBrokerView broker,
            @MayBeAbsent LiveNow now,
            List<LiveEvent> events) {}

    static List<LiveStoreyView> storeys(PlannedHouses.Planned planned, List<RoomRow> rooms, HouseDocument document) {
        Map<HouseId, OutputId> outputs = new LinkedHashMap<>();
        planned.runs().forEach(run -> run.lamps().values().forEach(lamp -> lamp.output()
                .ifPresent(output -> outputs.put(lamp.id(), output))));
        Map<UUID, PlacedView> placed = document.rooms().stream()
                .collect(Collectors.toMap(
                        HouseDocument.RoomEntry::room,
                        room -> new PlacedView(room.x(), room.y(), room.width(), room.depth())));
        Map<String, List<LiveRoomView>> storeys = new LinkedHashMap<>();
        for (RoomRow room : rooms) {
            List<Spot> here = planned.spots().stream()
                    .filter(spot -> spot.room().equals(room.id().toString()))
                    .toList();
            storeys.computeIfAbsent(room.storey(), s -> new ArrayList<>())
                    .add(new LiveRoomView(
                            room.id(),
                            room.name(),
                            placed.get(room.id()),
                            here.stream()
                                    .filter(spot -> !spot.isLamp())
                                    .map(spot -> new LiveSwitchView(
                                            spot.id(),
                                            withoutRoom(spot.name(), room.name()),
                                            spot.isPush() ? Hand.Doing.PRESS : Hand.Doing.FLIP))
                                    .toList(),
                            here.stream()
                                    .filter(Spot::isLamp)
                                    .map(spot -> new LiveLampView(
                                            spot.id(),
                                            withoutRoom(spot.name(), room.name()),
                                            spot.drives().orElseThrow(),
                                            Optional.ofNullable(outputs.get(
                                                            spot.at().inHouse()))
                                                    .map(OutputId::text)
                                                    .orElse(null)))
                                    .toList()));
        }
        return storeys.entrySet().stream()
                .map(storey -> new LiveStoreyView(storey.getKey(), storey.getValue()))
                .toList();
    }

    /** Within a room its name need not be said again. */
    private static String withoutRoom(String name, String room) {
        String rest = name.toLowerCase(Locale.ROOT).startsWith(room.toLowerCase(Locale.ROOT))
                ? name.substring(room.length()).replaceFirst("^[ ,]+", "")
                : name;
        return rest.isEmpty() ? name : rest;
    }

    static List<LivePartView> parts(LivePlan plan) {
        return Parts.of(plan.house()).stream()
                .map(part -> new LivePartView(Parts.keyOf(part), part.words(), part.kind()))
                .toList();
    }

    static List<LiveSensorView> sensors(LivePlan plan) {
        return plan.house().sensors().values().stream()
                .map(sensor -> new LiveSensorView(
                        sensor.id().text(),
                        sensor.name(),
                        sensor.senses(),
                        switch (sensor.senses()) {
                            case DOOR, MOTION -> "";
                            case BRIGHTNESS -> "lx";
                            case TEMPERATURE -> "°C";
                            case HUMIDITY -> "%";
                        }))
                .toList();
    }

    static List<LiveButtonView> buttons(LivePlan plan) {
        return plan.house().controls().values().stream()
                .filter(control -> control.kind() == Device.Kind.REMOTE_BUTTON)
                .map(control -> new LiveButtonView(control.id().text(), control.name()))
                .toList();
    }
}
