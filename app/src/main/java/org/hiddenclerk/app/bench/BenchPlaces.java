package org.hiddenclerk.app.bench;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.app.house.Houses;
import org.hiddenclerk.app.house.RoomRow;
import org.hiddenclerk.app.planning.Plans;
import org.hiddenclerk.app.stock.StockBook;
import org.hiddenclerk.app.survey.BoxRow;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.naming.Convention;
import org.hiddenclerk.core.wiring.HouseContext;
import org.springframework.stereotype.Component;

/** Places of a job that wait for a module: one for each module that is picked and for each that goes with it, in the order of the boxes. */
@Component
class BenchPlaces {
    private final Houses houses;
    private final Boxes boxes;
    /** Modules that go with picked ones are numbered from here on, box by box. */
    private static final int COMPANIONS = 101;

    private final StockBook stock;
    private final Plans plans;

    BenchPlaces(Houses houses, Boxes boxes, StockBook stock, Plans plans) {
        this.houses = houses;
        this.boxes = boxes;
        this.stock = stock;
        this.plans = plans;
    }

    /**
     * A place for a module.
     *
     * @param pick the module's number in the plan of the box
     */
    record ModulePlace(UUID box, int pick, String module, String label, Convention.Place named) {
        String id() {
            return idOf(box, pick);
        }

        /** Whether it waits for this module still: a plan may have been changed since. */
        boolean waitsFor(BenchUnitRow row) {
            return row.place().filter(id()::equals).isPresent() && module.equals(row.moduleCode());
        }
    }

    static String idOf(UUID box, int pick) {
        return box + "." + pick;
    }

    List<ModulePlace> of(UUID job) {
        HouseContext house = houses.context(job);
        Map<UUID, RoomRow> rooms = houses.rooms(job).stream().collect(Collectors.toMap(RoomRow::id, room -> room));
        List<ModulePlace> places = new ArrayList<>();
        for (BoxRow row : boxes.ofJob(job)) {
            Map<Integer, List<BoxRow.PickPart>> byModule = new LinkedHashMap<>();
            row.picks().forEach(part -> byModule.computeIfAbsent(part.module(), m -> new ArrayList<>()).add(part));
            if (!byModule.isEmpty()) {
                Box box = boxes.read(row, house);
                byModule.forEach((pick, parts) -> places.add(place(row, rooms.get(row.roomId()), box, pick, parts)));
            }
        }
        places.addAll(companions(job, house, rooms));
        return places;
    }

    /** Senders and the like, each in the box where the plan puts it. */
    private List<ModulePlace> companions(UUID job, HouseContext house, Map<UUID, RoomRow> rooms) {
        List<BoxRow> leads = boxes.ofJob(job).stream().filter(row -> row.picks().stream().anyMatch(part -> part.companionCode() != null)).toList();
        if (leads.isEmpty()) {
            return List.of();
        }
        Map<String, BoxRow> byId = boxes.ofJob(job).stream().collect(Collectors.toMap(row -> row.id().toString(), row -> row));
        Plans.Circumstances circumstances = plans.circumstances(job);
        Map<UUID, Integer> next = new LinkedHashMap<>();
        List<ModulePlace> places = new ArrayList<>();
        for (BoxRow lead : leads) {
            Set<String> codes = lead.picks().stream().map(BoxRow.PickPart::companionCode).filter(Objects::nonNull).collect(Collectors.toSet());
            plans.judge(boxes.found(lead, job, house), circumstances).plan().planned().stream().flatMap(wiring -> wiring.fitted().stream())
                    .filter(fitted -> codes.contains(fitted.model().code())).forEach(fitted -> {
                BoxRow at = byId.getOrDefault(fitted.place().id(), lead);
                int pick = next.merge(at.id(), 1, Integer::sum) + COMPANIONS - 1;
                RoomRow room = rooms.get(at.roomId());
                places.add(new ModulePlace(at.id(), pick, fitted.model().code(), at.label(), new Convention.Place(idOf(at.id(), pick), room.storey(), room.name(), at.label(),
                        fitted.model().purpose().label(), 0, fitted.model().purpose().name().toLowerCase(java.util.Locale.ROOT))));
            });
        }
        return places;
    }

    private ModulePlace place(BoxRow row, RoomRow room, Box box, int pick, List<BoxRow.PickPart> parts) {
        String code = parts.get(0).moduleCode();
        String what = parts.stream().flatMap(part -> loads(box, part)).map(SurveyedLoad::name).distinct().collect(Collectors.joining(", "));
        String kind = stock.catalogue().find(code).map(ModuleModel::purpose).map(p -> p.name().toLowerCase(java.util.Locale.ROOT)).orElse("");
        return new ModulePlace(row.id(), pick, code, row.label(), new Convention.Place(idOf(row.id(), pick), room.storey(), room.name(), row.label(),
                what, 0, kind));
    }

    private static Stream<SurveyedLoad> loads(Box box, BoxRow.PickPart part) {
        return part.loadNumber() != null ? Stream.of(box.load(part.loadNumber())) : box.loadsOf(part.gang()).stream();
    }
}
