package org.hiddenclerk.app.platform.accounts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotEmpty;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.access.Role;
import org.hiddenclerk.app.platform.access.Scope;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Somebody's own account: password, second factor, where it is logged in, and tokens for scripts. */
@RestController
@Needs(Right.OWN)
@RequestMapping("/api/v1")
@Tag(name = "accounts")
class AccountController {
    private final Accounts accounts;
    private final SecondFactors factors;
    private final LoginSessions sessions;
    private final ApiTokens tokens;
    private final QrPicture pictures;

    AccountController(
            Accounts accounts, SecondFactors factors, LoginSessions sessions, ApiTokens tokens, QrPicture pictures) {
        this.accounts = accounts;
        this.factors = factors;
        this.sessions = sessions;
        this.tokens = tokens;
        this.pictures = pictures;
    }

    record AccountView(
            String name,
            String displayName,
            Role role,
            String roleLabel,
            boolean secondFactor,
            int recoveryCodesLeft,
            List<LoginView> logins,
            List<ScopeView> scopes) {}

    /** @param own this very one */
    record LoginView(String id, Instant since, Instant lastUsed, String device, String address, boolean own) {}

    record ScopeView(Scope scope, String label) {}

    record PasswordChange(@NotNull @Size(max = 200) String was, @NotNull @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "PasswordChange[]";
        }
    }

    record Proof(@NotNull @Size(max = 200) String password) {
        @Override
        public String toString() {
            return "Proof[]";
        }
    }

    /** @param picture what a device scans, as SVG */
    record OfferedFactor(String text, String uri, String picture) {}

    record FactorCode(@NotBlank @Size(max = 12) String code) {
        @Override
        public String toString() {
            return "FactorCode[]";
        }
    }

    record RecoveryCodes(List<String> codes) {}

    record NewToken(
            @NotBlank @Size(max = 120) String label,
            @NotEmpty Set<@NotNull Scope> scopes,
            @Min(1) @Max(ApiTokens.LONGEST_DAYS) int days) {}

    record FreshToken(UUID id, String token, Instant expiresAt) {}

    /** @param good neither revoked nor run out */
    record AccessTokenView(
            UUID id, String label, Set<Scope> scopes, Instant createdAt, Instant expiresAt, boolean good) {}

    @GetMapping("/account")
    @Operation(operationId = "account")
    AccountView account(Principal who, HttpServletRequest request) {
        Accounts.Own own = accounts.own(who.getName());
        HttpSession session = request.getSession(false);
        String here = session == null ? "" : LoginSessions.shown(session.getId());
        return new AccountView(
                own.name(),
                own.displayName(),
                own.role(),
                own.role().label(),
                own.secondFactor(),
                own.recoveryCodesLeft(),
                sessions.of(who.getName()).stream()
                        .map(login -> new LoginView(
                                login.id(),
                                login.since(),
                                login.lastUsed(),
                                login.device(),
                                login.address(),
                                login.id().equals(here)))
                        .toList(),
                Arrays.stream(Scope.values())
                        .map(scope -> new ScopeView(scope, scope.label()))
                        .toList());
    }

    @PutMapping("/account/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "changePassword", summary = "A new password; every other login ends")
    void changePassword(@Valid @RequestBody PasswordChange change, Principal who, HttpServletRequest request) {
        mustProve(who, change.was(), "/was");
        accounts.changePassword(who.getName(), change.password());
        HttpSession session = request.getSession(false);
        sessions.endOthers(who.getName(), session == null ? "" : session.getId());
    }

    @PostMapping("/account/second-factor")
    @Operation(
            operationId = "offerSecondFactor",
            summary = "A secret for a device that shows codes; it counts once a code was confirmed")
    OfferedFactor offer(@Valid @RequestBody Proof proof, Principal who) {
        mustProve(who, proof.password(), "/password");
        SecondFactors.Offered offered = factors.offer(who.getName());
        return new OfferedFactor(offered.text(), offered.uri(), pictures.svg(offered.uri()));
    }

    @PostMapping("/account/second-factor/confirmed")
    @Operation(operationId = "confirmSecondFactor", summary = "Recovery codes, shown once")
    RecoveryCodes confirm(@Valid @RequestBody FactorCode code, Principal who) {
        return new RecoveryCodes(factors.confirm(who.getName(), code.code().replace(" ", "")));
    }

    @PostMapping("/account/second-factor/removed")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "removeSecondFactor")
    void remove(@Valid @RequestBody Proof proof, Principal who) {
        mustProve(who, proof.password(), "/password");
        factors.remove(who.getName());
    }

    private void mustProve(Principal who, String password, String pointer) {
        if (!accounts.isPasswordOf(who.getName(), password)) {
            throw ProblemException.content(
                    "The password does not match",
                    new FieldProblem(pointer, "another one", "the password of this account"));
        }
    }

    @DeleteMapping("/account/logins/{login}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "endLogin")
    void end(@PathVariable String login, Principal who) {
        sessions.end(who.getName(), login);
    }

    @GetMapping("/tokens")
    @Operation(operationId = "tokens")
    List<AccessTokenView> tokens(Principal who) {
        return tokens.of(who.getName()).stream()
                .map(t -> new AccessTokenView(
                        t.id(), t.label(), t.scopes(), t.createdAt(), t.expiresAt(), tokens.isGood(t)))
                .toList();
    }

    @PostMapping("/tokens")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "makeToken", summary = "A token for scripts, shown once")
    FreshToken makeToken(@Valid @RequestBody NewToken token, Principal who) {
        ShownOnce fresh = tokens.make(who.getName(), token.label(), token.scopes(), token.days());
        return new FreshToken(fresh.id(), fresh.text(), fresh.expiresAt());
    }

    @DeleteMapping("/tokens/{token}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "revokeToken")
    void revokeToken(@PathVariable UUID token, Principal who) {
        tokens.revoke(who.getName(), token);
    }
}
