package org.hiddenclerk.app.platform.accounts;

import java.security.Principal;
import org.springframework.stereotype.Component;

/** The name under which a person's work is recorded. */
@Component
public class People {
    private final Accounts accounts;

    People(Accounts accounts) {
        this.accounts = accounts;
    }

    public String nameOf(Principal who) {
        return accounts.displayName(who.getName()).orElse(who.getName());
    }
}
