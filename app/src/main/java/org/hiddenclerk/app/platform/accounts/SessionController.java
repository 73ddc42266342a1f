package org.hiddenclerk.app.platform.accounts;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.Parameter;
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
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Caller;
import org.hiddenclerk.app.platform.access.Needs;
import org.hiddenclerk.app.platform.access.Right;
import org.hiddenclerk.app.platform.access.Role;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.springframework.http.HttpStatus;
import org.springframework.security.authentication.AuthenticationManager;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.AuthenticationException;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Ways in and out: password and second factor, the first account, invitations, and links of households. */
@RestController
@Needs(Right.OPEN)
@RequestMapping("/api/v1")
@Tag(name = "accounts")
class SessionController {
    private static final String NAMES = "[a-z0-9._-]+";
    private static final String NAMES_ARE = "small letters, digits, dot, dash and underscore";

    private final AuthenticationManager authentication;
    private final Entering entering;
    private final LoginThrottle throttle;
    private final Accounts accounts;
    private final SecondFactors factors;
    private final Staff staff;
    private final GuestLinks guests;

    SessionController(
            AuthenticationManager authentication,
            Entering entering,
            LoginThrottle throttle,
            Accounts accounts,
            SecondFactors factors,
            Staff staff,
            GuestLinks guests) {
        this.authentication = authentication;
        this.entering = entering;
        this.throttle = throttle;
        this.accounts = accounts;
        this.factors = factors;
        this.staff = staff;
        this.guests = guests;
    }

    /**
     * Who is logged in, if anybody, and whether the first account must be made.
     *
     * @param job       of a guest
     * @param expiresAt when the link of a guest runs out
     */
    record SessionView(
            boolean loggedIn,
            boolean setupNeeded,
            @MayBeAbsent String name,
            @MayBeAbsent String displayName,
            @MayBeAbsent Role role,
            @MayBeAbsent UUID job,
            @MayBeAbsent Instant expiresAt) {}

    /** @param code of the second factor, or a recovery code; asked for where there is one */
    record Login(
            @NotBlank @Size(max = 60) String name,
            @NotNull @Size(max = 200) String password,
            @MayBeAbsent @Size(max = 40) String code) {
        @Override
        public String toString() {
            return "Login[name=" + name + "]";
        }
    }

    record Owner(
            @NotBlank @Size(max = 60) @Pattern(regexp = NAMES, message = NAMES_ARE) String name,
            @NotBlank @Size(max = 120) String displayName,
            @NotNull @Size(min = PasswordRules.SHORTEST, max = PasswordRules.LONGEST, message = "12 to 200 characters")
                    String password) {
        @Override
        public String toString() {
            return "Owner[name=" + name + "]";
        }
    }

    /** The text of a link. It comes in the body: an address would stand in logs. */
    record LinkText(@NotBlank @Size(max = 200) String text) {
        @Override
        public String toString() {
            return "LinkText[]";
        }
    }

    /** @param name that the account has already; a new person chooses one */
    record InvitationView(
            String displayName, String roleLabel, String invitedBy, Instant expiresAt, @MayBeAbsent String name) {}

    record InvitationAcceptance(
            @NotBlank @Size(max = 200) String text,
            @NotBlank @Size(max = 60) @Pattern(regexp = NAMES, message = NAMES_ARE) String name,
            @NotNull @Size(max = PasswordRules.LONGEST) String password) {
        @Override
        public String toString() {
            return "InvitationAcceptance[name=" + name + "]";
        }
    }

    @GetMapping("/session")
    @Operation(operationId = "session")
    SessionView session(@Parameter(hidden = true) Principal who) {
        Optional<Caller> caller = Caller.of(who);
        if (caller.isEmpty()) {
            return new SessionView(false, accounts.isEmpty(), null, null, null, null, null);
        }
        if (caller.get().role() == Role.GUEST) {
            Optional<GuestLinkRow> link = caller.get().guestLink().flatMap(guests::link);
            return new SessionView(
                    link.isPresent(),
                    false,
                    null,
                    link.map(GuestLinkRow::label).orElse(null),
                    Role.GUEST,
                    link.map(GuestLinkRow::jobId).orElse(null),
                    link.map(GuestLinkRow::expiresAt).orElse(null));
        }
        return new SessionView(
                true,
                false,
                who.getName(),
                accounts.displayName(who.getName()).orElse(who.getName()),
                caller.get().role(),
                null,
                null);
    }

    @PostMapping("/session")
    @Operation(operationId = "logIn")
    SessionView logIn(@Valid @RequestBody Login login, HttpServletRequest request, HttpServletResponse response) {
        Duration wait = throttle.waitFor(login.name(), request.getRemoteAddr());
        if (!wait.isZero()) {
            response.setHeader("Retry-After", String.valueOf(wait.toSeconds() + 1));
            throw new ProblemException(
                    HttpStatus.TOO_MANY_REQUESTS,
                    "Too many failed tries. Try again in " + (wait.toSeconds() + 1) + " seconds.",
                    List.of());
        }
        Authentication who;
        try {
            who = authentication.authenticate(
                    UsernamePasswordAuthenticationToken.unauthenticated(login.name(), login.password()));
        } catch (AuthenticationException refused) {
            throttle.failed(login.name(), request.getRemoteAddr());
            throw new ProblemException(
                    HttpStatus.UNAUTHORIZED,
                    "Name and password do not match.",
                    List.of(new FieldProblem("/password", "another one", "the password of this account")));
        }
        if (accounts.hasSecondFactor(login.name())) {
            mustBringCode(login, request);
        }
        throttle.succeeded(login.name(), request.getRemoteAddr());
        entering.enter(who, request, response);
        return session(who);
    }

    private void mustBringCode(Login login, HttpServletRequest request) {
        if (login.code() == null || login.code().isBlank()) {
            throw new ProblemException(
                    HttpStatus.UNAUTHORIZED,
                    "This account has a second factor.",
                    List.of(new FieldProblem("/code", "none", "the six digits that your device shows now")));
        }
        if (!factors.accepts(login.name(), login.code())) {
            throttle.failed(login.name(), request.getRemoteAddr());
            throw new ProblemException(
                    HttpStatus.UNAUTHORIZED,
                    "The code does not match.",
                    List.of(new FieldProblem(
                            "/code",
                            "another one",
                            "the six digits that your device shows now, each good once, or a recovery code")));
        }
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
        return logIn(new Login(owner.name(), owner.password(), null), request, response);
    }

    @PostMapping("/invitation")
    @Operation(operationId = "readInvitation", summary = "Who is invited by a link, and to what")
    InvitationView invitation(@Valid @RequestBody LinkText link) {
        InvitationRow row = staff.invitation(link.text());
        return new InvitationView(
                row.displayName(),
                row.role().label(),
                row.invitedBy(),
                row.expiresAt(),
                staff.nameFor(row).orElse(null));
    }

    @PostMapping("/invitation/accepted")
    @ResponseStatus(HttpStatus.CREATED)
    @Operation(operationId = "acceptInvitation", summary = "Makes the account, or gives it a new password, and logs in")
    SessionView accept(
            @Valid @RequestBody InvitationAcceptance acceptance,
            HttpServletRequest request,
            HttpServletResponse response) {
        String name = staff.accept(acceptance.text(), acceptance.name(), acceptance.password());
        return logIn(new Login(name, acceptance.password(), null), request, response);
    }

    @PostMapping("/visit")
    @Operation(operationId = "visit", summary = "Opens a household's link")
    SessionView visit(@Valid @RequestBody LinkText link, HttpServletRequest request, HttpServletResponse response) {
        // Nobody guesses 256 bits: a link needs no slowing down, and one who tries must not keep others out.
        GuestLinkRow row = guests.opened(link.text())
                .orElseThrow(() -> ProblemException.conflict(
                        "This link does not lead anywhere, or it has run out. Ask the firm for a new one."));
        Authentication who = UsernamePasswordAuthenticationToken.authenticated(
                Caller.guestName(row.id()), null, Caller.authorities(Role.GUEST));
        entering.enter(who, request, response);
        return session(who);
    }
}
