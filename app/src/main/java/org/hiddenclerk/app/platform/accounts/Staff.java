package org.hiddenclerk.app.platform.accounts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.access.Role;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The people of the firm: invited, given a role and jobs, shut out. */
@Service
class Staff {
    private static final String PREFIX = "invited_";
    private static final Duration GOOD_FOR = Duration.ofDays(7);

    private final AccountRepository accounts;
    private final InvitationRepository invitations;
    private final Accounts making;
    private final LoginSessions sessions;
    private final JdbcClient jdbc;
    private final Clock clock;

    Staff(
            AccountRepository accounts,
            InvitationRepository invitations,
            Accounts making,
            LoginSessions sessions,
            JdbcClient jdbc,
            Clock clock) {
        this.accounts = accounts;
        this.invitations = invitations;
        this.making = making;
        this.sessions = sessions;
        this.jdbc = jdbc;
        this.clock = clock;
    }

    /** Somebody of the firm with the jobs that are assigned. */
    record Person(
            UUID id,
            String name,
            String displayName,
            Role role,
            boolean disabled,
            boolean secondFactor,
            List<UUID> jobs) {}

    @Transactional(readOnly = true)
    public List<Person> people() {
        Map<UUID, List<UUID>> jobs = jdbc
                .sql("SELECT account_id, job_id FROM assignment")
                .query((rs, n) -> Map.entry(rs.getObject(1, UUID.class), rs.getObject(2, UUID.class)))
                .list()
                .stream()
                .collect(Collectors.groupingBy(
                        Map.Entry::getKey, Collectors.mapping(Map.Entry::getValue, Collectors.toList())));
        return accounts.findAll().stream()
                .sorted(java.util.Comparator.comparing(AccountRow::createdAt))
                .map(row -> new Person(
                        row.id(),
                        row.name(),
                        row.displayName(),
                        row.role(),
                        row.isDisabled(),
                        row.secondFactor().isPresent(),
                        jobs.getOrDefault(row.id(), List.of())))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<InvitationRow> open() {
        return invitations.findByUsedAtIsNullOrderByCreatedAt().stream()
                .filter(row -> row.isGoodAt(clock.instant()))
                .toList();
    }

    @Transactional
    public ShownOnce invite(String displayName, Role role, String who) {
        return invitation(Optional.empty(), displayName, role, who);
    }

    /** For somebody who lost the password or the second factor: both are set anew by the link. */
    @Transactional
    public ShownOnce inviteAgain(UUID person, String who) {
        AccountRow row = row(person);
        return invitation(Optional.of(row.id()), row.displayName(), row.role(), who);
    }

    private ShownOnce invitation(Optional<UUID> account, String displayName, Role role, String who) {
        mustBeOfTheFirm(role);
        String text = Secrets.fresh(PREFIX);
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        InvitationRow row = invitations.save(
                new InvitationRow(account, Secrets.hash(text), displayName, role, who, now, now.plus(GOOD_FOR)));
        return new ShownOnce(row.id(), text, row.expiresAt());
    }

    private static void mustBeOfTheFirm(Role role) {
        if (role == Role.GUEST) {
            throw ProblemException.content(
                    "Guests come by a link of their house",
                    new FieldProblem("/role", role.label(), "Owner, Lead or Fitter"));
        }
    }

    @Transactional
    public void withdraw(UUID invitation) {
        invitations
                .findById(invitation)
                .orElseThrow(() -> ProblemException.notFound("invitation"))
                .used(clock.instant());
    }

    @Transactional(readOnly = true)
    public InvitationRow invitation(String text) {
        return invitations
                .findByHash(Secrets.hash(text))
                .filter(row -> row.isGoodAt(clock.instant()))
                .orElseThrow(Staff::gone);
    }

    /** The name of the account if it is there already. */
    @Transactional(readOnly = true)
    public Optional<String> nameFor(InvitationRow invitation) {
        return invitation.account().map(id -> row(id).name());
    }

    /** @return the name to log in with */
    @Transactional
    public String accept(String text, String name, String password) {
        InvitationRow invitation = invitations
                .findLockedByHash(Secrets.hash(text))
                .filter(row -> row.isGoodAt(clock.instant()))
                .orElseThrow(Staff::gone);
        invitation.used(clock.instant());
        if (invitation.account().isEmpty()) {
            return making.make(name, invitation.displayName(), password, invitation.role())
                    .name();
        }
        AccountRow row = row(invitation.account().get());
        making.changePassword(row.name(), password);
        row.noFactor();
        sessions.endAll(row.name());
        return row.name();
    }

    private static ProblemException gone() {
        return ProblemException.conflict("This invitation was used, withdrawn or has run out. Ask for a new one.");
    }

    /** @throws ProblemException when nobody would be left who owns the firm's jobs */
    @Transactional
    public void change(UUID person, Role role, boolean disabled) {
        AccountRow row = row(person);
        boolean owns = role == Role.OWNER && !disabled;
        if (!owns
                && accounts.findByRole(Role.OWNER).stream()
                        .allMatch(owner -> owner.id().equals(person) || owner.isDisabled())) {
            throw ProblemException.conflict(
                    "Nobody would be left to own the firm's jobs. Make somebody else an owner first.");
        }
        mustBeOfTheFirm(role);
        if (row.role() == role && row.isDisabled() == disabled) {
            return;
        }
        row.becomes(role);
        row.disabled(disabled ? clock.instant() : null);
        // A login carries the role that it was made with.
        sessions.endAll(row.name());
    }

    @Transactional
    public void assign(UUID job, Set<UUID> people) {
        people.forEach(this::row);
        jdbc.sql("DELETE FROM assignment WHERE job_id = :job")
                .param("job", job.toString())
                .update();
        for (UUID person : people) {
            jdbc.sql("INSERT INTO assignment (job_id, account_id) VALUES (:job, :person)")
                    .param("job", job.toString())
                    .param("person", person.toString())
                    .update();
        }
    }

    private AccountRow row(UUID person) {
        return accounts.findById(person).orElseThrow(() -> ProblemException.notFound("person"));
    }
}
