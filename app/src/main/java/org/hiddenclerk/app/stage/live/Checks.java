package org.hiddenclerk.app.stage.live;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.rules.SlotFilling;
import org.hiddenclerk.core.live.Check;
import org.hiddenclerk.core.live.CheckPart;
import org.hiddenclerk.core.live.CheckReferences;
import org.hiddenclerk.core.live.CheckRun;
import org.hiddenclerk.core.live.HandoverRehearsal;
import org.hiddenclerk.core.live.LivePlan;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** Checks of houses that run: kept as their people wrote them, and tried on a clock of their own. */
@Service
class Checks {
    private static final int MOST = 200;
    private static final String PARTS = "(givens|whens|thens)";

    private final ChecksRepository rows;
    private final LiveHouses live;
    private final Houses houses;
    private final Clock clock;

    Checks(ChecksRepository rows, LiveHouses live, Houses houses, Clock clock) {
        this.rows = rows;
        this.live = live;
        this.houses = houses;
        this.clock = clock;
    }

    record StoredChecks(long version, List<Check> checks) {}

    @Transactional(readOnly = true)
    public StoredChecks of(UUID job) {
        houses.job(job);
        return rows.findById(job)
                .map(row -> new StoredChecks(
                        row.version(), List.of(CheckJson.MAPPER.readValue(row.document(), Check[].class))))
                .orElse(new StoredChecks(0, List.of()));
    }

    @Transactional
    public void add(UUID job, long version, String who) {
        Check drafted = CheckPart.draft(
                        live.plan(job), "c" + UUID.randomUUID().toString().substring(0, 8))
                .orElseThrow(() -> ProblemException.conflict(
                        "No switch of this house commands anything yet. Pick modules in Match first."));
        change(job, version, who, checks -> {
            List<Check> more = new ArrayList<>(checks);
            more.add(drafted);
            return more;
        });
    }

    @Transactional
    public void addPart(UUID job, long version, String id, CheckPart part, String who) {
        Check added = part.addTo(check(job, id), live.plan(job))
                .orElseThrow(() ->
                        ProblemException.conflict("This house has no sensor or output for this part of a sentence."));
        replace(job, version, added, who);
    }

    /** Takes a part of the sentence away, by its pointer such as {@code /whens/1}. */
    @Transactional
    public void takePart(UUID job, long version, String id, String pointer, String who) {
        ObjectNode json = CheckJson.MAPPER.valueToTree(check(job, id)).asObject();
        SlotFilling.take(json, PARTS, pointer);
        replace(job, version, read(json), who);
    }

    @Transactional
    public void fill(UUID job, long version, String id, String pointer, JsonNode value, String who) {
        ObjectNode json = CheckJson.MAPPER.valueToTree(check(job, id)).asObject();
        SlotFilling.fill(json, PARTS, pointer, value);
        replace(job, version, read(json), who);
    }

    @Transactional
    public void call(UUID job, long version, String id, String name, String who) {
        Check old = check(job, id);
        replace(job, version, new Check(old.id(), name, old.givens(), old.whens(), old.thens()), who);
    }

    @Transactional
    public void remove(UUID job, long version, String id, String who) {
        change(job, version, who, checks -> checks.stream()
                .filter(check -> !check.id().equals(id))
                .toList());
    }

    private static Check read(JsonNode json) {
        try {
            return CheckJson.MAPPER.treeToValue(json, Check.class);
        } catch (JacksonException | NullPointerException | IllegalArgumentException e) {
            throw ProblemException.content(
                    "The sentence cannot be changed so", new FieldProblem("/value", "", "a value that fits this slot"));
        }
    }

    private Check check(UUID job, String id) {
        return of(job).checks().stream()
                .filter(check -> check.id().equals(id))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("check"));
    }

    private void replace(UUID job, long version, Check changed, String who) {
        List<FieldProblem> problems = CheckReferences.problems(live.plan(job), changed).stream()
                .map(problem -> new FieldProblem(problem.pointer(), problem.found(), problem.expected()))
                .toList();
        if (!problems.isEmpty()) {
            throw ProblemException.content("The sentence cannot be changed so", problems);
        }
        change(job, version, who, checks -> checks.stream()
                .map(check -> check.id().equals(changed.id()) ? changed : check)
                .toList());
    }

    private void change(UUID job, long version, String who, UnaryOperator<List<Check>> change) {
        StoredChecks before = of(job);
        if (before.version() != version) {
            throw ProblemException.conflict(
                    "Somebody changed the checks of this house meanwhile. Your entry is not saved; look at them again.");
        }
        List<Check> next = change.apply(before.checks());
        if (next.size() > MOST) {
            throw ProblemException.conflict("A house keeps " + MOST + " checks at most.");
        }
        ChecksRow row = rows.findById(job).orElseGet(() -> new ChecksRow(job));
        row.is(CheckJson.MAPPER.writeValueAsString(next), who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        rows.saveAndFlush(row);
    }

    /** Tries one check; what it names may be gone by now. */
    CheckRun.Result run(UUID job, String id) {
        LivePlan plan = live.plan(job);
        Check check = check(job, id);
        if (!CheckReferences.problems(plan, check).isEmpty()) {
            return new CheckRun.Result(
                    false,
                    java.util.Optional.of("The check names something that is no longer planned."),
                    List.of(),
                    List.of());
        }
        return CheckRun.of(plan, check, clock.instant());
    }

    /** Tests of the handover record for some outputs, each with how it came out. */
    List<Tried> rehearse(UUID job, List<String> outputs) {
        LivePlan plan = live.plan(job);
        return HandoverRehearsal.of(plan).stream()
                .filter(test -> outputs.contains(test.output().text()))
                .map(test -> new Tried(test, CheckRun.of(plan, test.check(), clock.instant())))
                .toList();
    }

    record Tried(HandoverRehearsal.Rehearsed test, CheckRun.Result result) {}
}
