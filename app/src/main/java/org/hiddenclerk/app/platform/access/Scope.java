package org.hiddenclerk.app.platform.access;

import java.util.Arrays;
import java.util.Collection;
import java.util.EnumSet;
import java.util.Set;
import java.util.stream.Collectors;

/** What a token may be used for; never more than its owner may. */
public enum Scope {
    READ("Read jobs and have things computed"),
    WORK("Change jobs"),
    FIRM("Decide for the firm: jobs added, taken and deleted, stock, hand over"),
    CODES("Open sealed codes");

    private final String label;

    Scope(String label) {
        this.label = label;
    }

    public String label() {
        return label;
    }

    /** As kept: names with commas between. */
    public static String text(Collection<Scope> scopes) {
        return EnumSet.copyOf(scopes).stream().map(Scope::name).collect(Collectors.joining(","));
    }

    public static Set<Scope> read(String text) {
        return Arrays.stream(text.split(","))
                .filter(name -> !name.isBlank())
                .map(Scope::valueOf)
                .collect(Collectors.toCollection(() -> EnumSet.noneOf(Scope.class)));
    }
}
