package org.hiddenclerk.app.stage.joining;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.joining.JoinOrder;
import org.hiddenclerk.core.radio.RadioPlan;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Puts the modules of a house into the order in which they are let in, by the plan of its rooms. */
@Component
class Outwards {
    private final Houses houses;
    private final Boxes boxes;
    private final HouseSettings settings;

    Outwards(Houses houses, Boxes boxes, HouseSettings settings) {
        this.houses = houses;
        this.boxes = boxes;
        this.settings = settings;
    }

    /** Where nothing is drawn, those that pass messages on still come first. */
    @Transactional(readOnly = true)
    public List<Bench.Ready> order(UUID job, List<Bench.Ready> modules) {
        Map<UUID, UUID> rooms = boxes.ofJob(job).stream().collect(Collectors.toMap(BoxRow::id, BoxRow::roomId));
        RadioPlan radio =
                settings.house(job).document().radio(houses.context(job).region());
        Map<String, Bench.Ready> bySerial =
                modules.stream().collect(Collectors.toMap(Bench.Ready::serial, module -> module));
        return JoinOrder.of(modules.stream()
                        .map(module -> new JoinOrder.Waiting(
                                module.serial(),
                                module.model()
                                        .sheet()
                                        .meshRole()
                                        .filter(role -> role == DataSheet.MeshRole.PASSES_ON)
                                        .isPresent(),
                                module.box()
                                        .map(rooms::get)
                                        .map(room -> radio.metresToAnchor(
                                                        room.toString(),
                                                        module.model().protocol())
                                                .orElse(Double.MAX_VALUE))
                                        .orElse(Double.MAX_VALUE)))
                        .toList())
                .stream()
                .map(waiting -> bySerial.get(waiting.id()))
                .toList();
    }
}
