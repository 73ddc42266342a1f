package org.hiddenclerk.app.stage.choosing;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.settings.HouseDocument;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.platform.background.Worker;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.core.matching.allocation.Allocation;
import org.hiddenclerk.core.matching.allocation.AllocationTask;
import org.hiddenclerk.core.matching.allocation.Allocator;
import org.hiddenclerk.core.matching.allocation.Attempt;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Chooses for whole houses in the background, one after the other; how far it is stands in the database. */
@Service
class ChooseHouse {
    private static final Logger LOG = LoggerFactory.getLogger(ChooseHouse.class);
    private static final Duration LIMIT = Duration.ofSeconds(60);

    private final HouseChoiceRepository choices;
    private final HouseMatches matches;
    private final Houses houses;
    private final HouseSettings settings;
    private final StockBook stock;
    private final JsonMapper json;
    private final Clock clock;
    private final TransactionTemplate transaction;
    private final ExecutorService worker = Worker.named("choose-house");
    private final Map<UUID, Boolean> stopped = new ConcurrentHashMap<>();

    ChooseHouse(
            HouseChoiceRepository choices,
            HouseMatches matches,
            Houses houses,
            HouseSettings settings,
            StockBook stock,
            JsonMapper json,
            Clock clock,
            TransactionTemplate transaction) {
        this.choices = choices;
        this.matches = matches;
        this.houses = houses;
        this.settings = settings;
        this.stock = stock;
        this.json = json;
        this.clock = clock;
        this.transaction = transaction;
    }

    @PreDestroy
    void close() {
        worker.shutdownNow();
    }

    UUID start(UUID job, ChoiceDocument.Asked asked, String who) {
        HouseChoiceRow row = choices.saveAndFlush(new HouseChoiceRow(
                houses.job(job).id(), asked.name(), json.writeValueAsString(asked), matches.restsOn(job), who, now()));
        worker.execute(() -> run(row.id(), job, asked));
        return row.id();
    }

    /** A choice that is running ends at its next step; one that has ended stays. */
    void stop(UUID choice) {
        find(choice);
        stopped.put(choice, true);
    }

    HouseChoiceRow find(UUID choice) {
        return choices.findById(choice).orElseThrow(() -> ProblemException.notFound("choice"));
    }

    List<HouseChoiceRow> ofJob(UUID job) {
        return choices.findByJobIdOrderByStartedAtDesc(houses.job(job).id());
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }

    private void run(UUID choice, UUID job, ChoiceDocument.Asked asked) {
        Allocator.Watch watch = new Allocator.Watch() {
            @Override
            public void reached(String words) {
                change(choice, row -> row.reached(words));
            }

            @Override
            public boolean wantsToStop() {
                return stopped.containsKey(choice) || Thread.currentThread().isInterrupted();
            }
        };
        try {
            watch.reached("judging every module at every position");
            HouseSurvey survey = matches.survey(job);
            HouseMatch.Result matched = matches.match(job, survey);
            AllocationTask task = task(job, survey, matched, asked);
            Attempt attempt = watch.wantsToStop() ? new Attempt.Stopped() : Allocator.attempt(task, watch);
            if (attempt instanceof Attempt.Made made) {
                String result = json.writeValueAsString(ChoiceDocument.Outcome.of(made.allocation(), task, matched));
                change(choice, row -> row.ended(HouseChoiceRow.State.DONE, "done", result, now()));
            } else {
                change(
                        choice,
                        row -> row.ended(
                                attempt instanceof Attempt.Stopped
                                        ? HouseChoiceRow.State.STOPPED
                                        : HouseChoiceRow.State.FAILED,
                                words(attempt),
                                null,
                                now()));
            }
        } catch (RuntimeException e) {
            LOG.warn("A choice for a house failed", e);
            change(
                    choice,
                    row -> row.ended(
                            HouseChoiceRow.State.FAILED, "it could not be finished; the log says why", null, now()));
        } finally {
            stopped.remove(choice);
        }
    }

    private static String words(Attempt attempt) {
        return attempt instanceof Attempt.Stopped
                ? "stopped"
                : attempt instanceof Attempt.Impossible impossible
                        ? "no choice keeps all of it: "
                                + impossible.rules().stream()
                                        .sorted()
                                        .map(Attempt.Rule::words)
                                        .collect(Collectors.joining(", or "))
                        : "none was found in " + LIMIT.toSeconds() + " seconds; that there is none is not shown";
    }

    private void change(UUID choice, java.util.function.Consumer<HouseChoiceRow> change) {
        transaction.executeWithoutResult(status -> choices.findById(choice).ifPresent(change));
    }

    private AllocationTask task(UUID job, HouseSurvey survey, HouseMatch.Result matched, ChoiceDocument.Asked asked) {
        HouseDocument document = settings.house(job).document();
        return new AllocationTask(
                survey,
                matched.units(),
                matched.options(),
                settings.terms(job),
                document.weights().toWeights(),
                stock.onHand(),
                stock.cheapestBypassCents(),
                asked.pins().stream().map(ChoiceDocument.PinEntry::toPin).toList(),
                document.oneMaker(),
                document.radio(survey.house().region()),
                LIMIT);
    }

    /** Why a unit did not get a module: the rules that forbid it, or what the whole plan would cost more with it. */
    WhyNotAnswer whyNot(UUID choice, String unit, String module) {
        HouseChoiceRow row = find(choice);
        ChoiceDocument.Asked asked = json.readValue(row.request(), ChoiceDocument.Asked.class);
        HouseSurvey survey = matches.survey(row.jobId());
        HouseMatch.Result matched = matches.match(row.jobId(), survey);
        boolean known = matched.units().stream().anyMatch(u -> u.id().equals(unit));
        if (!known || stock.catalogue().find(module).isEmpty()) {
            throw ProblemException.content(
                    "There is no such choice",
                    new FieldProblem("#unit", unit + ", " + module, "a unit of the house and a module"));
        }
        AllocationTask task = task(row.jobId(), survey, matched, asked);
        boolean allowed = task.options().stream()
                .anyMatch(o ->
                        o.model().code().equals(module) && o.units().stream().anyMatch(u -> u.id().equals(unit)));
        if (!allowed) {
            return WhyNotAnswer.forbidden(matched, unit, module);
        }
        Allocation best =
                Allocator.solve(task).orElseThrow(() -> ProblemException.conflict("No choice was found in time."));
        Attempt with = Allocator.with(task, unit, module);
        return with instanceof Attempt.Made made
                ? WhyNotAnswer.dearer(Allocator.dearer(task, best, made.allocation()), survey)
                : with instanceof Attempt.Impossible impossible
                        ? WhyNotAnswer.of(impossible)
                        : WhyNotAnswer.notInTime();
    }
}
