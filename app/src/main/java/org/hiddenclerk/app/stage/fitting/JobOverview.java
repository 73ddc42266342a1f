package org.hiddenclerk.app.stage.fitting;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.math.BigDecimal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.CircuitRow;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.JobRow;
import org.hiddenclerk.app.job.house.StageKeeper;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.planning.IssuedPlanRow;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.app.stage.tracing.Traces;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.fitting.Locks;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.BoxProgress;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Protection;
import org.hiddenclerk.core.job.Protection.Metal;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.quantity.LengthUnit;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** A job at a glance: rooms, circuits, boxes with their stages and worst findings, and what is isolated. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}")
@Tag(name = "house")
class JobOverview {
    private static final Map<Mechanism, List<String>> TERMINALS = Arrays.stream(Mechanism.values())
            .collect(Collectors.toUnmodifiableMap(mechanism -> mechanism, Mechanism::terminals));

    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final RunSheets sheets;
    private final Traces traces;
    private final Standings standings;
    private final List<StageKeeper> keepers;

    JobOverview(
            Houses houses,
            Boxes boxes,
            Plans plans,
            RunSheets sheets,
            Traces traces,
            Standings standings,
            List<StageKeeper> keepers) {
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
        this.sheets = sheets;
        this.traces = traces;
        this.standings = standings;
        this.keepers = keepers;
    }

    /** @param terminals names on the terminals of each mechanism, for whoever writes down where a core ends */
    record JobView(
            UUID id,
            String name,
            String place,
            RegionProfile region,
            String regionLabel,
            int nominalVolts,
            LengthUnit lengths,
            boolean countsBoxVolume,
            List<Line> phases,
            Map<Mechanism, List<String>> terminals,
            List<RoomView> rooms,
            List<CircuitView> circuits,
            List<BoxView> boxes,
            List<IsolationView> isolation) {}

    record RoomView(UUID id, long version, String name, String storey) {}

    record CircuitView(
            UUID id,
            long version,
            String label,
            BigDecimal ratingAmps,
            Line phase,
            String phaseLabel,
            boolean alternativelySupplied,
            @MayBeAbsent BigDecimal elvVolts,
            Protection.Device kindOfDevice,
            String device,
            @MayBeAbsent Integer residualMilliamps,
            @MayBeAbsent BigDecimal cableMm2,
            @MayBeAbsent Metal metal) {}

    record BoxView(
            UUID id,
            long version,
            UUID roomId,
            String label,
            BoxKind kind,
            String summary,
            int gangs,
            @MayBeAbsent Severity worst,
            List<StageView> stages) {
        /** Something was found otherwise than drawn. */
        BoxView tracedAgain() {
            return new BoxView(
                    id,
                    version,
                    roomId,
                    label,
                    kind,
                    summary,
                    gangs,
                    worst,
                    stages.stream()
                            .map(stage -> stage.stage() == Stage.TRACE
                                    ? new StageView(Stage.TRACE, Stage.Progress.REOPENED)
                                    : stage)
                            .toList());
        }
    }

    record StageView(Stage stage, Stage.Progress progress) {}

    /** How a circuit stands because of the work on a box. */
    record IsolationView(
            String circuit,
            String box,
            UUID boxId,
            RunSheet.Isolation.State state,
            String who,
            @MayBeAbsent Instant since,
            List<String> locks) {}

    @GetMapping
    @Operation(operationId = "job")
    @Transactional(readOnly = true)
    JobView job(@PathVariable UUID job) {
        JobRow row = houses.job(job);
        HouseContext house = houses.context(job);
        Map<UUID, IssuedPlanRow> issued = plans.lastIssuedByBox(job);
        Set<UUID> read = traces.boxesRead(job);
        Map<UUID, RunSheets.Open> open = sheets.lastByBox(job, house);
        List<BoxView> views = new ArrayList<>();
        List<Boxes.Found> all = new ArrayList<>();
        Plans.Circumstances circumstances = plans.circumstances(job);
        Map<Stage, Map<UUID, Stage.Progress>> kept =
                keepers.stream().collect(Collectors.toMap(StageKeeper::stage, keeper -> keeper.progress(job)));
        Set<UUID> otherwise = sheets
                .foundOtherwise(boxes.ofJob(job).stream().map(BoxRow::id).toList())
                .stream()
                .map(FoundOtherwiseRow::boxId)
                .collect(Collectors.toSet());
        for (BoxRow box : boxes.ofJob(job)) {
            Boxes.Found found = boxes.found(box, job, house);
            Optional<RunSheets.Open> sheet = Optional.ofNullable(open.get(box.id()));
            views.add(view(
                    found,
                    Optional.ofNullable(issued.get(box.id())),
                    traces.standing(found, read),
                    sheet,
                    circumstances,
                    kept.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, e -> e.getValue()
                            .getOrDefault(box.id(), Stage.Progress.OPEN)))));
            if (otherwise.contains(box.id())) {
                views.set(views.size() - 1, views.get(views.size() - 1).tracedAgain());
            }
            all.add(found);
        }
        List<IsolationView> isolation = isolation(all, open);
        return new JobView(
                row.id(),
                row.name(),
                row.place(),
                row.region(),
                row.region().label(),
                (int) row.region().nominalVolts().asDouble(),
                row.region().code().lengths(),
                row.region().code().countsBoxVolume(),
                row.region().phases(),
                TERMINALS,
                houses.rooms(job).stream()
                        .map(r -> new RoomView(r.id(), r.version(), r.name(), r.storey()))
                        .toList(),
                houses.circuits(job).stream()
                        .map(JobOverview::view)
                        .sorted((a, b) -> naturally(a.label(), b.label()))
                        .toList(),
                views,
                isolation);
    }

    private static int naturally(String a, String b) {
        int byLength = Integer.compare(a.length(), b.length());
        return byLength == 0 ? a.compareTo(b) : byLength;
    }

    private static CircuitView view(CircuitRow row) {
        var circuit = row.toCircuit();
        return new CircuitView(
                row.id(),
                row.version(),
                circuit.label(),
                circuit.rating().asDecimal(),
                circuit.phase(),
                circuit.phase().label(),
                circuit.alternativelySupplied(),
                circuit.elvVolts().map(v -> v.asDecimal()).orElse(null),
                circuit.protection().device(),
                circuit.protection().device().label(),
                circuit.protection().residualMilliamps().isPresent()
                        ? circuit.protection().residualMilliamps().getAsInt()
                        : null,
                circuit.protection().cableMm2().orElse(null),
                circuit.protection().metal().orElse(null));
    }

    private BoxView view(
            Boxes.Found found,
            Optional<IssuedPlanRow> issued,
            BoxProgress.Readings readings,
            Optional<RunSheets.Open> sheet,
            Plans.Circumstances circumstances,
            Map<Stage, Stage.Progress> beside) {
        Standings.Standing standing = standings.of(found, circumstances);
        List<String> gangs = found.box().gangs().stream().map(Gang::name).toList();
        String summary = gangs.isEmpty() ? found.box().kind().label() : String.join(", ", gangs);
        Map<Stage, Stage.Progress> stages = new EnumMap<>(new BoxProgress(
                        standing.sound(),
                        standing.picked(),
                        standing.mayBeIssued(),
                        readings,
                        issued.map(plan -> plans.isCurrent(plan, found)
                                        ? BoxProgress.Issued.CURRENT
                                        : BoxProgress.Issued.BEFORE_A_CHANGE)
                                .orElse(BoxProgress.Issued.NONE),
                        sheet.map(open -> standing(open, issued)).orElse(BoxProgress.Sheet.NONE))
                .stages());
        stages.putAll(beside);
        return new BoxView(
                found.row().id(),
                found.row().version(),
                found.row().roomId(),
                found.row().label(),
                found.row().kind(),
                summary,
                found.box().gangs().size(),
                standing.worst().orElse(null),
                stages.entrySet().stream()
                        .map(e -> new StageView(e.getKey(), e.getValue()))
                        .toList());
    }

    private static BoxProgress.Sheet standing(RunSheets.Open sheet, Optional<IssuedPlanRow> issued) {
        if (issued.filter(plan -> plan.id().equals(sheet.row().planId())).isEmpty()) {
            return BoxProgress.Sheet.OF_ANOTHER_PLAN;
        }
        return sheet.sheet().isFinished() ? BoxProgress.Sheet.FINISHED : BoxProgress.Sheet.OPEN;
    }

    private List<IsolationView> isolation(List<Boxes.Found> all, Map<UUID, RunSheets.Open> open) {
        List<Isolations.Isolated> isolated = Isolations.of(all, open);
        Map<UUID, List<Locks.Lock>> locks = isolated.stream()
                .map(Isolations.Isolated::boxId)
                .distinct()
                .collect(Collectors.toMap(box -> box, box -> sheets.locks(open.get(box))));
        return isolated.stream()
                .map(i -> new IsolationView(
                        i.circuit(),
                        i.box(),
                        i.boxId(),
                        i.state(),
                        i.who(),
                        i.since().orElse(null),
                        locks.get(i.boxId()).stream()
                                .filter(lock -> lock.circuit().equals(i.circuit()))
                                .map(Locks.Lock::person)
                                .distinct()
                                .toList()))
                .toList();
    }
}
