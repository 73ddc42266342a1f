package org.hiddenclerk.app.accounts;

import java.security.Principal;
import java.util.List;
import java.util.Set;
import org.hiddenclerk.app.problem.Unusable;
import org.springframework.http.HttpStatus;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.stereotype.Component;

/** The name under which a person's work is recorded. */
@Component
public class People {
    private static final Set<String> LEADS = Set.of("ROLE_OWNER", "ROLE_LEAD");

    private final Accounts accounts;

    People(Accounts accounts) {
        this.accounts = accounts;
    }

    /**
     * The name of somebody who may decide for the firm.
     *
     * @throws Unusable when it is somebody else
     */
    public String leadNameOf(Principal who) {
        boolean lead = who instanceof Authentication person && person.getAuthorities().stream().map(GrantedAuthority::getAuthority)
                .anyMatch(LEADS::contains);
        if (!lead) {
            throw new Unusable(HttpStatus.FORBIDDEN, "This is for a lead to decide.", List.of());
        }
        return nameOf(who);
    }

    public String nameOf(Principal who) {
        return accounts.displayName(who.getName()).orElse(who.getName());
    }
}
