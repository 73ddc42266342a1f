package org.hiddenclerk.app.stage.handover;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.StageKeeper;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.fitting.RunSheets;
import org.hiddenclerk.app.stage.live.LivePlans;
import org.hiddenclerk.app.stage.planning.IssuedPlanRow;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.handover.BoxReady;
import org.hiddenclerk.core.handover.Entry;
import org.hiddenclerk.core.handover.HandoverRecord;
import org.hiddenclerk.core.handover.HandoverTest;
import org.hiddenclerk.core.handover.HandoverTests;
import org.hiddenclerk.core.handover.Matter;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.job.Stage;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.planned.PlannedHouse;
import org.hiddenclerk.core.planned.PlannedId;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Keeps the record of the hand over of a house. */
@Service
public class Handovers implements StageKeeper {
    private final HandoverEntryRepository entries;
    private final HandedOverRepository given;
    private final LivePlans plans;
    private final PlannedHouses planned;
    private final TestFingerprints bases;
    private final Boxes boxes;
    private final Houses houses;
    private final Plans issued;
    private final RunSheets sheets;
    private final JsonMapper json;
    private final Clock clock;

    Handovers(
            HandoverEntryRepository entries,
            HandedOverRepository given,
            LivePlans plans,
            PlannedHouses planned,
            TestFingerprints bases,
            Boxes boxes,
            Houses houses,
            Plans issued,
            RunSheets sheets,
            JsonMapper json,
            Clock clock) {
        this.entries = entries;
        this.given = given;
        this.plans = plans;
        this.planned = planned;
        this.bases = bases;
        this.boxes = boxes;
        this.houses = houses;
        this.issued = issued;
        this.sheets = sheets;
        this.json = json;
        this.clock = clock;
    }

    /**
     * The record of a house.
     *
     * @param byBox  lines of the record by the box that the tested module sits in
     * @param blocks what stands between it and its final papers, in words
     * @param given  when it was handed over, latest first
     */
    public record Held(
            LivePlan plan,
            HandoverRecord record,
            Map<UUID, List<HandoverRecord.Line>> byBox,
            List<BoxReady.Block> blocks,
            List<Given> given) {
        /** The box that a tested module sits in; empty for what is not of the plans. */
        Optional<UUID> boxOf(HandoverTest test) {
            return byBox.entrySet().stream()
                    .filter(e ->
                            e.getValue().stream().anyMatch(line -> line.test().equals(test)))
                    .map(Map.Entry::getKey)
                    .findFirst();
        }

        public boolean isFinal() {
            return blocks.isEmpty();
        }
    }

    /** That a house was given to its people. */
    public record Given(String to, String by, java.time.Instant at, int tests) {}

    @Override
    public Stage stage() {
        return Stage.HAND_OVER;
    }

    @Transactional(readOnly = true)
    public Held of(UUID job) {
        LivePlan plan = plans.of(job);
        HandoverRecord record = record(job, plan);
        Map<UUID, List<HandoverRecord.Line>> byBox = byBox(planned.of(job).house(), record);
        return new Held(
                plan,
                record,
                byBox,
                blocks(job, record, byBox),
                given.findByJobIdOrderByGivenAtDesc(job).stream()
                        .map(row -> new Given(row.givenTo(), row.givenBy(), row.givenAt(), row.tests()))
                        .toList());
    }

    private HandoverRecord record(UUID job, LivePlan plan) {
        Map<DeviceId, Map<Matter, String>> now = bases.of(job, plan);
        List<Entry> made = entries.findByJobIdOrderByMadeAt(job).stream()
                .map(row -> new Entry(
                        row.test(),
                        row.asPlanned(),
                        row.figure(),
                        row.note(),
                        row.cause(),
                        row.madeBy(),
                        row.madeAt(),
                        json.readValue(row.basis(), new TypeReference<Map<Matter, String>>() {})))
                .toList();
        return HandoverRecord.of(tests(job, plan), made, test -> now.getOrDefault(test.device(), Map.of()));
    }

    /** Figures of one test, oldest first. @param name of what was measured */
    record Series(HandoverTest test, String name, String unit, List<Point> points) {}

    record Point(java.time.Instant at, BigDecimal figure, boolean passed, String who) {}

    /** Tests with a figure that were made at least once. */
    @Transactional(readOnly = true)
    public List<Series> series(UUID job) {
        LivePlan plan = plans.of(job);
        Map<String, List<HandoverEntryRow>> byTest = entries.findByJobIdOrderByMadeAt(job).stream()
                .filter(row -> row.figure().isPresent())
                .collect(Collectors.groupingBy(HandoverEntryRow::test));
        return tests(job, plan).stream()
                .filter(test -> test.scale().isPresent() && byTest.containsKey(test.id()))
                .map(test -> new Series(
                        test,
                        plan.nameOf(test.output()),
                        test.scale().get().unit(),
                        byTest.get(test.id()).stream()
                                .map(row -> new Point(
                                        row.madeAt(), row.figure().orElseThrow(), row.asPlanned(), row.madeBy()))
                                .toList()))
                .toList();
    }

    private List<HandoverTest> tests(UUID job, LivePlan plan) {
        return HandoverTests.of(plan, planned.of(job).metered());
    }

    private List<BoxReady.Block> blocks(UUID job, HandoverRecord record, Map<UUID, List<HandoverRecord.Line>> byBox) {
        HouseContext house = houses.context(job);
        Map<UUID, IssuedPlanRow> last = issued.lastIssuedByBox(job);
        Map<UUID, UUID> finished = sheets.planFinished(job);
        List<BoxReady> ready = boxes.ofJob(job).stream()
                .map(row -> new BoxReady(
                        row.id().toString(),
                        row.label(),
                        HandoverRecord.count(byBox.getOrDefault(row.id(), List.of())),
                        row.picks().isEmpty()
                                ? BoxReady.Work.NONE_PICKED
                                : work(
                                        Optional.ofNullable(last.get(row.id())),
                                        boxes.found(row, job, house),
                                        Optional.ofNullable(finished.get(row.id())))))
                .toList();
        return BoxReady.blocks(ready, !record.lines().isEmpty());
    }

    private BoxReady.Work work(Optional<IssuedPlanRow> plan, Boxes.Found found, Optional<UUID> finished) {
        if (plan.isEmpty()) {
            return BoxReady.Work.NOT_ISSUED;
        }
        if (!issued.isCurrent(plan.get(), found)) {
            return BoxReady.Work.ISSUED_BEFORE_A_CHANGE;
        }
        return finished.filter(plan.get().id()::equals).isPresent()
                ? BoxReady.Work.FINISHED
                : BoxReady.Work.NOT_FINISHED;
    }

    private static Map<UUID, List<HandoverRecord.Line>> byBox(PlannedHouse house, HandoverRecord record) {
        Map<UUID, List<HandoverRecord.Line>> byBox = new LinkedHashMap<>();
        record.byBox(house).forEach((box, lines) -> byBox.put(UUID.fromString(box), lines));
        return byBox;
    }

    @Override
    @Transactional(readOnly = true)
    public Map<UUID, Stage.Progress> progress(UUID job) {
        if (!entries.existsByJobId(job)) {
            return Map.of();
        }
        Map<UUID, Stage.Progress> progress = new HashMap<>();
        byBox(planned.of(job).house(), record(job, plans.of(job)))
                .forEach((box, lines) ->
                        progress.put(box, HandoverRecord.count(lines).progress()));
        return progress;
    }

    /**
     * Writes down what was found at a test.
     *
     * @param sentKey of the request, so that a weak connection that sends it twice makes one entry
     * @throws ProblemException when the test is none of this house, a figure is missing, or a failure is not described
     */
    @Transactional
    public void enter(
            UUID job,
            String test,
            boolean asPlanned,
            Optional<BigDecimal> figure,
            String note,
            String cause,
            @Nullable String sentKey,
            String who) {
        if (sentKey != null && entries.existsBySentKey(sentKey)) {
            return;
        }
        LivePlan plan = plans.of(job);
        HandoverTest tested = tests(job, plan).stream()
                .filter(each -> each.id().equals(test)
                        && PlannedId.moduleOf(each.device()).isPresent())
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("test"));
        Map<Matter, String> basis = bases.of(job, plan).getOrDefault(tested.device(), Map.of());
        Entry entry = new Entry(
                test,
                asPlanned,
                figure,
                note.strip(),
                cause.strip(),
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS),
                basis);
        require(tested, entry);
        boolean passed = HandoverRecord.passed(tested, entry);
        entries.save(new HandoverEntryRow(
                job,
                UUID.fromString(
                        HandoverRecord.boxOf(planned.of(job).house(), tested).orElseThrow()),
                tested,
                new Entry(test, passed, figure, entry.note(), entry.cause(), who, entry.at(), basis),
                json.writeValueAsString(basis),
                sentKey));
    }

    private static void require(HandoverTest test, Entry entry) {
        if (test.scale().isPresent() && entry.figure().isEmpty()) {
            throw ProblemException.content(
                    "A figure is needed",
                    new FieldProblem(
                            "/figure",
                            "nothing",
                            "what was read, in " + test.scale().get().unit()));
        }
        if (test.scale().isEmpty() && entry.figure().isPresent()) {
            throw ProblemException.content(
                    "This test has no figure",
                    new FieldProblem("/figure", entry.figure().get().toPlainString(), "nothing"));
        }
        if (!HandoverRecord.passed(test, entry) && entry.note().isEmpty()) {
            throw ProblemException.content(
                    "Say what was seen",
                    new FieldProblem("/note", "nothing", "what happened instead of: " + test.expected()));
        }
    }

    /**
     * Hands the house over to its people.
     *
     * @throws ProblemException with what is open
     */
    @Transactional
    public void give(UUID job, String to, String who) {
        Held held = of(job);
        if (!held.isFinal()) {
            throw ProblemException.content(
                    "The house can't be handed over yet",
                    held.blocks().stream()
                            .map(block -> new FieldProblem("", block.words(), "nothing open"))
                            .toList());
        }
        given.save(new HandedOverRow(
                job,
                to.strip(),
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS),
                held.record().count().all()));
    }
}
