package org.hiddenclerk.app.stage.fitting;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.planning.IssuedPlanRow;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.fitting.Entry;
import org.hiddenclerk.core.fitting.Locks;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.fitting.RunSheetPlan;
import org.hiddenclerk.core.fitting.SharedCircuits;
import org.hiddenclerk.core.fitting.Step;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Limit;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.PlatformTransactionManager;
import org.springframework.transaction.TransactionDefinition;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Work on run sheets. The order of the gates is the core's; nothing is kept that it refuses. */
@Service
public class RunSheets {
    private final RunSheetRepository sheets;
    private final Boxes boxes;
    private final Plans plans;
    private final EntryMapping mapping;
    private final CircuitLocks locks;
    private final RefusedEntryRepository refused;
    private final FoundOtherwiseRepository otherwise;
    private final DemandedPhotos photos;
    private final Site site;
    private final TransactionTemplate apart;
    private final Clock clock;

    RunSheets(
            RunSheetRepository sheets,
            Boxes boxes,
            Plans plans,
            EntryMapping mapping,
            CircuitLocks locks,
            RefusedEntryRepository refused,
            FoundOtherwiseRepository otherwise,
            DemandedPhotos photos,
            JdbcClient jdbc,
            PlatformTransactionManager transactions,
            Clock clock) {
        this.sheets = sheets;
        this.boxes = boxes;
        this.plans = plans;
        this.mapping = mapping;
        this.locks = locks;
        this.refused = refused;
        this.otherwise = otherwise;
        this.photos = photos;
        this.apart = new TransactionTemplate(transactions);
        this.apart.setPropagationBehavior(TransactionDefinition.PROPAGATION_REQUIRES_NEW);
        this.site = new Site(sheets, boxes, plans::openedByPlan, mapping, jdbc, apart, this::open);
        this.clock = clock;
    }

    /**
     * A stored sheet with the state its entries add up to.
     *
     * @param circuits that are off while it is worked by
     * @param opens    boxes that the work opens
     */
    record Open(RunSheetRow row, RunSheet sheet, Set<CircuitId> circuits, HouseContext house, List<UUID> opens) {
        /** The box that locks are hung for, wherever in the work somebody stands. */
        UUID box() {
            return row.boxId();
        }
    }

    /** Locks that hang on the circuits of a sheet. */
    List<Locks.Lock> locks(Open open) {
        return locks.on(open.circuits(), open.house());
    }

    List<RefusedEntryRow> refusals(UUID box) {
        return refused.findByBoxIdOrderByRefusedAtDesc(box);
    }

    /**
     * Starts the sheet of the work that a box belongs to, from the issued plan, which must still be what its boxes
     * are, and which nobody works by already.
     */
    @OnSite
    public Open start(UUID box, String who) {
        site.hold(box);
        Boxes.Found found = boxes.find(box);
        IssuedPlanRow plan = plans.lastIssued(box)
                .orElseThrow(() ->
                        ProblemException.conflict("No plan is issued for this box. Issue it on the Draw sheet first."));
        if (!plans.isCurrent(plan, found)) {
            throw ProblemException.conflict(
                    "The box, or one that its cables lead to, changed after the plan was issued. Issue the plan again first.");
        }
        plans.judge(found).findings().stream()
                .filter(f -> f.code() == FindingCode.READINGS_CONTRADICT)
                .findFirst()
                .ifPresent(contradicted -> {
                    throw ProblemException.conflict("What was read on site speaks against the plan. "
                            + contradicted.reason() + " Put it right on the Trace sheet, and issue the plan again.");
                });
        refuseSecondSheet(found, plan);
        UUID at = plan.opens().contains(plan.boxId()) || plan.opens().isEmpty()
                ? plan.boxId()
                : plan.opens().get(0);
        RunSheetRow row = sheets.saveAndFlush(new RunSheetRow(plan.id(), at, who, now()));
        return open(row, found.house());
    }

    /**
     * No box is opened by two sheets. What a plan opens is asked of its wiring: of plans that are older than that,
     * only the box of their issue is on record.
     */
    private void refuseSecondSheet(Boxes.Found found, IssuedPlanRow plan) {
        List<String> opened = plans.restore(plan, found.house()).opens();
        for (RunSheetRow row : site.unfinished(found.job())) {
            if (!row.isSetAside()) {
                plans.restore(plans.issuedPlan(row.planId()), found.house()).opens().stream()
                        .filter(opened::contains)
                        .findFirst()
                        .ifPresent(box -> {
                            throw ProblemException.conflict(
                                    "A run sheet is open on " + label(UUID.fromString(box)) + " already"
                                            + (opened.size() > 1
                                                    ? ": what is planned over several boxes is worked by one sheet."
                                                    : "."));
                        });
            }
        }
    }

    /** The last sheet of the work that opens a box, whichever of its boxes it was started at. */
    @Transactional(readOnly = true)
    public Optional<Open> last(UUID box) {
        return sheets.findThatOpen(box, Limit.of(1)).stream()
                .findFirst()
                .map(row -> open(row, boxes.find(box).house()));
    }

    /** @param key of the sender; what comes with a key that is known was entered before and changes nothing */
    @OnSite
    public Open enter(
            UUID box,
            @Nullable String key,
            String stepId,
            Set<String> confirmed,
            Map<String, BigDecimal> readings,
            String note,
            String who) {
        return add(box, key, new Entry.Done(stepId, confirmed, readings, note, who, now()));
    }

    @OnSite
    public Open tick(UUID box, @Nullable String key, String stepId, String item, boolean on, String who) {
        return add(box, key, new Entry.Ticked(stepId, item, on, who, now()));
    }

    @OnSite
    public Open measure(UUID box, @Nullable String key, String stepId, String item, BigDecimal value, String who) {
        return add(box, key, new Entry.Measured(stepId, item, value, who, now()));
    }

    @OnSite
    public Open skip(UUID box, @Nullable String key, String stepId, String reason, String who) {
        return add(box, key, new Entry.Skipped(stepId, reason, who, now()));
    }

    /** A mistyped value is put right. */
    @OnSite
    public Open correct(
            UUID box, @Nullable String key, String stepId, String item, BigDecimal value, String reason, String who) {
        return add(box, key, new Entry.Corrected(stepId, item, value, reason, who, now()));
    }

    @OnSite
    public Open stop(UUID box, String reason, String who) {
        site.hold(box);
        Open open = require(box);
        String step = open.sheet().current().map(s -> s.id()).orElse("");
        return add(box, null, new Entry.Stopped(step, reason, who, now()));
    }

    /** Something is otherwise than drawn: the sheet stops, and the box goes back to be traced. */
    @OnSite
    public Open foundOtherwise(UUID box, String words, String who) {
        otherwise.saveAndFlush(new FoundOtherwiseRow(box, words, who, now()));
        return stop(box, "Found otherwise than drawn: " + words, who);
    }

    /** What was found otherwise than drawn in some boxes, and is not settled. */
    List<FoundOtherwiseRow> foundOtherwise(Collection<UUID> inBoxes) {
        return otherwise.findByBoxIdInAndSettledAtIsNullOrderByFoundAt(inBoxes);
    }

    /** Somebody has looked into it. */
    @Transactional
    public UUID settle(UUID found, String who) {
        FoundOtherwiseRow row = otherwise.findById(found).orElseThrow(() -> ProblemException.notFound("finding"));
        row.isSettled(who, now());
        return otherwise.saveAndFlush(row).boxId();
    }

    @OnSite
    public Open resume(UUID box, String reason, String who) {
        return add(box, null, new Entry.Resumed(reason, who, now()));
    }

    /** Hangs the own lock on every circuit of the sheet. */
    @OnSite
    public Open lock(UUID box, String who) {
        site.hold(box);
        Open open = require(box);
        locks.hang(open.circuits(), open.box(), who, now());
        return open;
    }

    /** Signs off: takes the own locks for this box off. */
    @OnSite
    public Open signOff(UUID box, String who) {
        site.hold(box);
        Open open = last(box).orElseThrow(() -> ProblemException.notFound("run sheet"));
        if (locks.takeOff(open.box(), who, now()) == 0) {
            throw ProblemException.conflict("No lock of yours hangs for this box.");
        }
        site.isolateAgain(open, true, who + " took the lock for " + label(open.box()) + " off", who, now());
        return last(box).orElseThrow(() -> ProblemException.notFound("run sheet"));
    }

    /** Puts a sheet aside, so that survey and plan can be changed. What it recorded stays. */
    @OnSite
    public Open setAside(UUID box, long version, String who) {
        site.hold(box);
        Open open = require(box);
        if (open.row().version() != version) {
            throw ProblemException.conflict(
                    "Someone else entered something on this sheet. It is not set aside; look at the sheet again.");
        }
        open.row().putAside();
        RunSheetRow aside = sheets.saveAndFlush(open.row());
        site.isolateAgain(open, false, "the work on " + label(open.box()) + " was set aside", who, now());
        return open(aside, open.house());
    }

    private Open add(UUID box, @Nullable String key, Entry entry) {
        // One after the other: what two people enter at the same moment both counts.
        site.hold(box);
        Open open = require(box);
        if (key != null && open.row().entries().stream().anyMatch(known -> key.equals(known.sentKey()))) {
            return open;
        }
        RunSheet.Outcome outcome = open.sheet().judge(entry);
        if (outcome instanceof RunSheet.Refused no) {
            refuse(open.box(), entry, no.field(), no.found(), no.expected());
        }
        RunSheet.Accepted accepted = (RunSheet.Accepted) outcome;
        Step.Effect effect = effectOf(open.sheet(), accepted.entry());
        site.refusal(open, accepted.entry(), effect, locks(open))
                .ifPresent(no -> refuse(open.box(), entry, no.field(), no.found(), no.expected()));
        List<Entry> entries = new java.util.ArrayList<>(entriesOf(open.row()));
        entries.addAll(accepted.entries());
        RunSheet after = RunSheet.replay(open.sheet().steps(), entries);
        if (after.isFinished()) {
            missingPhoto(open)
                    .ifPresent(where -> refuse(
                            open.box(),
                            entry,
                            "stepId",
                            "no photo of " + where + " was taken since the work began",
                            "a photo of the open box, on its Survey sheet"));
        }
        if (SharedCircuits.switchesOn(open.sheet(), accepted.entry())) {
            locks.takeOff(open.box(), entry.who(), now());
            site.isolateAgain(
                    open,
                    false,
                    "circuit " + circuits(open) + " was switched on for " + label(open.box()),
                    entry.who(),
                    now());
        }
        if (effect == Step.Effect.SWITCHED_OFF) {
            locks.hang(open.circuits(), open.box(), entry.who(), now());
        }
        accepted.entries().forEach(one -> open.row()
                .add(mapping.toRow(one, one == accepted.entry() ? key : null), after.isFinished()));
        return new Open(sheets.saveAndFlush(open.row()), after, open.circuits(), open.house(), open.opens());
    }

    /** A box of the work of which no photo was taken; none when all are there. */
    private Optional<String> missingPhoto(Open open) {
        WiringPlan plan = plans.restore(plans.issuedPlan(open.row().planId()), open.house());
        return plan.placesOfWork().stream()
                .filter(place -> !place.implied()
                        && !photos.wereTaken(
                                UUID.fromString(place.id()), open.row().startedAt()))
                .map(ConnectedBoxes.Place::label)
                .findFirst();
    }

    private static String circuits(Open open) {
        return open.circuits().stream().map(open.house()::label).sorted().collect(Collectors.joining(", "));
    }

    private String label(UUID box) {
        return boxes.find(box).row().label();
    }

    /** How the circuits of a sheet stand, in the light of all work on them. */
    @Transactional(readOnly = true)
    public RunSheet.Isolation.State standing(Open open) {
        return site.standing(open);
    }

    private static Step.Effect effectOf(RunSheet sheet, Entry entry) {
        return entry instanceof Entry.Done done
                ? sheet.steps().stream()
                        .filter(step -> step.id().equals(done.stepId()))
                        .findFirst()
                        .orElseThrow()
                        .effect()
                : Step.Effect.NONE;
    }

    /** Says no, and writes down that somebody tried; the note stays when everything else is rolled back. */
    private void refuse(UUID box, Entry entry, String field, String found, String expected) {
        String step = entry instanceof Entry.Corrected corrected
                ? corrected.stepId()
                : entry instanceof Entry.Done done
                        ? done.stepId()
                        : entry instanceof Entry.Skipped skip
                                ? skip.stepId()
                                : entry instanceof Entry.Ticked tick
                                        ? tick.stepId()
                                        : entry instanceof Entry.Measured value ? value.stepId() : "";
        apart.executeWithoutResult(status ->
                refused.save(new RefusedEntryRow(box, step, entry.who(), now(), found + "; expected: " + expected)));
        throw ProblemException.content("The run sheet refuses this", new FieldProblem("/" + field, found, expected));
    }

    private Open require(UUID box) {
        Open open = last(box).orElseThrow(() -> ProblemException.notFound("run sheet"));
        if (open.row().isSetAside()) {
            throw ProblemException.conflict("This run sheet was set aside. Start a new one.");
        }
        return open;
    }

    private Open open(RunSheetRow row, HouseContext house) {
        WiringPlan plan = plans.restore(plans.issuedPlan(row.planId()), house);
        List<Entry> entries = entriesOf(row);
        List<Step> steps = RunSheetPlan.of(house, plan);
        // A sheet that was finished is what it was, whatever a sheet asks for today.
        List<Step> asked = row.isFinished() ? RunSheet.answeredBy(steps, entries) : steps;
        return new Open(
                row,
                RunSheet.replay(asked, entries),
                RunSheetPlan.circuits(plan),
                house,
                plan.opens().stream().map(UUID::fromString).toList());
    }

    private List<Entry> entriesOf(RunSheetRow row) {
        return row.entries().stream().map(mapping::toEntry).toList();
    }

    /** Boxes of a job whose last sheet is finished, with the plan that it was worked from. */
    @Transactional(readOnly = true)
    public Map<UUID, UUID> planFinished(UUID job) {
        return site.last(job).entrySet().stream()
                .filter(last -> last.getValue().isFinished())
                .collect(Collectors.toMap(
                        Map.Entry::getKey, last -> last.getValue().planId()));
    }

    /** A reading as it was made on site. */
    public record Made(String step, Step.Reading reading, BigDecimal value, String who, Instant when) {}

    /**
     * Readings that the last sheet of each box of a job has of it, in the order of the work; what was read at the
     * board stands at the box where the sheet began.
     */
    @Transactional(readOnly = true)
    public Map<UUID, List<Made>> readings(UUID job, HouseContext house) {
        Map<UUID, List<Made>> made = new LinkedHashMap<>();
        lastByBox(job, house)
                .forEach((box, open) -> made.put(
                        box,
                        open.sheet().steps().stream()
                                .flatMap(step -> open.sheet().entryOf(step).stream()
                                        .flatMap(done -> step.readings().stream()
                                                .filter(reading -> done.readings()
                                                                .containsKey(reading.id())
                                                        && box.equals(
                                                                reading.box().isEmpty()
                                                                        ? open.box()
                                                                        : UUID.fromString(reading.box())))
                                                .map(reading -> new Made(
                                                        step.title(),
                                                        reading,
                                                        done.readings().get(reading.id()),
                                                        done.who(),
                                                        done.when()))))
                                .toList()));
        return made;
    }

    /** The last sheet of each box of a job; a work over several boxes has one. */
    @Transactional(readOnly = true)
    public Map<UUID, Open> lastByBox(UUID job, HouseContext house) {
        Map<UUID, Open> sheetsById = new HashMap<>();
        Map<UUID, Open> open = new LinkedHashMap<>();
        site.last(job)
                .forEach((box, row) -> open.put(box, sheetsById.computeIfAbsent(row.id(), id -> open(row, house))));
        return open;
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
