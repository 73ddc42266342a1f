package org.hiddenclerk.app.platform.accounts;

import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Locale;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Propagation;
import org.springframework.transaction.annotation.Transactional;

/**
 * Slows guessing down, for an account name and for an address. Kept in the database, so that every node counts the same.
 */
@Component
class LoginThrottle {
    private static final int FREE_TRIES_ACCOUNT = 5;
    private static final int FREE_TRIES_ADDRESS = 20;
    private static final Duration FIRST_WAIT = Duration.ofSeconds(15);
    private static final int LARGEST_SHIFT = 6;

    private final LoginFailureRepository failures;
    private final Clock clock;

    LoginThrottle(LoginFailureRepository failures, Clock clock) {
        this.failures = failures;
        this.clock = clock;
    }

    /** How long to wait before another try; zero when none is needed. */
    @Transactional(readOnly = true)
    public Duration waitFor(String account, String address) {
        Duration byAccount = remaining(accountKey(account), FREE_TRIES_ACCOUNT);
        Duration byAddress = remaining(addressKey(address), FREE_TRIES_ADDRESS);
        return byAccount.compareTo(byAddress) >= 0 ? byAccount : byAddress;
    }

    private Duration remaining(String key, int freeTries) {
        return failures.findById(key)
                .filter(row -> row.failures() >= freeTries)
                .map(row -> {
                    int shift = Math.min(LARGEST_SHIFT, row.failures() - freeTries);
                    Instant free = row.lastFailure().plus(FIRST_WAIT.multipliedBy(1L << shift));
                    Duration left = Duration.between(clock.instant(), free);
                    return left.isNegative() ? Duration.ZERO : left;
                })
                .orElse(Duration.ZERO);
    }

    @Transactional(propagation = Propagation.REQUIRES_NEW)
    public void failed(String account, String address) {
        for (String key : List.of(accountKey(account), addressKey(address))) {
            LoginFailureRow row = failures.findById(key).orElseGet(() -> new LoginFailureRow(key));
            row.failed(clock.instant());
            failures.save(row);
        }
    }

    @Transactional
    public void succeeded(String account, String address) {
        failures.deleteById(accountKey(account));
        failures.deleteById(addressKey(address));
    }

    private static String accountKey(String account) {
        String lower = account.toLowerCase(Locale.ROOT);
        return "account:" + lower.substring(0, Math.min(120, lower.length()));
    }

    private static String addressKey(String address) {
        return "address:" + address;
    }
}
