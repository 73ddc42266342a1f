package org.hiddenclerk.app.stage.bench;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.accounts.People;
import org.hiddenclerk.app.platform.secrets.Renewal;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Sealed codes: shown on purpose, sealed anew. */
@RestController
@Needs(Right.CODES)
@RequestMapping("/api/v1/credentials")
@Tag(name = "bench")
class CredentialController {
    private final Credentials credentials;
    private final Renewal renewal;
    private final People people;

    CredentialController(Credentials credentials, Renewal renewal, People people) {
        this.credentials = credentials;
        this.renewal = renewal;
        this.people = people;
    }

    record Purpose(@NotBlank @Size(min = 5, max = 300) String why) {}

    record Shown(String text) {}

    record ShowingView(String why, String shownTo, Instant shownAt) {}

    record Renewed(int sealed) {}

    @PostMapping("/{credential}/showings")
    @Operation(operationId = "showCredential", summary = "Shows a code; who saw it, when and why is written down first")
    Shown show(@PathVariable UUID credential, @Valid @RequestBody Purpose purpose, Principal who) {
        return new Shown(credentials.show(credential, purpose.why().strip(), people.nameOf(who)));
    }

    @GetMapping("/{credential}/showings")
    @Operation(operationId = "credentialShowings")
    List<ShowingView> showings(@PathVariable UUID credential) {
        return credentials.showings(credential).stream()
                .map(row -> new ShowingView(row.why(), row.shownTo(), row.shownAt()))
                .toList();
    }

    @PostMapping("/renew-key")
    @Operation(operationId = "renewCredentialKey", summary = "Wraps every secret with a new key; for leads")
    Renewed renew() {
        return new Renewed(renewal.renew());
    }
}
