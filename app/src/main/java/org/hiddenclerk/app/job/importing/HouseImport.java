package org.hiddenclerk.app.job.importing;

import jakarta.validation.ConstraintViolation;
import jakarta.validation.Validator;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import java.util.UUID;
import java.util.function.Supplier;
import org.hiddenclerk.app.job.house.CircuitRow;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.OpenHouse;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.survey.RecordSurvey;
import org.hiddenclerk.app.stage.survey.SurveyDocument;
import org.hiddenclerk.app.stage.survey.SurveyReader;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.ExtraLowVoltage;
import org.hiddenclerk.core.quantity.Volts;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes circuits and boxes from tables: every row of a table, or none. */
@Service
class HouseImport {
    private static final int MOST_SWITCHES = 6;
    private static final BigDecimal USUAL_DEPTH_MM = new BigDecimal("22");

    private final Houses houses;
    private final OpenHouse openHouse;
    private final Boxes boxes;
    private final RecordSurvey recordSurvey;
    private final Validator validator;
    private final TransactionTemplate transaction;

    HouseImport(
            Houses houses,
            OpenHouse openHouse,
            Boxes boxes,
            RecordSurvey recordSurvey,
            Validator validator,
            TransactionTemplate transaction) {
        this.transaction = transaction;
        this.houses = houses;
        this.openHouse = openHouse;
        this.boxes = boxes;
        this.recordSurvey = recordSurvey;
        this.validator = validator;
    }

    /** Columns: label, rating_a, phase; if wanted alternative_supply, elv_volts, device, residual_ma, cable_mm2, metal. */
    CsvTable.ImportReport circuits(UUID job, String csv, boolean apply) {
        return whole(apply, () -> circuits(job, csv));
    }

    /** Everything or nothing: a row that is not taken, or a mere try, leaves no trace. */
    private CsvTable.ImportReport whole(boolean apply, Supplier<CsvTable.ImportReport> taking) {
        return transaction.execute(status -> {
            CsvTable.ImportReport report = taking.get();
            boolean applied = apply && report.notTaken().isEmpty();
            if (!applied) {
                status.setRollbackOnly();
            }
            return new CsvTable.ImportReport(report.taken(), report.notTaken(), applied);
        });
    }

    private CsvTable.ImportReport circuits(UUID job, String csv) {
        Set<String> known = new HashSet<>();
        houses.circuits(houses.job(job).id())
                .forEach(circuit -> known.add(circuit.toCircuit().label()));
        List<Line> phases = houses.job(job).region().phases();
        return CsvTable.read(csv, List.of("label", "rating_a", "phase")).take(row -> {
            String label = row.text("label");
            if (label.length() > 20 || known.contains(label)) {
                throw row.wrong("label", "at most 20 letters, and a label that no other circuit of the job has");
            }
            BigDecimal rating = row.number("rating_a");
            if (rating.compareTo(BigDecimal.ONE) < 0
                    || rating.compareTo(new BigDecimal(125)) > 0
                    || rating.scale() > 1) {
                throw row.wrong("rating_a", "1 to 125, with at most one decimal");
            }
            Optional<Volts> elv = row.optional("elv_volts").map(volts -> elv(row));
            Line phase = elv.isPresent() ? Line.ELV_PLUS : row.oneOf("phase", Line.class, Line.L1);
            if (elv.isEmpty() && !phases.contains(phase)) {
                throw row.wrong("phase", "one of " + phases);
            }
            openHouse.circuit(
                    job,
                    new CircuitRow.Data(
                            label, Amps.of(rating), phase, row.yes("alternative_supply"), elv, protection(row)));
            known.add(label);
        });
    }

    private static Volts elv(CsvTable.Row row) {
        BigDecimal volts = row.number("elv_volts");
        if (volts.scale() > 1
                || volts.compareTo(new BigDecimal(5)) < 0
                || !ExtraLowVoltage.DIRECT.includes(Volts.of(volts))) {
            throw row.wrong(
                    "elv_volts",
                    "5 to " + ExtraLowVoltage.MOST_DIRECT_VOLTS + " V of direct current, with at most one decimal");
        }
        return Volts.of(volts);
    }

    private static Protection protection(CsvTable.Row row) {
        OptionalInt residual = row.optional("residual_ma").isPresent()
                ? OptionalInt.of(row.number("residual_ma").intValue())
                : OptionalInt.empty();
        Optional<BigDecimal> cable = row.optional("cable_mm2").map(mm2 -> row.number("cable_mm2"));
        if (residual.isPresent() && (residual.getAsInt() < 1 || residual.getAsInt() > 1000)) {
            throw row.wrong("residual_ma", "1 to 1000 mA");
        }
        if (cable.filter(mm2 -> mm2.compareTo(new BigDecimal("0.5")) < 0 || mm2.compareTo(new BigDecimal(50)) > 0)
                .isPresent()) {
            throw row.wrong("cable_mm2", "0.5 to 50 mm²");
        }
        Optional<Protection.Metal> metal =
                row.optional("metal").map(word -> row.oneOf("metal", Protection.Metal.class, Protection.Metal.COPPER));
        return new Protection(
                row.oneOf("device", Protection.Device.class, Protection.Device.BREAKER), residual, cable, metal);
    }

    /**
     * Columns: room, storey, label, width_mm, height_mm, depth_mm; if wanted kind, metal, marked_in3, round, and for each switch n from 1
     * switch_n, mechanism_n, circuit_n, load_n, switch_depth_mm_n.
     */
    CsvTable.ImportReport boxes(UUID job, String csv, String who, boolean apply) {
        return whole(apply, () -> boxes(job, csv, who));
    }

    private CsvTable.ImportReport boxes(UUID job, String csv, String who) {
        Map<String, String> circuits = new HashMap<>();
        houses.circuits(houses.job(job).id())
                .forEach(circuit ->
                        circuits.put(circuit.toCircuit().label(), circuit.id().toString()));
        Map<String, UUID> rooms = new HashMap<>();
        houses.rooms(job).forEach(room -> rooms.put(room.name(), room.id()));
        Set<String> labels = new HashSet<>();
        boxes.ofJob(job).forEach(box -> labels.add(box.label()));
        return CsvTable.read(csv, List.of("room", "storey", "label", "width_mm", "height_mm", "depth_mm"))
                .take(row -> {
                    SurveyDocument survey = survey(row, circuits);
                    if (labels.contains(survey.label())) {
                        throw row.wrong("label", "a label that no other box of the job has");
                    }
                    requireSound(row, survey, job);
                    String room = row.text("room");
                    String storey = row.text("storey");
                    if (room.length() > 120 || storey.length() > 60) {
                        throw row.wrong("room", "at most 120 letters, and 60 for the storey");
                    }
                    UUID id = rooms.computeIfAbsent(room, name -> openHouse.room(job, name, storey));
                    recordSurvey.add(id, survey, who);
                    labels.add(survey.label());
                });
    }

    private static SurveyDocument survey(CsvTable.Row row, Map<String, String> circuits) {
        List<SurveyDocument.GangEntry> gangs = new ArrayList<>();
        List<SurveyDocument.LoadEntry> loads = new ArrayList<>();
        for (int n = 1; n <= MOST_SWITCHES && row.optional("switch_" + n).isPresent(); n++) {
            String circuit = circuits.get(row.text("circuit_" + n));
            if (circuit == null) {
                throw row.wrong(
                        "circuit_" + n,
                        "a circuit of this job: "
                                + String.join(
                                        ", ",
                                        circuits.keySet().stream().sorted().toList()));
            }
            BigDecimal depth = row.optional("switch_depth_mm_" + n).isPresent()
                    ? row.number("switch_depth_mm_" + n)
                    : USUAL_DEPTH_MM;
            gangs.add(new SurveyDocument.GangEntry(
                    n,
                    row.text("switch_" + n),
                    row.oneOf("mechanism_" + n, Mechanism.class, Mechanism.ONE_WAY),
                    depth,
                    circuit));
            int gang = n;
            row.optional("load_" + n)
                    .ifPresent(typed -> loads.add(new SurveyDocument.LoadEntry(
                            loads.size() + 1, row.text("switch_" + gang), typed, gang, false, null)));
        }
        return new SurveyDocument(
                row.text("label"),
                row.oneOf("kind", BoxKind.class, BoxKind.WALL),
                new SurveyDocument.Geometry(
                        row.number("width_mm"),
                        row.number("height_mm"),
                        row.number("depth_mm"),
                        row.yes("metal"),
                        row.optional("marked_in3").isPresent() ? row.number("marked_in3") : null,
                        row.yes("round") ? Boolean.TRUE : null),
                gangs,
                loads,
                List.of(),
                List.of());
    }

    private void requireSound(CsvTable.Row row, SurveyDocument survey, UUID job) {
        Set<ConstraintViolation<SurveyDocument>> violations = validator.validate(survey);
        if (!violations.isEmpty()) {
            ConstraintViolation<SurveyDocument> first = violations.iterator().next();
            throw row.wrong(
                    columnOf(first.getPropertyPath().toString().replaceAll("[\\[\\].]+", "/")), first.getMessage());
        }
        try {
            SurveyReader.read(survey, houses.context(job));
        } catch (ProblemException e) {
            FieldProblem first = e.errors().get(0);
            throw row.wrong(columnOf(first.pointer().substring(1)), first.expected());
        }
    }

    /** The column that a part of a survey comes from. */
    private static String columnOf(String pointer) {
        String[] steps = pointer.split("/");
        return switch (steps[0]) {
            case "gangs" -> "switch_" + (Integer.parseInt(steps[1]) + 1);
            case "loads" -> "load_" + (Integer.parseInt(steps[1]) + 1);
            case "geometry" -> steps.length > 1 ? steps[1].replace("Mm", "_mm") : "width_mm";
            default -> "label";
        };
    }
}
