package org.hiddenclerk.core.conductors;

/**
 * Where a core is seen to end.
 *
 * @param name of the terminal or the joint; empty for the other kinds
 */
public record Termination(Kind kind, String name) {
    private static final String JOINT = "joint:";

    /** Kinds of ends. */
    public enum Kind {
        TERMINAL,
        JOINT,
        LOOSE,
        CAPPED
    }

    /** Reads {@code COM}, {@code lamp:L}, {@code joint:1}, {@code loose} or {@code capped}. */
    public static Termination read(String text) {
        if (text.startsWith(JOINT)) {
            return new Termination(Kind.JOINT, text.substring(JOINT.length()));
        }
        return switch (text) {
            case "loose" -> new Termination(Kind.LOOSE, "");
            case "capped" -> new Termination(Kind.CAPPED, "");
            default -> new Termination(Kind.TERMINAL, text);
        };
    }

    boolean isAlone() {
        return kind == Kind.LOOSE || kind == Kind.CAPPED;
    }
}
