package org.hiddenclerk.app.stage.live;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.rules.RulesViews.PieceView;
import org.hiddenclerk.app.stage.rules.RulesViews.SentencePartView;
import org.hiddenclerk.app.stage.rules.RulesViews.SlotChoice;
import org.hiddenclerk.app.stage.rules.Slots;
import org.hiddenclerk.core.live.Check;
import org.hiddenclerk.core.live.CheckPart;
import org.hiddenclerk.core.live.CheckRun;
import org.hiddenclerk.core.live.CheckWords;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.HandoverRehearsal;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.live.Parts;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.SentencePart;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Checks of a house that runs, as sentences. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/live/checks")
@Tag(name = "live")
class CheckController {
    private final Checks checks;
    private final LiveHouses live;
    private final People people;

    CheckController(Checks checks, LiveHouses live, People people) {
        this.checks = checks;
        this.live = live;
        this.people = people;
    }

    record CheckView(String id, String name, List<PieceView> sentence, List<SentencePartView> parts) {}

    /** Checks of a house. {@code outputs} are those that the handover can be rehearsed for. */
    record ChecksView(
            long version,
            List<CheckView> checks,
            Map<SentencePart.Kind, List<SlotChoice>> choices,
            List<SlotChoice> parts,
            List<SlotChoice> outputs) {}

    record MetView(String words, boolean met, @MayBeAbsent Long afterMs) {}

    record CheckStepView(long atMs, String words) {}

    record CheckResultView(
            boolean passed, @MayBeAbsent String problem, List<MetView> thens, List<CheckStepView> story) {
        static CheckResultView of(CheckRun.Result result) {
            return new CheckResultView(
                    result.passed(),
                    result.problem().orElse(null),
                    result.thens().stream()
                            .map(met -> new MetView(
                                    met.words(), met.met(), met.afterMs().orElse(null)))
                            .toList(),
                    result.story().stream()
                            .map(step -> new CheckStepView(step.atMs(), step.words()))
                            .toList());
        }
    }

    /** One test of the handover record, rehearsed. */
    record RehearsedView(
            String output, HandoverRehearsal.Kind kind, String label, String sentence, CheckResultView result) {}

    record NewCheck(long version) {}

    record CheckName(long version, @NotBlank @Size(max = 80) String name) {}

    record NewCheckPart(long version, @NotNull CheckPart part) {}

    record CheckFilling(long version, @NotBlank @Size(max = 200) String pointer, @NotNull JsonNode value) {}

    record Rehearsing(@NotNull @Size(min = 1, max = 50) List<@NotBlank @Size(max = 160) String> outputs) {}

    @GetMapping
    @Operation(operationId = "checks")
    ChecksView checks(@PathVariable UUID job) {
        LivePlan plan = live.plan(job);
        Checks.StoredChecks kept = checks.of(job);
        Map<SentencePart.Kind, List<SlotChoice>> choices = new EnumMap<>(SentencePart.Kind.class);
        Arrays.stream(SentencePart.Kind.values()).forEach(kind -> choices.put(kind, choices(plan, kind)));
        return new ChecksView(
                kept.version(),
                kept.checks().stream().map(check -> view(plan, check)).toList(),
                choices,
                Arrays.stream(CheckPart.values())
                        .map(part -> new SlotChoice(part.name(), part.words()))
                        .toList(),
                plan.house().outputs().values().stream()
                        .map(output -> new SlotChoice(output.id().text(), output.name()))
                        .toList());
    }

    private static List<SlotChoice> choices(LivePlan plan, SentencePart.Kind kind) {
        return switch (kind) {
            case SWITCH -> hands(plan);
            case DOING ->
                Arrays.stream(Hand.Doing.values())
                        .map(doing -> new SlotChoice(doing.name(), doing.words()))
                        .toList();
            case PART ->
                Parts.of(plan.house()).stream()
                        .map(part -> new SlotChoice(Parts.keyOf(part), part.words()))
                        .toList();
            default -> Slots.choices(plan.house(), kind);
        };
    }

    private static List<SlotChoice> hands(LivePlan plan) {
        Map<String, String> hands = new LinkedHashMap<>();
        plan.runs().forEach(run -> run.switches().values().forEach(at -> hands.put(at.text(), plan.nameOf(at))));
        plan.house().controls().values().stream()
                .filter(control -> control.kind() == Device.Kind.REMOTE_BUTTON)
                .forEach(control -> hands.put(control.id().text(), control.name()));
        return hands.entrySet().stream()
                .map(hand -> new SlotChoice(hand.getKey(), hand.getValue()))
                .toList();
    }

    private static CheckView view(LivePlan plan, Check check) {
        JsonNode json = CheckJson.MAPPER.valueToTree(check);
        return new CheckView(
                check.id(),
                check.name(),
                CheckWords.of(plan, check).stream()
                        .map(piece -> PieceView.of(piece, json))
                        .toList(),
                SentencePartView.of(CheckWords.parts(plan, check)));
    }

    @PostMapping
    @Operation(operationId = "addCheck", summary = "Drafts a check on the first switch of the house")
    ChecksView add(@PathVariable UUID job, @RequestBody NewCheck added, Principal who) {
        checks.add(job, added.version(), people.nameOf(who));
        return checks(job);
    }

    @PutMapping("/{check}")
    @Operation(operationId = "nameCheck")
    ChecksView name(
            @PathVariable UUID job, @PathVariable String check, @Valid @RequestBody CheckName name, Principal who) {
        checks.call(job, name.version(), check, name.name(), people.nameOf(who));
        return checks(job);
    }

    @PutMapping("/{check}/slot")
    @Operation(operationId = "fillCheckSlot", summary = "Fills a slot of a check's sentence otherwise")
    ChecksView fill(
            @PathVariable UUID job,
            @PathVariable String check,
            @Valid @RequestBody CheckFilling filling,
            Principal who) {
        checks.fill(job, filling.version(), check, filling.pointer(), filling.value(), people.nameOf(who));
        return checks(job);
    }

    @PostMapping("/{check}/parts")
    @Operation(operationId = "addCheckPart", summary = "Adds what is given, what happens, or what must be so")
    ChecksView addPart(
            @PathVariable UUID job, @PathVariable String check, @Valid @RequestBody NewCheckPart added, Principal who) {
        checks.addPart(job, added.version(), check, added.part(), people.nameOf(who));
        return checks(job);
    }

    @DeleteMapping("/{check}/parts")
    @Operation(operationId = "takeCheckPart", summary = "Takes a part of the sentence away")
    ChecksView takePart(
            @PathVariable UUID job,
            @PathVariable String check,
            @RequestParam long version,
            @RequestParam String pointer,
            Principal who) {
        checks.takePart(job, version, check, pointer, people.nameOf(who));
        return checks(job);
    }

    @DeleteMapping("/{check}")
    @Operation(operationId = "removeCheck")
    ChecksView remove(@PathVariable UUID job, @PathVariable String check, @RequestParam long version, Principal who) {
        checks.remove(job, version, check, people.nameOf(who));
        return checks(job);
    }

    @PostMapping("/{check}/run")
    @Operation(operationId = "runCheck", summary = "Tries a check in a house of its own, on a clock of its own")
    CheckResultView run(@PathVariable UUID job, @PathVariable String check) {
        return CheckResultView.of(checks.run(job, check));
    }

    @PostMapping("/rehearsal")
    @Operation(operationId = "rehearseHandover", summary = "Tries the tests of the handover record for some outputs")
    List<RehearsedView> rehearse(@PathVariable UUID job, @Valid @RequestBody Rehearsing rehearsing) {
        LivePlan plan = live.plan(job);
        return checks.rehearse(job, rehearsing.outputs()).stream()
                .map(tried -> new RehearsedView(
                        tried.test().output().text(),
                        tried.test().kind(),
                        tried.test().kind().label(),
                        SentencePart.plain(CheckWords.of(plan, tried.test().check())),
                        CheckResultView.of(tried.result())))
                .toList();
    }
}
