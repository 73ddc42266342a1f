package org.hiddenclerk.app.platform.access;

import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/** What an endpoint asks of whoever calls it. */
public enum Right {
    /** Nobody need be logged in. */
    OPEN(EnumSet.allOf(Role.class), null, null, false),
    /** Somebody's own account. Never by token: a token that leaked must not make others. */
    OWN(EnumSet.of(Role.OWNER, Role.LEAD, Role.FITTER), null, null, false),
    /** Facts and computations that belong to no job. */
    FACTS(EnumSet.of(Role.OWNER, Role.LEAD, Role.FITTER), Scope.READ, Scope.READ, false),
    /** Lists over jobs, which tell only of those the caller may see. */
    LISTS(EnumSet.of(Role.OWNER, Role.LEAD, Role.FITTER), Scope.READ, Scope.READ, false),
    /** Seeing and changing one job. */
    WORK(EnumSet.of(Role.OWNER, Role.LEAD, Role.FITTER), Scope.READ, Scope.WORK, true),
    /** What the household may see of its own house. */
    VISIT(EnumSet.allOf(Role.class), Scope.READ, null, true),
    /** Prices, and what is decided for the firm. */
    LEAD(EnumSet.of(Role.OWNER, Role.LEAD), Scope.READ, Scope.FIRM, false),
    /** Opens sealed codes. */
    CODES(EnumSet.of(Role.OWNER, Role.LEAD), Scope.CODES, Scope.CODES, false),
    /** People and their roles. */
    OWNER(EnumSet.of(Role.OWNER), null, null, false);

    private final Set<Role> roles;
    private final Scope reading;
    private final Scope changing;
    private final boolean ofJob;

    Right(Set<Role> roles, Scope reading, Scope changing, boolean ofJob) {
        this.roles = roles;
        this.reading = reading;
        this.changing = changing;
        this.ofJob = ofJob;
    }

    public Set<Role> roles() {
        return roles;
    }

    /** Whether the endpoint tells by its path of which job it is. */
    public boolean ofJob() {
        return ofJob;
    }

    /** The scope that a token needs; nothing where no token is enough. */
    public Optional<Scope> scope(boolean reads) {
        return Optional.ofNullable(reads ? reading : changing);
    }
}
