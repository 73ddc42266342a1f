package org.hiddenclerk.app.accounts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import jakarta.servlet.http.HttpSession;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Pattern;
import jakarta.validation.constraints.Size;
import java.security.Principal;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.context.SecurityContext;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.security.web.context.SecurityContextRepository;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Logging in and out, the first account, and tokens for scripts. */
@RestController
@RequestMapping("/api/v1")
@Tag(name = "accounts")
class SessionController {
    private final AuthenticationManager authentication;
    private final SecurityContextRepository contexts;
    private final LoginThrottle throttle;
    private final Accounts accounts;
    private final ApiTokens tokens;

    SessionController(AuthenticationManager authentication, SecurityContextRepository contexts, LoginThrottle throttle,
                      Accounts accounts, ApiTokens tokens) {
        this.authentication = authentication;
        this.contexts = contexts;
        this.throttle = throttle;
        this.accounts = accounts;
        this.tokens = tokens;
    }

    /** Who is logged in, if anybody, and whether the first account must be made. */
    record SessionView(boolean loggedIn, boolean setupNeeded, @MayBeAbsent String name,
                       @MayBeAbsent String displayName) {
    }

    record Login(@NotBlank @Size(max = 60) String name, @NotNull @Size(max = 200) String password) {
    }

    record Owner(@NotBlank @Size(max = 60) @Pattern(regexp = "[a-z0-9._-]+",
                         message = "small letters, digits, dot, dash and underscore") String name,
                 @NotBlank @Size(max = 120) String displayName,
                 @NotNull @Size(min = 12, max = 200, message = "12 to 200 characters") String password) {
        @Override
        public String toString() {
            return "Owner[name=" + name + "]";
        }
    }

    record NewToken(@NotBlank @Size(max = 120) String label) {
    }

    record FreshToken(UUID id, String token) {
    }

    record TokenView(UUID id, String label, Instant createdAt, boolean revoked) {
    }

    @GetMapping("/session")
    @Operation(operationId = "session")
    SessionView session(@io.swagger.v3.oas.annotations.Parameter(hidden = true) Principal who) {
        if (who == null) {
            return new SessionView(false, accounts.isEmpty(), null, null);
        }
        return new SessionView(true, false, who.getName(), accounts.displayName(who.getName()).orElse(who.getName()));
    }

    @PostMapping("/session")
    @Operation(operationId = "logIn")
    SessionView logIn(@Valid @RequestBody Login login, HttpServletRequest request, HttpServletResponse response) {
        Duration wait = throttle.waitFor(login.name(), request.getRemoteAddr());
        if (!wait.isZero()) {
            response.setHeader("Retry-After", String.valueOf(wait.toSeconds() + 1));
            throw new Unusable(HttpStatus.TOO_MANY_REQUESTS, "Too many failed tries. Try again in "
                    + (wait.toSeconds() + 1) + " seconds.", List.of());
        }
        Authentication who;
        try {
            who = authentication.authenticate(
                    UsernamePasswordAuthenticationToken.unauthenticated(login.name(), login.password()));
        } catch (AuthenticationException refused) {
            throttle.failed(login.name(), request.getRemoteAddr());
            throw new Unusable(HttpStatus.UNAUTHORIZED, "Name and password do not match.",
                    List.of(new FieldProblem("/password", "another one", "the password of this account")));
        }
        throttle.succeeded(login.name(), request.getRemoteAddr());
        enter(who, request, response);
        return session(who);
    }

    private void enter(Authentication who, HttpServletRequest request, HttpServletResponse response) {
        if (request.getSession(false) != null) {
            request.changeSessionId();
        }
        SecurityContext context = SecurityContextHolder.createEmptyContext();
        context.setAuthentication(who);
        SecurityContextHolder.setContext(context);
        contexts.saveContext(context, request, response);
    }

    @DeleteMapping("/session")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "logOut")
    void logOut(HttpServletRequest request) {
        HttpSession session = request.getSession(false);
        if (session != null) {
            session.invalidate();
        }
        SecurityContextHolder.clearContext();
    }

    @PostMapping("/setup")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "makeOwner")
    SessionView makeOwner(@Valid @RequestBody Owner owner, HttpServletRequest request, HttpServletResponse response) {
        accounts.makeOwner(owner.name(), owner.displayName().strip(), owner.password());
        return logIn(new Login(owner.name(), owner.password()), request, response);
    }

    @GetMapping("/tokens")
    @Operation(operationId = "tokens")
    List<TokenView> tokens(Principal who) {
        return tokens.of(who.getName()).stream()
                .map(t -> new TokenView(t.id(), t.label(), t.createdAt(), t.isRevoked())).toList();
    }

    @PostMapping("/tokens")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "makeToken")
    FreshToken makeToken(@Valid @RequestBody NewToken token, Principal who) {
        ApiTokens.Fresh fresh = tokens.make(who.getName(), token.label());
        return new FreshToken(fresh.id(), fresh.text());
    }

    @DeleteMapping("/tokens/{token}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    @Operation(operationId = "revokeToken")
    void revokeToken(@PathVariable UUID token, Principal who) {
        tokens.revoke(who.getName(), token);
    }
}
