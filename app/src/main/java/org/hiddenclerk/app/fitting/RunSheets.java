package org.hiddenclerk.app.fitting;

import java.math.BigDecimal;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.planning.IssuedPlanRow;
import org.hiddenclerk.app.planning.Plans;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.core.fitting.Entry;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.fitting.RunSheetPlan;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Work on run sheets. The order of the gates is the core's; nothing is kept that it refuses. */
@Service
class RunSheets {
    private final RunSheetRepository sheets;
    private final Boxes boxes;
    private final Plans plans;
    private final EntryMapping mapping;
    private final Clock clock;

    RunSheets(RunSheetRepository sheets, Boxes boxes, Plans plans, EntryMapping mapping, Clock clock) {
        this.sheets = sheets;
        this.boxes = boxes;
        this.plans = plans;
        this.mapping = mapping;
        this.clock = clock;
    }

    /** A stored sheet with the state its entries add up to. */
    record Open(RunSheetRow row, RunSheet sheet) {
    }

    /** Starts a sheet from the issued plan, which must still be what the box is. */
    @Transactional
    public Open start(UUID box, String who) {
        Boxes.Found found = boxes.find(box);
        if (sheets.existsByBoxIdAndFinishedFalseAndSetAsideFalse(box)) {
            throw Unusable.conflict("A run sheet is open on this box already.");
        }
        IssuedPlanRow plan = plans.lastIssued(box)
                .orElseThrow(() -> Unusable.conflict("No plan is issued for this box. Issue it on the Draw sheet first."));
        if (!plans.isCurrent(plan, found)) {
            throw Unusable.conflict("The box, or one that its cables lead to, changed after the plan was issued. Issue the plan again first.");
        }
        RunSheetRow row = sheets.save(new RunSheetRow(plan.id(), box, who, now()));
        return open(row, found.house());
    }

    @Transactional(readOnly = true)
    public Optional<Open> last(UUID box) {
        return sheets.findFirstByBoxIdOrderByStartedAtDesc(box).map(row -> open(row, boxes.find(box).house()));
    }

    @Transactional
    public Open enter(UUID box, long version, String stepId, Set<String> confirmed, Map<String, BigDecimal> readings,
                      String note, String who) {
        return add(box, version, new Entry.Done(stepId, confirmed, readings, note, who, now()));
    }

    @Transactional
    public Open stop(UUID box, long version, String reason, String who) {
        Open open = require(box, version);
        String step = open.sheet().current().map(s -> s.id()).orElse("");
        return add(box, version, new Entry.Stopped(step, reason, who, now()));
    }

    @Transactional
    public Open resume(UUID box, long version, String reason, String who) {
        return add(box, version, new Entry.Resumed(reason, who, now()));
    }

    /** Puts a sheet aside, so that survey and plan can be changed. What it recorded stays. */
    @Transactional
    public Open setAside(UUID box, long version) {
        Open open = require(box, version);
        open.row().putAside();
        return open(sheets.saveAndFlush(open.row()), boxes.find(box).house());
    }

    private Open add(UUID box, long version, Entry entry) {
        Open open = require(box, version);
        RunSheet.Outcome outcome = open.sheet().judge(entry);
        if (outcome instanceof RunSheet.Refused refused) {
            throw Unusable.content("The run sheet refuses this", new FieldProblem("/" + refused.field(),
                    refused.found(), refused.expected()));
        }
        Entry accepted = ((RunSheet.Accepted) outcome).entry();
        List<Entry> entries = new java.util.ArrayList<>(entriesOf(open.row()));
        entries.add(accepted);
        RunSheet after = RunSheet.replay(open.sheet().steps(), entries);
        open.row().add(mapping.toRow(accepted), after.isFinished());
        return new Open(sheets.saveAndFlush(open.row()), after);
    }

    private Open require(UUID box, long version) {
        Open open = last(box).orElseThrow(() -> Unusable.notFound("run sheet"));
        if (open.row().isSetAside()) {
            throw Unusable.conflict("This run sheet was set aside. Start a new one.");
        }
        if (open.row().version() != version) {
            throw Unusable.conflict("Someone else entered something on this sheet. Your entry is not saved; look at "
                    + "the sheet again.");
        }
        return open;
    }

    private Open open(RunSheetRow row, HouseContext house) {
        WiringPlan plan = plans.restore(plans.issuedPlan(row.planId()), house);
        return new Open(row, RunSheet.replay(RunSheetPlan.of(house, plan),
                entriesOf(row)));
    }

    private List<Entry> entriesOf(RunSheetRow row) {
        return row.entries().stream().map(mapping::toEntry).toList();
    }

    /** The last sheet of each box of a job. */
    @Transactional(readOnly = true)
    public Map<UUID, Open> lastByBox(UUID job, HouseContext house) {
        Map<UUID, RunSheetRow> last = new LinkedHashMap<>();
        sheets.findByJob(job).forEach(row -> last.put(row.boxId(), row));
        Map<UUID, Open> open = new LinkedHashMap<>();
        last.forEach((box, row) -> open.put(box, open(row, house)));
        return open;
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
