package org.hiddenclerk.app.stage.firmware;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.finding.FindingView;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.bench.Bench;
import org.hiddenclerk.core.firmware.Device;
import org.hiddenclerk.core.firmware.Policy;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.firmware.Rollout;
import org.hiddenclerk.core.firmware.RolloutPlan;
import org.hiddenclerk.core.firmware.Version;
import org.hiddenclerk.core.joining.JoinFindings;
import org.hiddenclerk.core.naming.DeviceName;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Firmware that is kept, and roll-outs. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "firmware")
class FirmwareController {
    private final Rollouts rollouts;
    private final Releases releases;
    private final Bench bench;
    private final People people;

    FirmwareController(Rollouts rollouts, Releases releases, Bench bench, People people) {
        this.rollouts = rollouts;
        this.releases = releases;
        this.bench = bench;
        this.people = people;
    }

    record ReleaseView(
            String kind,
            String version,
            String sha256,
            Set<String> features,
            String notes,
            String keptBy,
            Instant keptAt) {}

    /** A file with the sum that was published beside it. */
    record ReleaseEntry(
            @NotBlank @Size(max = 40) String kind,
            @NotBlank @Size(max = 60) String version,
            @NotNull @Pattern(regexp = "[0-9a-f]{64}") String sha256,
            @NotNull @Size(max = 40) Set<@NotBlank @Size(max = 80) String> features,
            @NotNull @Size(max = 500) String notes,
            byte @NotNull [] file) {}

    /** @param downgrade why versions may go back; left out where they may not */
    record PolicyEntry(
            @Min(1) @Max(50) int batch,
            @Min(1) @Max(10) int tries,
            @Min(1) @Max(50) int stopAfter,
            @MayBeAbsent @Size(max = 300) String downgrade) {
        static PolicyEntry of(Policy policy) {
            return new PolicyEntry(
                    policy.batch(),
                    policy.tries(),
                    policy.stopAfter(),
                    policy.downgrade().orElse(null));
        }

        Policy policy() {
            return new Policy(
                    batch, tries, stopAfter, Optional.ofNullable(downgrade).filter(reason -> !reason.isBlank()));
        }
    }

    /** A module in a roll-out. */
    record UpdateView(
            String unit,
            String place,
            @MayBeAbsent String display,
            String kind,
            @MayBeAbsent String from,
            String to,
            Rollout.Status status) {}

    record LeftView(String place, String reason) {}

    /** A step in words, with when. */
    record HappeningView(Instant when, String words) {}

    record RolloutView(
            UUID id,
            String state,
            String words,
            String madeBy,
            Instant madeAt,
            List<List<UpdateView>> waves,
            List<LeftView> left,
            List<FindingView> findings,
            List<HappeningView> log,
            int done,
            int all) {}

    /** What would be done now. */
    record DueView(List<List<UpdateView>> waves, List<LeftView> left, long minutes) {}

    /** @param policy of this job: that of its last roll-out, or the usual one */
    record FirmwareView(List<ReleaseView> releases, PolicyEntry policy, DueView due, List<RolloutView> rollouts) {}

    @GetMapping("/jobs/{job}/firmware")
    @Operation(operationId = "firmware")
    FirmwareView firmware(@PathVariable UUID job) {
        Map<String, Bench.Ready> modules = new HashMap<>();
        bench.modules(job).forEach(module -> modules.put(module.unit().toString(), module));
        Policy policy = rollouts.policy(job);
        RolloutPlan due = rollouts.plan(job, policy);
        return new FirmwareView(
                releases(),
                PolicyEntry.of(policy),
                new DueView(
                        waves(due, modules, id -> Rollout.Status.WAITING),
                        left(due, modules),
                        Rollouts.estimate(due).toMinutes()),
                rollouts.of(job).stream().map(row -> view(row, modules)).toList());
    }

    private List<ReleaseView> releases() {
        return releases.all().stream()
                .map(row -> new ReleaseView(
                        row.release().kind(),
                        row.release().version().toString(),
                        row.release().sha256(),
                        row.release().features(),
                        row.release().notes(),
                        row.keptBy(),
                        row.keptAt()))
                .toList();
    }

    private RolloutView view(RolloutRow row, Map<String, Bench.Ready> modules) {
        RolloutPlan plan = rollouts.planOf(row);
        List<RolloutEventRow> events = rollouts.events(row.id());
        Rollout rollout =
                Rollout.replay(plan, events.stream().map(RolloutEventRow::event).toList());
        List<FindingView> findings = new ArrayList<>();
        rollout.troubles()
                .forEach((id, why) ->
                        findings.add(FindingView.of(JoinFindings.notUpdated(place(id, modules), named(why, modules)))));
        List<List<UpdateView>> waves = waves(plan, modules, rollout::status);
        return new RolloutView(
                row.id(),
                row.state().name(),
                named(row.words(), modules),
                row.madeBy(),
                row.madeAt(),
                waves,
                left(plan, modules),
                findings,
                events.stream()
                        .map(event -> new HappeningView(event.happenedAt(), words(event, plan, modules)))
                        .toList(),
                (int) waves.stream()
                        .flatMap(List::stream)
                        .filter(update -> update.status() == Rollout.Status.VERIFIED)
                        .count(),
                (int) waves.stream().mapToLong(List::size).sum());
    }

    private static String words(RolloutEventRow event, RolloutPlan plan, Map<String, Bench.Ready> modules) {
        return switch (event.kind()) {
            case "STARTED" -> place(event.device(), modules) + ": begun";
            case "REPORTED" ->
                place(event.device(), modules) + ": says " + event.detail() + ", was "
                        + plan.waves().stream()
                                .flatMap(List::stream)
                                .filter(d -> d.id().equals(event.device()))
                                .findFirst()
                                .flatMap(Device::installed)
                                .map(Version::toString)
                                .orElse("unknown");
            case "FAILED" -> place(event.device(), modules) + ": " + event.detail();
            default -> event.detail() + " says go on";
        };
    }

    /** Modules by their places. */
    private static String named(String words, Map<String, Bench.Ready> modules) {
        String named = words;
        for (String id : modules.keySet()) {
            named = named.replace(id, place(id, modules));
        }
        return named;
    }

    private static String place(String id, Map<String, Bench.Ready> modules) {
        return Optional.ofNullable(modules.get(id))
                .map(module -> module.place().isEmpty() ? module.serial() : module.place())
                .orElse(id);
    }

    private static List<List<UpdateView>> waves(
            RolloutPlan plan,
            Map<String, Bench.Ready> modules,
            java.util.function.Function<String, Rollout.Status> status) {
        return plan.waves().stream()
                .map(wave -> wave.stream()
                        .map(device -> new UpdateView(
                                device.id(),
                                place(device.id(), modules),
                                Optional.ofNullable(modules.get(device.id()))
                                        .flatMap(Bench.Ready::name)
                                        .map(DeviceName::display)
                                        .orElse(null),
                                device.kind(),
                                device.installed().map(Version::toString).orElse(null),
                                plan.releases().get(device.kind()).version().toString(),
                                status.apply(device.id())))
                        .toList())
                .toList();
    }

    private static List<LeftView> left(RolloutPlan plan, Map<String, Bench.Ready> modules) {
        return plan.left().entrySet().stream()
                .map(entry -> new LeftView(place(entry.getKey(), modules), entry.getValue()))
                .toList();
    }

    @PostMapping("/firmware")
    @ResponseStatus(HttpStatus.CREATED)
    @Needs(Right.LEAD)
    @Operation(operationId = "keepFirmware", summary = "Keeps a file whose sum is the one published with it")
    List<ReleaseView> keep(@Valid @RequestBody ReleaseEntry entry, Principal who) {
        Version version = Version.read(entry.version())
                .orElseThrow(() -> ProblemException.content(
                        "The firmware cannot be kept",
                        new FieldProblem(
                                "/version", entry.version(), "a version by Semantic Versioning 2.0.0, like 1.4.0")));
        releases.keep(
                new Release(
                        entry.kind().strip(),
                        version,
                        entry.sha256(),
                        entry.features(),
                        entry.notes().strip()),
                entry.file(),
                people.nameOf(who));
        return releases();
    }

    @PostMapping("/jobs/{job}/rollouts")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "beginRollout")
    FirmwareView begin(@PathVariable UUID job, @Valid @RequestBody PolicyEntry policy, Principal who) {
        rollouts.begin(job, policy.policy(), people.nameOf(who));
        return firmware(job);
    }

    @PostMapping("/rollouts/{rollout}/halt")
    @Operation(operationId = "haltRollout", summary = "Halts after the module that is being done")
    FirmwareView halt(@PathVariable UUID rollout) {
        rollouts.halt(rollout);
        return firmware(rollouts.find(rollout).jobId());
    }

    @PostMapping("/rollouts/{rollout}/go-on")
    @Operation(operationId = "goOnWithRollout", summary = "Somebody has looked, and says go on")
    FirmwareView goOn(@PathVariable UUID rollout, Principal who) {
        rollouts.goOn(rollout, people.nameOf(who));
        return firmware(rollouts.find(rollout).jobId());
    }

    @PostMapping("/rollouts/{rollout}/end")
    @Operation(operationId = "endRollout", summary = "Ends it for good; modules that were not done stay as they are")
    FirmwareView end(@PathVariable UUID rollout) {
        rollouts.end(rollout);
        return firmware(rollouts.find(rollout).jobId());
    }
}
