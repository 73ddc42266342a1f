package org.hiddenclerk.core.electrical.part;

import java.util.List;

/** Switch mechanisms, their terminals, and what is joined in positions 0 and 1. */
public enum Mechanism {
    /** Closed at 1. */
    ONE_WAY(List.of("COM", "L1"), List.of(), List.of(joins("COM", "L1"))),
    /** COM to L1 at 0, COM to L2 at 1; breaks before it makes. */
    TWO_WAY(List.of("COM", "L1", "L2"), List.of(joins("COM", "L1")), List.of(joins("COM", "L2"))),
    /** Straight at 0, crossed at 1; breaks before it makes. */
    INTERMEDIATE(
            List.of("A1", "A2", "B1", "B2"),
            List.of(joins("A1", "B1"), joins("A2", "B2")),
            List.of(joins("A1", "B2"), joins("A2", "B1"))),
    /** Closed while pressed (1). */
    PUSH_MAKE(List.of("COM", "L1"), List.of(), List.of(joins("COM", "L1"))),
    /** Closed at rest (0). */
    PUSH_BREAK(List.of("COM", "L1"), List.of(joins("COM", "L1")), List.of()),
    /** Both poles closed at 1. */
    DOUBLE_POLE(
            List.of("L-IN", "L-OUT", "N-IN", "N-OUT"),
            List.of(),
            List.of(joins("L-IN", "L-OUT"), joins("N-IN", "N-OUT"))),
    /** A ceiling switch on a cord, closed at 1; each pull turns it. */
    PULL_CORD(List.of("COM", "L1"), List.of(), List.of(joins("COM", "L1"))),
    /** A fan-speed regulator, taken as full on when on. No relay module may be fed by it, or feed it. */
    FAN_SPEED(List.of("COM", "L1"), List.of(), List.of(joins("COM", "L1"))),
    /** A wall dimmer, taken as full on when on. No relay module may be fed by it, or feed it. */
    DIMMER(List.of("COM", "L1"), List.of(), List.of(joins("COM", "L1"))),
    /** Joined permanently; not a two-state element. */
    FIXED_ON(List.of("COM", "L1"), List.of(joins("COM", "L1")), List.of(joins("COM", "L1")));

    private final List<String> terminals;
    private final List<Contact> atRest;
    private final List<Contact> operated;

    Mechanism(List<String> terminals, List<Contact> atRest, List<Contact> operated) {
        this.terminals = terminals;
        this.atRest = atRest;
        this.operated = operated;
    }

    public List<String> terminals() {
        return terminals;
    }

    /** What it is called. */
    public String label() {
        return this == FIXED_ON
                ? "permanently joined"
                : name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
    }

    /** Terminals joined in the position, 0 or 1. */
    public List<Contact> contacts(int position) {
        return position == 0 ? atRest : operated;
    }

    /** A push returns by itself: operating it is a press and a release. */
    public boolean isPush() {
        return this == PUSH_MAKE || this == PUSH_BREAK;
    }

    /** Between its positions everything is open for a moment, which a module may see as a blink of its supply. */
    public boolean breaksBeforeMaking() {
        return this == TWO_WAY || this == INTERMEDIATE;
    }

    /** Whether it lets through less than the full voltage, so that no module may stand in series with it. */
    public boolean isRegulator() {
        return this == DIMMER || this == FAN_SPEED;
    }

    public boolean isTwoState() {
        return this != FIXED_ON;
    }

    private static Contact joins(String from, String to) {
        return new Contact(from, to);
    }

    /** Two terminals that a position joins. */
    public record Contact(String from, String to) {}
}
