package org.hiddenclerk.app.stage.handover;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Digits;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.math.BigDecimal;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.house.RoomRow;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.handover.Entry;
import org.hiddenclerk.core.handover.HandoverRecord;
import org.hiddenclerk.core.handover.HandoverTest;
import org.hiddenclerk.core.handover.Matter;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.job.Stage;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The record of a hand over. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/handover")
@Tag(name = "hand over")
class HandoverController {
    private final Handovers handovers;
    private final Boxes boxes;
    private final Houses houses;
    private final People people;

    HandoverController(Handovers handovers, Boxes boxes, Houses houses, People people) {
        this.handovers = handovers;
        this.boxes = boxes;
        this.houses = houses;
        this.people = people;
    }

    /** The record; {@code blocks} stand between it and the final papers. */
    record HandoverView(
            List<HandoverBoxView> boxes,
            CountView count,
            List<BlockView> blocks,
            List<DefectView> defects,
            List<GivenView> given) {}

    record HandoverBoxView(UUID box, String label, String room, CountView count, List<HandoverOutputView> outputs) {}

    record HandoverOutputView(String output, String name, List<TestView> tests) {}

    record CountView(int open, int passed, int failed, int again) {
        static CountView of(HandoverRecord.Count count) {
            return new CountView(count.open(), count.passed(), count.failed(), count.again());
        }
    }

    /** {@code unit} is there for tests with a figure; {@code changed} is why it is to be made again. */
    record TestView(
            String id,
            HandoverTest.Kind kind,
            String label,
            String words,
            String expected,
            @MayBeAbsent String unit,
            HandoverRecord.Standing standing,
            @MayBeAbsent FoundView last,
            List<String> changed) {
        static TestView of(HandoverRecord.Line line) {
            HandoverTest test = line.test();
            return new TestView(
                    test.id(),
                    test.kind(),
                    test.kind().label(),
                    test.words(),
                    test.expected(),
                    test.scale().map(HandoverTest.Scale::unit).orElse(null),
                    line.standing(),
                    line.last().map(entry -> FoundView.of(test, entry)).orElse(null),
                    line.changed().stream().map(Matter::words).toList());
        }
    }

    /** What was found; {@code judged} says how a figure is judged. */
    record FoundView(
            boolean passed,
            @MayBeAbsent BigDecimal figure,
            @MayBeAbsent String judged,
            String note,
            String cause,
            String who,
            Instant at) {
        static FoundView of(HandoverTest test, Entry entry) {
            return new FoundView(
                    HandoverRecord.passed(test, entry),
                    entry.figure().orElse(null),
                    test.scale()
                            .flatMap(scale -> entry.figure()
                                    .map(figure -> scale.judge(figure).words()))
                            .orElse(null),
                    entry.note(),
                    entry.cause(),
                    entry.who(),
                    entry.at());
        }
    }

    record BlockView(@MayBeAbsent UUID box, Stage stage, String words) {}

    record DefectView(UUID box, String label, String output, FoundView found, @MayBeAbsent FoundView mended) {}

    record GivenView(String to, String by, Instant at, int tests) {}

    /** What was found at a test. */
    record FoundAtTest(
            @NotBlank @Size(max = 200) String test,
            boolean asPlanned,
            @MayBeAbsent @Digits(integer = 8, fraction = 2) BigDecimal figure,
            @NotNull @Size(max = 500) String note,
            @NotNull @Size(max = 500) String cause,
            @MayBeAbsent @Size(max = 40) String sentKey) {}

    record GivenTo(@NotBlank @Size(max = 120) String to) {}

    @GetMapping
    @Operation(operationId = "handover", summary = "Every test of the hand over with what was found, and what is open")
    HandoverView handover(@PathVariable UUID job) {
        houses.job(job);
        return view(job, handovers.of(job));
    }

    private HandoverView view(UUID job, Handovers.Held held) {
        Map<UUID, BoxRow> rows = boxes.ofJob(job).stream().collect(Collectors.toMap(BoxRow::id, row -> row));
        Map<UUID, String> rooms = houses.rooms(job).stream().collect(Collectors.toMap(RoomRow::id, RoomRow::name));
        List<HandoverBoxView> views = held.byBox().entrySet().stream()
                .filter(e -> rows.containsKey(e.getKey()))
                .map(e -> new HandoverBoxView(
                        e.getKey(),
                        rows.get(e.getKey()).label(),
                        rooms.getOrDefault(rows.get(e.getKey()).roomId(), ""),
                        CountView.of(HandoverRecord.count(e.getValue())),
                        outputs(held, e.getValue())))
                .toList();
        return new HandoverView(
                views,
                CountView.of(held.record().count()),
                held.blocks().stream()
                        .map(block -> new BlockView(
                                block.box().map(UUID::fromString).orElse(null), block.stage(), block.words()))
                        .toList(),
                held.record().defects().stream()
                        .map(defect -> new DefectView(
                                held.boxOf(defect.test()).orElse(null),
                                defect.test().kind().label(),
                                held.plan().nameOf(defect.test().output()),
                                FoundView.of(defect.test(), defect.found()),
                                defect.mended()
                                        .map(entry -> FoundView.of(defect.test(), entry))
                                        .orElse(null)))
                        .toList(),
                held.given().stream()
                        .map(given -> new GivenView(given.to(), given.by(), given.at(), given.tests()))
                        .toList());
    }

    private static List<HandoverOutputView> outputs(Handovers.Held held, List<HandoverRecord.Line> lines) {
        Map<OutputId, List<HandoverRecord.Line>> byOutput = lines.stream()
                .collect(Collectors.groupingBy(
                        line -> line.test().output(), java.util.LinkedHashMap::new, Collectors.toList()));
        return byOutput.entrySet().stream()
                .map(e -> new HandoverOutputView(
                        e.getKey().text(),
                        held.plan().nameOf(e.getKey()),
                        e.getValue().stream().map(TestView::of).toList()))
                .toList();
    }

    @PostMapping("/entries")
    @Operation(operationId = "enterHandoverTest", summary = "Writes down what was found at a test")
    HandoverView enter(@PathVariable UUID job, @Valid @RequestBody FoundAtTest found, Principal who) {
        houses.job(job);
        handovers.enter(
                job,
                found.test(),
                found.asPlanned(),
                Optional.ofNullable(found.figure()),
                found.note(),
                found.cause(),
                found.sentKey(),
                people.nameOf(who));
        return view(job, handovers.of(job));
    }

    @PostMapping("/given")
    @Needs(Right.LEAD)
    @Operation(operationId = "handOver", summary = "Hands a house over whose record is complete")
    HandoverView give(@PathVariable UUID job, @Valid @RequestBody GivenTo given, Principal who) {
        houses.job(job);
        handovers.give(job, given.to(), people.nameOf(who));
        return view(job, handovers.of(job));
    }
}
