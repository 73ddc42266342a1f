package org.hiddenclerk.app.accounts;

import java.time.Clock;
import java.util.Optional;
import org.hiddenclerk.app.problem.Unusable;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** People who may log in. */
@Service
public class Accounts implements UserDetailsService {
    private final AccountRepository accounts;
    private final PasswordEncoder passwords;
    private final Clock clock;

    Accounts(AccountRepository accounts, PasswordEncoder passwords, Clock clock) {
        this.accounts = accounts;
        this.passwords = passwords;
        this.clock = clock;
    }

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String name) {
        AccountRow row = accounts.findByName(name)
                .orElseThrow(() -> new UsernameNotFoundException("No account has this name."));
        return User.withUsername(row.name()).password(row.passwordHash()).roles(row.role()).build();
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return accounts.count() == 0;
    }

    @Transactional(readOnly = true)
    public Optional<String> displayName(String name) {
        return accounts.findByName(name).map(AccountRow::displayName);
    }

    /** The first account, which owns the firm's jobs. Refused as soon as there is one. */
    @Transactional
    public void makeOwner(String name, String displayName, String password) {
        if (accounts.count() > 0) {
            throw Unusable.conflict("There is an owner already. Log in instead.");
        }
        accounts.saveAndFlush(new AccountRow(name, displayName, passwords.encode(password), "OWNER", clock.instant()));
    }
}
