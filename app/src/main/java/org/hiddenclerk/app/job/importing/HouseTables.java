package org.hiddenclerk.app.job.importing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.RoomRow;
import org.hiddenclerk.app.platform.csv.CsvFile;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.SurveyDocument;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Circuits and boxes as tables (RFC 4180), with the columns that {@link HouseImport} takes. Cables are not in them. */
@Service
class HouseTables {
    private static final int SWITCHES = 6;

    private final Houses houses;
    private final Boxes boxes;

    HouseTables(Houses houses, Boxes boxes) {
        this.houses = houses;
        this.boxes = boxes;
    }

    @Transactional(readOnly = true)
    public String circuits(UUID job) {
        List<List<Object>> rows = houses.context(houses.job(job).id()).circuits().values().stream()
                .sorted(Comparator.comparing(
                                (Circuit circuit) -> circuit.label().length())
                        .thenComparing(Circuit::label))
                .map(circuit -> List.<Object>of(
                        circuit.label(),
                        plain(circuit.rating().asDecimal()),
                        circuit.elvVolts().isPresent() ? "" : circuit.phase(),
                        circuit.alternativelySupplied() ? "yes" : "no",
                        circuit.elvVolts()
                                .map(volts -> plain(volts.asDecimal()))
                                .orElse(""),
                        word(circuit.protection().device()),
                        circuit.protection().residualMilliamps().isPresent()
                                ? circuit.protection().residualMilliamps().getAsInt()
                                : "",
                        circuit.protection().cableMm2().map(HouseTables::plain).orElse(""),
                        circuit.protection().metal().map(HouseTables::word).orElse("")))
                .toList();
        return CsvFile.of(
                List.of(
                        "label",
                        "rating_a",
                        "phase",
                        "alternative_supply",
                        "elv_volts",
                        "device",
                        "residual_ma",
                        "cable_mm2",
                        "metal"),
                rows);
    }

    @Transactional(readOnly = true)
    public String boxes(UUID job) {
        HouseContext house = houses.context(houses.job(job).id());
        Map<UUID, RoomRow> rooms = houses.rooms(job).stream().collect(Collectors.toMap(RoomRow::id, room -> room));
        List<String> names = new ArrayList<>(List.of(
                "room",
                "storey",
                "label",
                "kind",
                "width_mm",
                "height_mm",
                "depth_mm",
                "metal",
                "marked_in3",
                "round"));
        for (int n = 1; n <= SWITCHES; n++) {
            names.addAll(List.of("switch_" + n, "mechanism_" + n, "circuit_" + n, "switch_depth_mm_" + n, "load_" + n));
        }
        return CsvFile.of(
                names,
                boxes.ofJob(job).stream()
                        .map(row -> box(
                                row,
                                rooms.get(row.roomId()),
                                boxes.found(row, job, house).survey(),
                                house))
                        .toList());
    }

    private static List<Object> box(BoxRow row, RoomRow room, SurveyDocument survey, HouseContext house) {
        SurveyDocument.Geometry geometry = survey.geometry();
        List<Object> cells = new ArrayList<>(List.of(
                room.name(),
                room.storey(),
                survey.label(),
                word(row.kind()),
                plain(geometry.widthMm()),
                plain(geometry.heightMm()),
                plain(geometry.depthMm()),
                geometry.metal() ? "yes" : "no",
                geometry.markedCubicInches() == null ? "" : plain(geometry.markedCubicInches()),
                Boolean.TRUE.equals(geometry.round()) ? "yes" : "no"));
        for (int n = 0; n < SWITCHES; n++) {
            if (n < survey.gangs().size()) {
                SurveyDocument.GangEntry gang = survey.gangs().get(n);
                String circuit = house.circuits().values().stream()
                        .filter(each -> each.id().value().equals(gang.circuit()))
                        .map(Circuit::label)
                        .findFirst()
                        .orElse("");
                cells.addAll(List.of(
                        gang.name(),
                        word(gang.mechanism()),
                        circuit,
                        plain(gang.depthMm()),
                        survey.loads().stream()
                                .filter(load -> load.gang() == gang.number())
                                .map(SurveyDocument.LoadEntry::typed)
                                .findFirst()
                                .orElse("")));
            } else {
                cells.addAll(List.of("", "", "", "", ""));
            }
        }
        return cells;
    }

    private static String plain(BigDecimal figure) {
        return figure.stripTrailingZeros().toPlainString();
    }

    private static String word(Enum<?> value) {
        return value.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
