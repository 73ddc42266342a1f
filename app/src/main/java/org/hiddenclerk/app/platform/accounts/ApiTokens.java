package org.hiddenclerk.app.platform.accounts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.platform.access.Caller;
import org.hiddenclerk.app.platform.access.Scope;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.security.core.Authentication;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Bearer tokens: shown once, kept as a hash, for some uses and some time, revocable. */
@Service
class ApiTokens {
    static final int LONGEST_DAYS = 366;
    private static final String PREFIX = "clerk_";

    private final ApiTokenRepository tokens;
    private final AccountRepository accounts;
    private final Clock clock;

    ApiTokens(ApiTokenRepository tokens, AccountRepository accounts, Clock clock) {
        this.tokens = tokens;
        this.accounts = accounts;
        this.clock = clock;
    }

    @Transactional
    public ShownOnce make(String account, String label, Set<Scope> scopes, int days) {
        String text = Secrets.fresh(PREFIX);
        Instant now = clock.instant();
        ApiTokenRow row = tokens.save(new ApiTokenRow(
                accountNamed(account).id(), Secrets.hash(text), label, scopes, now, now.plus(Duration.ofDays(days))));
        return new ShownOnce(row.id(), text, row.expiresAt());
    }

    /** Who calls with this token, as far as it reaches. */
    @Transactional(readOnly = true)
    public Optional<Authentication> callerOf(String text) {
        return tokens.findByHash(Secrets.hash(text))
                .filter(token -> token.isGoodAt(clock.instant()))
                .flatMap(token -> accounts.findById(token.accountId())
                        .filter(account -> !account.isDisabled())
                        .map(account -> Caller.byToken(account.name(), account.role(), token.scopes())));
    }

    @Transactional(readOnly = true)
    public List<ApiTokenRow> of(String account) {
        return tokens.findByAccountIdOrderByCreatedAt(accountNamed(account).id());
    }

    boolean isGood(ApiTokenRow token) {
        return token.isGoodAt(clock.instant());
    }

    @Transactional
    public void revoke(String account, UUID id) {
        AccountRow owner = accountNamed(account);
        ApiTokenRow token = tokens.findById(id)
                .filter(t -> t.accountId().equals(owner.id()))
                .orElseThrow(() -> ProblemException.notFound("token"));
        token.revoke(clock.instant());
    }

    private AccountRow accountNamed(String name) {
        return accounts.findByName(name).orElseThrow(() -> ProblemException.notFound("account"));
    }
}
