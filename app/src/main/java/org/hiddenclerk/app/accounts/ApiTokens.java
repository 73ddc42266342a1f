package org.hiddenclerk.app.accounts;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.security.SecureRandom;
import java.time.Clock;
import java.util.Base64;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.problem.Unusable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Bearer tokens: shown once, kept as a hash, revocable. */
@Service
class ApiTokens {
    private static final String PREFIX = "clerk_";
    private static final int RANDOM_BYTES = 32;

    private final ApiTokenRepository tokens;
    private final AccountRepository accounts;
    private final Clock clock;
    private final SecureRandom random = new SecureRandom();

    ApiTokens(ApiTokenRepository tokens, AccountRepository accounts, Clock clock) {
        this.tokens = tokens;
        this.accounts = accounts;
        this.clock = clock;
    }

    /** A new token; the text is not to be had again. */
    record Fresh(UUID id, String text) {
    }

    @Transactional
    public Fresh make(String account, String label) {
        byte[] bytes = new byte[RANDOM_BYTES];
        random.nextBytes(bytes);
        String text = PREFIX + Base64.getUrlEncoder().withoutPadding().encodeToString(bytes);
        return new Fresh(tokens.save(new ApiTokenRow(accountNamed(account).id(), hash(text), label, clock.instant())).id(),
                text);
    }

    @Transactional(readOnly = true)
    public Optional<AccountRow> accountOf(String text) {
        return tokens.findByHash(hash(text)).filter(token -> !token.isRevoked())
                .flatMap(token -> accounts.findById(token.accountId()));
    }

    @Transactional(readOnly = true)
    public List<ApiTokenRow> of(String account) {
        return tokens.findByAccountIdOrderByCreatedAt(accountNamed(account).id());
    }

    @Transactional
    public void revoke(String account, UUID id) {
        AccountRow owner = accountNamed(account);
        ApiTokenRow token = tokens.findById(id).filter(t -> t.accountId().equals(owner.id()))
                .orElseThrow(() -> Unusable.notFound("token"));
        token.revoke(clock.instant());
    }

    private AccountRow accountNamed(String name) {
        return accounts.findByName(name).orElseThrow(() -> Unusable.notFound("account"));
    }

    private static String hash(String text) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256")
                    .digest(text.getBytes(StandardCharsets.UTF_8)));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Impossible state: every Java has SHA-256.", e);
        }
    }
}
