package org.hiddenclerk.app.platform.access;

import java.security.Principal;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.security.authentication.AbstractAuthenticationToken;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.GrantedAuthority;
import org.springframework.security.core.authority.SimpleGrantedAuthority;

/**
 * Whoever sent a request.
 *
 * @param name   of the account; of a guest the link
 * @param scopes of the token it came with; nothing for a person who logged in
 */
public record Caller(String name, Role role, Optional<Set<Scope>> scopes) {
    private static final String PREFIX = "ROLE_";
    private static final String GUEST_PREFIX = "guest:";

    public static Optional<Caller> of(Principal principal) {
        if (!(principal instanceof Authentication who) || !who.isAuthenticated()) {
            return Optional.empty();
        }
        Set<String> granted = who.getAuthorities().stream()
                .map(GrantedAuthority::getAuthority)
                .collect(Collectors.toSet());
        Optional<Set<Scope>> scopes = who instanceof ByToken token ? Optional.of(token.scopes) : Optional.empty();
        return Arrays.stream(Role.values())
                .filter(role -> granted.contains(PREFIX + role))
                .findFirst()
                .map(role -> new Caller(who.getName(), role, scopes));
    }

    /** The link by which a guest came. */
    public Optional<UUID> guestLink() {
        return role == Role.GUEST && name.startsWith(GUEST_PREFIX)
                ? Optional.of(UUID.fromString(name.substring(GUEST_PREFIX.length())))
                : Optional.empty();
    }

    public static String guestName(UUID link) {
        return GUEST_PREFIX + link;
    }

    public static List<SimpleGrantedAuthority> authorities(Role role) {
        return List.of(new SimpleGrantedAuthority(PREFIX + role));
    }

    /** Somebody's token instead of the person. */
    public static Authentication byToken(String name, Role role, Set<Scope> scopes) {
        return new ByToken(name, role, scopes);
    }

    private static final class ByToken extends AbstractAuthenticationToken {
        private static final long serialVersionUID = 1;

        private final String name;
        private final transient Set<Scope> scopes;

        ByToken(String name, Role role, Set<Scope> scopes) {
            super(authorities(role));
            this.name = name;
            this.scopes = scopes;
            setAuthenticated(true);
        }

        @Override
        public Object getCredentials() {
            return "";
        }

        @Override
        public Object getPrincipal() {
            return name;
        }
    }
}
