package org.hiddenclerk.app.job.network;

import java.security.SecureRandom;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.function.Consumer;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.core.naming.Topic;
import org.hiddenclerk.standins.wire.EmbeddedBroker;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Accounts of outside clients at the broker: each may see the topics of one house, and may command its outputs if that was allowed. */
@Service
public class BrokerAccounts implements EmbeddedBroker.Accounts {
    private static final int PASSWORD_BYTES = 18;
    private static final int MOST = 20;

    private final BrokerAccountRepository rows;
    private final Houses houses;
    private final PasswordEncoder passwords;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();
    /** Those that came in, so that each message need not ask the database. */
    private final Map<String, BrokerAccountRow> inside = new ConcurrentHashMap<>();

    private final List<Consumer<String>> whenTaken = new CopyOnWriteArrayList<>();

    BrokerAccounts(BrokerAccountRepository rows, Houses houses, PasswordEncoder passwords, Clock clock) {
        this.rows = rows;
        this.houses = houses;
        this.passwords = passwords;
        this.clock = clock;
    }

    /** An account as its people see it. */
    public record BrokerAccount(UUID id, String user, boolean mayCommand, String madeBy, Instant madeAt) {}

    /** A new account with its password, which is shown this once. */
    public record MadeBrokerAccount(BrokerAccount account, String password) {}

    /** Below this every topic of a house that runs is. */
    public static String rootOf(UUID job) {
        return "house/" + job;
    }

    @Transactional(readOnly = true)
    public List<BrokerAccount> of(UUID job) {
        return rows.findByJobIdOrderByMadeAt(job).stream()
                .map(BrokerAccounts::account)
                .toList();
    }

    private static BrokerAccount account(BrokerAccountRow row) {
        return new BrokerAccount(row.id(), row.userName(), row.mayCommand(), row.madeBy(), row.madeAt());
    }

    @Transactional
    public MadeBrokerAccount make(UUID job, boolean mayCommand, String who) {
        houses.job(job);
        List<BrokerAccountRow> all = rows.findByJobIdOrderByMadeAt(job);
        if (all.size() >= MOST) {
            throw ProblemException.conflict("A house has " + MOST + " accounts at most. Take one away first.");
        }
        byte[] secret = new byte[PASSWORD_BYTES];
        random.nextBytes(secret);
        String password = Base64.getUrlEncoder().withoutPadding().encodeToString(secret);
        String user = (mayCommand ? "commands-" : "watches-")
                + UUID.randomUUID().toString().substring(0, 8);
        BrokerAccountRow row = rows.saveAndFlush(new BrokerAccountRow(
                job,
                user,
                passwords.encode(password),
                mayCommand,
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS)));
        return new MadeBrokerAccount(account(row), password);
    }

    /** Takes an account away; whoever is in by it is sent out. */
    @Transactional
    public void take(UUID job, UUID account) {
        BrokerAccountRow row = rows.findById(account)
                .filter(each -> each.jobId().equals(job))
                .orElseThrow(() -> ProblemException.notFound("account"));
        rows.delete(row);
        rows.flush();
        inside.remove(row.userName());
        new ArrayList<>(whenTaken).forEach(each -> each.accept(row.userName()));
    }

    void whenTaken(Consumer<String> user) {
        whenTaken.add(user);
    }

    @Override
    @Transactional(readOnly = true)
    public boolean mayEnter(String user, String password) {
        Optional<BrokerAccountRow> row =
                rows.findByUserName(user).filter(each -> passwords.matches(password, each.passwordHash()));
        row.ifPresent(each -> inside.put(user, each));
        return row.isPresent();
    }

    /** A filter that begins with the whole root holds no topic of another house: roots have no wildcards. */
    @Override
    public boolean mayRead(String user, String filter) {
        return isBelow(user, filter) && Topic.isFilter(filter);
    }

    @Override
    public boolean mayWrite(String user, String topic) {
        return isBelow(user, topic) && inside.get(user).mayCommand() && topic.matches(".+/[^/]+/outputs/[^/]+/order");
    }

    private boolean isBelow(String user, String topic) {
        return Optional.ofNullable(inside.get(user))
                .filter(row -> topic.startsWith(rootOf(row.jobId()) + "/"))
                .isPresent();
    }
}
