package org.hiddenclerk.app.stage.bench;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Arrays;
import java.util.List;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.stage.rules.Rules;
import org.hiddenclerk.core.naming.Convention;
import org.hiddenclerk.core.naming.DeviceName;
import org.hiddenclerk.core.naming.Names;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Names of a job's modules: the convention, what it makes, and renaming by it. */
@RestController
@Needs(Right.WORK)
@RequestMapping("/api/v1/jobs/{job}/names")
@Tag(name = "bench")
class NamesController {
    /** A module has one name, so its channel is no token here. */
    private static final List<TokenView> CHOICES = Arrays.stream(Convention.Token.values())
            .filter(token -> token != Convention.Token.CHANNEL)
            .map(token -> new TokenView(token, token.words()))
            .toList();

    private final Bench bench;
    private final Naming naming;
    private final Rules rules;

    NamesController(Bench bench, Naming naming, Rules rules) {
        this.bench = bench;
        this.naming = naming;
        this.rules = rules;
    }

    record NamingChange(@NotNull @Size(min = 1, max = 6) List<Convention.@NotNull Token> tokens) {}

    /** A name as it is or would be. {@code box} and {@code room} say where. */
    record NameView(String place, String box, String room, String display, String handle) {}

    /** What a name may be built from. */
    record TokenView(Convention.Token token, String words) {}

    /** A module that would be called otherwise. */
    record RenamingView(String place, DeviceName from, DeviceName to) {
        static RenamingView of(Names.Renaming renaming) {
            return new RenamingView(renaming.place().text(), renaming.from(), renaming.to());
        }
    }

    /** How names are built, what comes of it, and what would be called otherwise now; {@code rules} are sentences that speak of these. */
    record NamingView(
            List<Convention.Token> tokens,
            List<TokenView> choices,
            int displayCharacters,
            int handleCharacters,
            List<NameView> names,
            List<RenamingView> renamings,
            List<String> rules) {}

    @GetMapping
    @Operation(operationId = "names")
    NamingView names(@PathVariable UUID job) {
        Bench.State state = bench.of(job);
        var names = naming.names(job, state.all());
        Convention convention = naming.convention(job);
        List<Names.Renaming> renamings = naming.renamings(job, convention);
        return new NamingView(
                convention.tokens(),
                CHOICES,
                DeviceName.DISPLAY_CHARACTERS,
                DeviceName.HANDLE_CHARACTERS,
                state.all().stream()
                        .map(place -> new NameView(
                                place.id().text(),
                                place.label(),
                                place.named().room(),
                                names.get(place.named().id()).display(),
                                names.get(place.named().id()).handle()))
                        .toList(),
                renamings.stream().map(RenamingView::of).toList(),
                rules.sentencesAbout(
                        job,
                        state.all().stream()
                                .filter(place -> renamings.stream().anyMatch(r -> r.place()
                                        .equals(place.named().id())))
                                .map(BenchPlaces.ModulePlace::box)
                                .collect(Collectors.toSet())));
    }

    @PutMapping
    @Operation(
            operationId = "changeNaming",
            summary = "Changes the convention; modules keep their names until they are renamed")
    NamingView changeNaming(@PathVariable UUID job, @Valid @RequestBody NamingChange change) {
        bench.of(job);
        naming.follow(job, new Convention(change.tokens()));
        return names(job);
    }

    @PostMapping("/rename")
    @Operation(operationId = "renameAll", summary = "Calls every module of the job as the convention says now")
    NamingView rename(@PathVariable UUID job) {
        bench.of(job);
        naming.rename(job);
        return names(job);
    }
}
