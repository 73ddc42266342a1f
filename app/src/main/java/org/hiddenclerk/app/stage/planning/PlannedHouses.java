package org.hiddenclerk.app.stage.planning;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.BiFunction;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.RoomRow;
import org.hiddenclerk.app.platform.nodes.HouseReadAnew;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.matching.module.InstalledFirmware;
import org.hiddenclerk.core.planned.PlannedDevices;
import org.hiddenclerk.core.planned.PlannedHouse;
import org.hiddenclerk.core.planned.PlannedRoom;
import org.hiddenclerk.core.planned.PlannedRuns;
import org.hiddenclerk.core.planned.PlannedWork;
import org.hiddenclerk.core.planned.Spot;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Reads houses as they are planned, for every stage after planning. */
@Component
public class PlannedHouses {
    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final Map<UUID, Cached> kept = new ConcurrentHashMap<>();

    PlannedHouses(Houses houses, Boxes boxes, Plans plans) {
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
    }

    @EventListener
    void forget(HouseReadAnew anew) {
        kept.remove(anew.job());
    }

    private record Cached(List<Object> key, Planned planned) {}

    /**
     * A house as it is planned.
     *
     * @param house   its modules and links
     * @param rooms   by box
     * @param devices its modules as rules know them
     * @param worksAt switches at the wall by the control that reads them
     * @param spots   switches and lamps, each once
     * @param metered what hangs on outputs whose module measures it
     */
    public record Planned(
            PlannedHouse house,
            Map<String, PlannedRoom> rooms,
            List<Device> devices,
            List<LivePlan.WatchedWiring> runs,
            Map<ControlId, List<SwitchId>> worksAt,
            List<Spot> spots,
            Map<OutputId, Watts> metered) {
        public Planned {
            rooms = Map.copyOf(rooms);
            devices = List.copyOf(devices);
            runs = List.copyOf(runs);
            worksAt = Map.copyOf(worksAt);
            spots = List.copyOf(spots);
            metered = Map.copyOf(metered);
        }
    }

    /** Made anew only when a box, a room, a module or what a module runs has changed. */
    @Transactional(readOnly = true)
    public Planned of(UUID job) {
        HouseContext context = houses.context(job);
        List<BoxRow> rows = boxes.ofJob(job);
        Map<UUID, RoomRow> rooms = houses.rooms(job).stream().collect(Collectors.toMap(RoomRow::id, room -> room));
        Plans.Circumstances circumstances = plans.circumstances(job);
        List<Boxes.Found> found =
                rows.stream().map(row -> boxes.found(row, job, context)).toList();
        List<Object> key = List.of(
                rows.stream().map(row -> row.id() + " " + row.version()).toList(),
                rooms.values().stream()
                        .map(room -> room.id() + room.name())
                        .sorted()
                        .toList(),
                circumstances.versions(),
                circumstances.installed(),
                found.stream().map(plans::modules).toList());
        Cached last = kept.get(job);
        if (last != null && last.key().equals(key)) {
            return last.planned();
        }
        BiFunction<String, ModuleModel, Set<String>> features =
                (box, model) -> features(circumstances, UUID.fromString(box), model);
        PlannedHouse house = PlannedHouse.of(works(found, circumstances), features);
        Map<String, PlannedRoom> roomOfBox = new LinkedHashMap<>();
        rows.forEach(row -> roomOfBox.put(
                row.id().toString(),
                new PlannedRoom(
                        row.roomId().toString(),
                        rooms.get(row.roomId()).name(),
                        rooms.get(row.roomId()).storey())));
        PlannedRuns runs = new PlannedRuns(house, roomOfBox);
        Planned planned = new Planned(
                house,
                roomOfBox,
                new PlannedDevices(roomOfBox, features).of(house),
                runs.runs(),
                PlannedRuns.worksAt(house),
                runs.spots(),
                PlannedDevices.metered(house));
        kept.put(job, new Cached(key, planned));
        return planned;
    }

    /** A plan holds the modules of every box of its run: one box stands for all that hang together, one with a module if there is any. */
    private List<PlannedWork> works(List<Boxes.Found> found, Plans.Circumstances circumstances) {
        Set<String> covered = new HashSet<>();
        return Stream.concat(
                        found.stream().filter(each -> !each.row().picks().isEmpty()),
                        found.stream().filter(each -> each.row().picks().isEmpty()))
                .filter(each -> !covered.contains(each.row().id().toString()))
                .map(each -> {
                    each.run().boxes().forEach(place -> covered.add(place.id()));
                    return plans.work(each, circumstances);
                })
                .toList();
    }

    private static Set<String> features(Plans.Circumstances circumstances, UUID box, ModuleModel model) {
        Optional<InstalledFirmware> installed = Optional.ofNullable(
                circumstances.installed().getOrDefault(box, Map.of()).get(model.code()));
        return installed
                .map(InstalledFirmware::features)
                .orElseGet(() -> model.sheet().firmware().isEmpty()
                        ? Set.of()
                        : model.sheet().firmware().get(0).features());
    }
}
