package org.hiddenclerk.app.stage.bench;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.bench.BenchCard;
import org.hiddenclerk.core.bench.BenchStep;
import org.hiddenclerk.core.bench.JoiningCodes;
import org.hiddenclerk.core.credentials.CredentialKind;
import org.hiddenclerk.core.credentials.DeviceAddress;
import org.hiddenclerk.core.joining.Settings;
import org.hiddenclerk.core.naming.DeviceName;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The bench of a job: modules, their steps and codes. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1")
@Tag(name = "bench")
class BenchController {
    private static final TypeReference<List<CredentialKind.Fact>> FACTS = new TypeReference<>() {};

    private final Bench bench;
    private final Credentials credentials;
    private final People people;
    private final JsonMapper json;

    BenchController(Bench bench, Credentials credentials, People people, JsonMapper json) {
        this.bench = bench;
        this.credentials = credentials;
        this.people = people;
        this.json = json;
    }

    /** A step of a module: what came of it, by whom. */
    record BenchStepView(
            BenchStep step,
            String title,
            String how,
            boolean skippable,
            boolean behind,
            @MayBeAbsent BenchCard.Outcome outcome,
            @MayBeAbsent String note,
            @MayBeAbsent String madeBy,
            @MayBeAbsent Instant madeAt) {}

    /** A sealed code: what may be shown of it. */
    record CredentialView(
            UUID id,
            CredentialKind kind,
            String label,
            String masked,
            List<CredentialKind.Fact> facts,
            String keptBy,
            Instant keptAt) {}

    /** A kind of code that a module may have. */
    record CodeKindView(CredentialKind kind, String label) {}

    record SettingValueView(String value, String words) {}

    /** Something that a module may be set to; without values it is a number. */
    record SettingView(String key, String words, List<SettingValueView> values) {}

    /** A module on the bench. */
    record BenchUnitView(
            UUID id,
            long version,
            String serial,
            String moduleCode,
            String name,
            String protocol,
            @MayBeAbsent UUID box,
            @MayBeAbsent String boxLabel,
            @MayBeAbsent String room,
            @MayBeAbsent String display,
            @MayBeAbsent String handle,
            @MayBeAbsent String address,
            Map<String, String> wanted,
            List<SettingView> settings,
            List<BenchStepView> steps,
            List<String> unset,
            @MayBeAbsent BenchStep next,
            boolean ready,
            boolean faulty,
            List<CredentialView> codes,
            List<CodeKindView> kinds) {}

    /**
     * So many places wait for a module of a kind; {@code boxes} are those that they are in, in the order of the house. Of {@code inPlace}
     * the module is in its box already.
     */
    record WaitingView(String moduleCode, long count, List<UUID> boxes, long inPlace) {}

    record BenchView(List<BenchUnitView> units, List<WaitingView> waiting) {}

    /** @param box for which it is taken, if one of its places is free */
    record Taking(
            @NotBlank @Size(max = 40) String moduleCode,
            @NotBlank @Size(max = 80) String serial,
            @MayBeAbsent UUID box) {}

    record Marking(
            long version,
            @NotNull BenchStep step,
            @NotNull BenchCard.Outcome outcome,
            @NotNull @Size(max = 500) String note) {}

    record Freeing(long version) {}

    record Replacing(long version, @NotBlank @Size(max = 80) String serial) {}

    record Addressing(long version, @NotBlank @Size(max = 40) String address) {}

    record Wanting(
            long version,
            @NotNull @Size(max = 40) Map<@NotBlank @Size(max = 40) String, @NotBlank @Size(max = 40) String> wanted) {}

    record Keeping(@NotNull CredentialKind kind, @NotBlank @Size(max = 500) String text) {}

    @GetMapping("/jobs/{job}/bench")
    @Operation(operationId = "bench")
    BenchView bench(@PathVariable UUID job) {
        Bench.State state = bench.of(job);
        return new BenchView(
                state.units().stream().map(unit -> view(unit, state)).toList(),
                state.waiting().stream()
                        .map(BenchPlaces.ModulePlace::module)
                        .distinct()
                        .map(code -> waiting(code, state.waiting()))
                        .toList());
    }

    private static WaitingView waiting(String code, List<BenchPlaces.ModulePlace> places) {
        List<UUID> boxes = places.stream()
                .filter(place -> place.module().equals(code))
                .map(BenchPlaces.ModulePlace::box)
                .toList();
        long inPlace = places.stream()
                .filter(place -> place.module().equals(code) && place.inPlace())
                .count();
        return new WaitingView(code, boxes.size(), boxes, inPlace);
    }

    private BenchUnitView view(Bench.OnBench unit, Bench.State state) {
        BenchUnitRow row = unit.row();
        var place = state.placeOf(row);
        return new BenchUnitView(
                row.id(),
                row.version(),
                row.serial(),
                row.moduleCode(),
                unit.model().name(),
                unit.model().protocol().label(),
                state.boxOf(row).orElse(null),
                place.map(BenchPlaces.ModulePlace::label).orElse(null),
                place.map(p -> p.named().room()).orElse(null),
                row.name().map(DeviceName::display).orElse(null),
                row.name().map(DeviceName::handle).orElse(null),
                row.address().map(digits -> new DeviceAddress(digits).text()).orElse(null),
                unit.wanted(),
                Settings.of(unit.model()).stream()
                        .map(choice -> new SettingView(
                                choice.key(),
                                choice.words(),
                                choice.values().entrySet().stream()
                                        .map(v -> new SettingValueView(v.getKey(), v.getValue()))
                                        .toList()))
                        .toList(),
                steps(unit),
                unit.card().facts().unset(),
                unit.card().next().orElse(null),
                unit.card().isReady(),
                !unit.card().failed().isEmpty(),
                unit.codes().stream().map(this::view).toList(),
                JoiningCodes.of(unit.model().protocol()).stream()
                        .map(kind -> new CodeKindView(kind, kind.label()))
                        .toList());
    }

    private static List<BenchStepView> steps(Bench.OnBench unit) {
        return java.util.Arrays.stream(BenchStep.values())
                .map(step -> {
                    var last = unit.row().marks().stream()
                            .filter(m -> m.mark().step() == step)
                            .reduce((a, b) -> b);
                    return new BenchStepView(
                            step,
                            step.title(),
                            step.how(unit.model().powering(), !unit.model().hasWetContacts()),
                            step.isSkippable(),
                            unit.card().isBehind(step),
                            last.map(m -> m.mark().outcome()).orElse(null),
                            last.map(m -> m.mark().note()).orElse(null),
                            last.map(BenchUnitRow.MarkPart::madeBy).orElse(null),
                            last.map(BenchUnitRow.MarkPart::madeAt).orElse(null));
                })
                .toList();
    }

    private CredentialView view(CredentialRow row) {
        return new CredentialView(
                row.id(),
                row.kind(),
                row.kind().label(),
                row.masked(),
                json.readValue(row.facts(), FACTS),
                row.keptBy(),
                row.keptAt());
    }

    @PostMapping("/jobs/{job}/bench")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(
            operationId = "takeToBench",
            summary = "Takes a module to the bench, for the box named or the first that waits for one of its kind")
    BenchView take(@PathVariable UUID job, @Valid @RequestBody Taking taking, Principal who) {
        bench.take(
                job,
                taking.moduleCode(),
                taking.serial().strip(),
                Optional.ofNullable(taking.box()),
                people.nameOf(who));
        return bench(job);
    }

    @PostMapping("/bench/{unit}/marks")
    @Operation(operationId = "markOnBench")
    BenchView mark(@PathVariable UUID unit, @Valid @RequestBody Marking marking, Principal who) {
        bench.mark(
                unit,
                marking.version(),
                new BenchCard.Mark(
                        marking.step(), marking.outcome(), marking.note().strip()),
                people.nameOf(who));
        return bench(bench.find(unit).jobId());
    }

    @PostMapping("/bench/{unit}/put-aside")
    @Operation(operationId = "putAside", summary = "Puts a module aside; its box waits for another one")
    BenchView putAside(@PathVariable UUID unit, @Valid @RequestBody Freeing freeing) {
        bench.free(unit, freeing.version());
        return bench(bench.find(unit).jobId());
    }

    @PostMapping("/bench/{unit}/replaced")
    @Operation(
            operationId = "replaceModule",
            summary =
                    "Another module of the kind takes over box, name, settings and rules; the old one goes out of its network")
    BenchView replace(@PathVariable UUID unit, @Valid @RequestBody Replacing replacing, Principal who) {
        bench.replace(unit, replacing.version(), replacing.serial().strip(), people.nameOf(who));
        return bench(bench.find(unit).jobId());
    }

    @PutMapping("/bench/{unit}/address")
    @Operation(operationId = "benchAddress")
    BenchView address(@PathVariable UUID unit, @Valid @RequestBody Addressing addressing) {
        bench.address(unit, addressing.version(), addressing.address());
        return bench(bench.find(unit).jobId());
    }

    @PutMapping("/bench/{unit}/settings")
    @Operation(
            operationId = "benchSettings",
            summary = "Says what a module is to be set to; written when it has joined")
    BenchView want(@PathVariable UUID unit, @Valid @RequestBody Wanting wanting) {
        bench.want(unit, wanting.version(), wanting.wanted());
        return bench(bench.find(unit).jobId());
    }

    @PostMapping("/bench/{unit}/credentials")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "keepCredential", summary = "Checks a code by its arithmetic and keeps it sealed")
    BenchView keep(@PathVariable UUID unit, @Valid @RequestBody Keeping keeping, Principal who) {
        UUID job = bench.find(unit).jobId();
        credentials.keep(unit, keeping.kind(), keeping.text(), people.nameOf(who));
        return bench(job);
    }
}
