package org.hiddenclerk.app.stage.fitting;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.stream.Collectors;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.fitting.Entry;
import org.hiddenclerk.core.fitting.Locks;
import org.hiddenclerk.core.fitting.RunSheet;
import org.hiddenclerk.core.fitting.SharedCircuits;
import org.hiddenclerk.core.fitting.Step;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.transaction.support.TransactionTemplate;

/** All work that goes on in a house, for whoever is about to do something to a circuit. */
final class Site {
    private final RunSheetRepository sheets;
    private final Boxes boxes;
    private final Function<UUID, Map<UUID, List<UUID>>> opened;
    private final EntryMapping mapping;
    private final JdbcClient jdbc;
    private final TransactionTemplate apart;
    private final BiFunction<RunSheetRow, HouseContext, RunSheets.Open> opening;

    /** @param opened boxes that each issued plan of a job opens */
    Site(
            RunSheetRepository sheets,
            Boxes boxes,
            Function<UUID, Map<UUID, List<UUID>>> opened,
            EntryMapping mapping,
            JdbcClient jdbc,
            TransactionTemplate apart,
            BiFunction<RunSheetRow, HouseContext, RunSheets.Open> opening) {
        this.sheets = sheets;
        this.boxes = boxes;
        this.opened = opened;
        this.mapping = mapping;
        this.jdbc = jdbc;
        this.apart = apart;
        this.opening = opening;
    }

    /** Holds the site of a box until the transaction ends, so that entries come one after the other. */
    void hold(UUID box) {
        UUID job = jdbc.sql("SELECT r.job_id FROM box b JOIN room r ON b.room_id = r.id WHERE b.id = :box")
                .param("box", box)
                .query(UUID.class)
                .optional()
                .orElse(null);
        if (job != null && !isHeld(job)) {
            // Once a house. A row of its own: whoever writes down a refusal beside the transaction refers to the job.
            apart.executeWithoutResult(status -> jdbc.sql("INSERT IGNORE INTO site_hold (job_id) VALUES (:job)")
                    .param("job", job)
                    .update());
            isHeld(job);
        }
    }

    private boolean isHeld(UUID job) {
        return jdbc.sql("SELECT job_id FROM site_hold WHERE job_id = :job FOR UPDATE")
                .param("job", job)
                .query(UUID.class)
                .optional()
                .isPresent();
    }

    /** The last sheet of each box of a job: that of the last work that opens it. */
    Map<UUID, RunSheetRow> last(UUID job) {
        List<RunSheetRow> all = sheets.findByJob(job);
        Map<UUID, List<UUID>> opens = all.isEmpty() ? Map.of() : opened.apply(job);
        Map<UUID, RunSheetRow> last = new LinkedHashMap<>();
        for (RunSheetRow row : all) {
            opens.getOrDefault(row.planId(), List.of()).forEach(box -> last.put(box, row));
            last.put(row.boxId(), row);
        }
        return last;
    }

    List<RunSheetRow> unfinished(UUID job) {
        return last(job).values().stream()
                .filter(row -> !row.isFinished())
                .distinct()
                .toList();
    }

    private List<RunSheets.Open> others(RunSheets.Open own) {
        UUID job = boxes.find(own.row().boxId()).job();
        return unfinished(job).stream()
                .filter(row -> !row.id().equals(own.row().id()))
                .map(row -> opening.apply(row, own.house()))
                .toList();
    }

    private SharedCircuits.Work work(RunSheets.Open open) {
        return new SharedCircuits.Work(
                boxes.find(open.row().boxId()).row().label(),
                open.sheet(),
                labels(open),
                open.row().isSetAside());
    }

    private static Set<String> labels(RunSheets.Open open) {
        return open.circuits().stream().map(open.house()::label).collect(Collectors.toSet());
    }

    /** Why an entry is refused because of the work of others. Who only ticks or measures asks no more than the own lock. */
    Optional<RunSheet.Refused> refusal(
            RunSheets.Open own, Entry entry, Step.Effect effect, Collection<Locks.Lock> locks) {
        boolean switches = effect != Step.Effect.NONE && effect != Step.Effect.PROVED_DEAD;
        List<SharedCircuits.Work> others =
                switches ? others(own).stream().map(this::work).toList() : List.of();
        return SharedCircuits.refusal(work(own), others, locks, entry);
    }

    /** Everybody who took the circuits to be off isolates them again. */
    void isolateAgain(RunSheets.Open by, boolean itself, String why, String who, Instant now) {
        List<RunSheets.Open> all = new ArrayList<>(others(by));
        if (itself) {
            all.add(by);
        }
        Map<SharedCircuits.Work, RunSheets.Open> works = new LinkedHashMap<>();
        all.forEach(open -> works.put(work(open), open));
        for (SharedCircuits.Work voided : SharedCircuits.voidedBy(work(by), works.keySet())) {
            RunSheetRow row = works.get(voided).row();
            row.add(mapping.toRow(new Entry.Voided(why, who, now), null), false);
            sheets.saveAndFlush(row);
        }
    }

    /** How the circuits of a sheet stand: by itself, or by who else holds one of them on or off. */
    RunSheet.Isolation.State standing(RunSheets.Open open) {
        if (open.row().isSetAside()
                || open.sheet().isFinished()
                || open.sheet().isolation().state() != RunSheet.Isolation.State.ON) {
            return open.sheet().isolation().state();
        }
        SharedCircuits.Work own = work(open);
        List<SharedCircuits.Work> others = others(open).stream().map(this::work).toList();
        List<RunSheet.Isolation.State> states = own.circuits().stream()
                .map(circuit -> SharedCircuits.standing(own, circuit, others).state())
                .toList();
        // Of several circuits the one that is on counts.
        return states.contains(RunSheet.Isolation.State.ON)
                ? RunSheet.Isolation.State.ON
                : states.contains(RunSheet.Isolation.State.LIVE_WHILE_OPEN)
                        ? RunSheet.Isolation.State.LIVE_WHILE_OPEN
                        : states.stream().findFirst().orElse(RunSheet.Isolation.State.ON);
    }
}
