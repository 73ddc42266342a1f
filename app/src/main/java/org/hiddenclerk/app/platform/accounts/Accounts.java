package org.hiddenclerk.app.platform.accounts;

import java.time.Clock;
import java.util.Optional;
import org.hiddenclerk.app.platform.access.Caller;
import org.hiddenclerk.app.platform.access.Role;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.security.core.userdetails.User;
import org.springframework.security.core.userdetails.UserDetails;
import org.springframework.security.core.userdetails.UserDetailsService;
import org.springframework.security.core.userdetails.UsernameNotFoundException;
import org.springframework.security.crypto.password.PasswordEncoder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Accounts of people who may log in. */
@Service
public class Accounts implements UserDetailsService {
    private final AccountRepository accounts;
    private final PasswordEncoder passwords;
    private final PasswordRules rules;
    private final Clock clock;

    Accounts(AccountRepository accounts, PasswordEncoder passwords, PasswordRules rules, Clock clock) {
        this.accounts = accounts;
        this.passwords = passwords;
        this.rules = rules;
        this.clock = clock;
    }

    /** What somebody is told of the own account. */
    record Own(String name, String displayName, Role role, boolean secondFactor, int recoveryCodesLeft) {}

    @Override
    @Transactional(readOnly = true)
    public UserDetails loadUserByUsername(String name) {
        AccountRow row =
                accounts.findByName(name).orElseThrow(() -> new UsernameNotFoundException("No account has this name."));
        return User.withUsername(row.name())
                .password(row.passwordHash())
                .authorities(Caller.authorities(row.role()))
                .disabled(row.isDisabled())
                .build();
    }

    @Transactional(readOnly = true)
    public boolean isEmpty() {
        return accounts.count() == 0;
    }

    @Transactional(readOnly = true)
    public Optional<String> displayName(String name) {
        return accounts.findByName(name).map(AccountRow::displayName);
    }

    @Transactional(readOnly = true)
    Own own(String name) {
        AccountRow row = row(name);
        return new Own(
                row.name(), row.displayName(), row.role(), row.secondFactor().isPresent(), row.recoveryCodesLeft());
    }

    @Transactional(readOnly = true)
    boolean hasSecondFactor(String name) {
        return accounts.findByName(name).flatMap(AccountRow::secondFactor).isPresent();
    }

    /** The first account, which owns the firm's jobs. Refused as soon as there is one. */
    @Transactional
    public void makeOwner(String name, String displayName, String password) {
        if (accounts.count() > 0) {
            throw ProblemException.conflict("There is an owner already. Log in instead.");
        }
        make(name, displayName, password, Role.OWNER);
    }

    /** @throws ProblemException when the password is none, or the name is taken */
    @Transactional
    AccountRow make(String name, String displayName, String password, Role role) {
        rules.check(password, name, displayName);
        if (accounts.findByName(name).isPresent()) {
            throw ProblemException.content(
                    "This name is taken",
                    new FieldProblem("/name", "the name of another account", "a name of your own"));
        }
        return accounts.saveAndFlush(
                new AccountRow(name, displayName, passwords.encode(password), role, clock.instant()));
    }

    @Transactional(readOnly = true)
    boolean isPasswordOf(String name, String password) {
        return passwords.matches(password, row(name).passwordHash());
    }

    @Transactional
    void changePassword(String name, String password) {
        AccountRow row = row(name);
        rules.check(password, row.name(), row.displayName());
        row.password(passwords.encode(password));
    }

    private AccountRow row(String name) {
        return accounts.findByName(name).orElseThrow(() -> ProblemException.notFound("account"));
    }
}
