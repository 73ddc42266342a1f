package org.hiddenclerk.app.stage.bench;

import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import java.util.function.UnaryOperator;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.secrets.KeepsSecrets;
import org.hiddenclerk.app.platform.secrets.KeyRing;
import org.hiddenclerk.app.platform.secrets.Sealed;
import org.hiddenclerk.core.credentials.Checked;
import org.hiddenclerk.core.credentials.CredentialKind;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.json.JsonMapper;

/** Keeps credentials sealed, and shows one on purpose only. */
@Service
public class Credentials implements KeepsSecrets {
    private final CredentialRepository credentials;
    private final ShowingRepository showings;
    private final BenchUnitRepository units;
    private final KeyRing keys;
    private final JsonMapper json;
    private final Clock clock;

    Credentials(
            CredentialRepository credentials,
            ShowingRepository showings,
            BenchUnitRepository units,
            KeyRing keys,
            JsonMapper json,
            Clock clock) {
        this.credentials = credentials;
        this.showings = showings;
        this.units = units;
        this.keys = keys;
        this.json = json;
        this.clock = clock;
    }

    /** @throws ProblemException with the rule that it breaks, or the module that has the same one */
    @Transactional
    public void keep(UUID unit, CredentialKind kind, String typed, String who) {
        Checked<CredentialKind.Read> checked = kind.read(typed);
        CredentialKind.Read read = checked.value()
                .orElseThrow(() -> ProblemException.content(
                        "The " + kind.label() + " cannot be kept: "
                                + checked.flaw().orElseThrow().rule().words(),
                        new FieldProblem(
                                "/text",
                                checked.flaw().orElseThrow().found(),
                                checked.flaw().orElseThrow().expected())));
        byte[] print = keys.print(kind + " " + read.text());
        credentials.findByPrint(print).ifPresent(other -> {
            throw ProblemException.content(
                    "The " + kind.label() + " cannot be kept",
                    new FieldProblem(
                            "/text",
                            "the code of the module with serial "
                                    + units.findById(other.unitId())
                                            .orElseThrow()
                                            .serial(),
                            "a code that no other module has"));
        });
        CredentialRow row =
                new CredentialRow(unit, kind, print, read.masked(), json.writeValueAsString(read.facts()), who, now());
        row.isSealed(keys.seal(read.text(), row.about()));
        credentials.saveAndFlush(row);
    }

    List<CredentialRow> of(List<UUID> ofUnits) {
        return credentials.findByUnitIdInOrderByKeptAt(ofUnits);
    }

    /** The text, after its showing is written down. */
    @Transactional
    public String show(UUID credential, String why, String who) {
        CredentialRow row = credentials.findById(credential).orElseThrow(() -> ProblemException.notFound("credential"));
        showings.saveAndFlush(new ShowingRow(credential, why, who, now()));
        return keys.open(row.sealed(), row.about());
    }

    /** A code that was opened for the sealed section of a job. */
    public record Opened(String name, String serial, String kind, String text) {}

    /** Every code of a job's modules, after the showing of each is written down. */
    @Transactional
    public List<Opened> openAll(UUID job, String why, String who) {
        List<Opened> opened = new ArrayList<>();
        for (BenchUnitRow unit : units.findByJobIdOrderByTakenAt(job)) {
            for (CredentialRow row : credentials.findByUnitIdInOrderByKeptAt(List.of(unit.id()))) {
                opened.add(new Opened(
                        unit.name().map(name -> name.display()).orElse(unit.moduleCode()),
                        unit.serial(),
                        row.kind().label(),
                        show(row.id(), why, who)));
            }
        }
        return opened;
    }

    /** What a module joins by, handed to its network; no person sees it. */
    @Transactional(readOnly = true)
    public Optional<String> textFor(UUID unit) {
        return credentials.findByUnitIdInOrderByKeptAt(List.of(unit)).stream()
                .map(row -> keys.open(row.sealed(), row.about()))
                .findFirst();
    }

    List<ShowingRow> showings(UUID credential) {
        return showings.findByCredentialIdOrderByShownAt(credential);
    }

    @Transactional
    public void forget(UUID credential) {
        CredentialRow row = credentials.findById(credential).orElseThrow(() -> ProblemException.notFound("credential"));
        if (!showings(credential).isEmpty()) {
            throw ProblemException.conflict(
                    "This code was shown to people; its showings stay on record, and it with them.");
        }
        credentials.delete(row);
    }

    @Override
    @Transactional
    public int wrapAnew(UnaryOperator<Sealed> wrapped) {
        List<CredentialRow> all = credentials.findAll();
        // What the ring's key sealed itself gets a key of its own now.
        all.forEach(row -> row.isSealed(wrapped.apply(
                row.sealed().dataKey().length == 0
                        ? keys.seal(keys.open(row.sealed(), row.about()), row.about())
                        : row.sealed())));
        credentials.saveAllAndFlush(all);
        return all.size();
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
