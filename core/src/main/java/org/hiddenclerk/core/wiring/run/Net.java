package org.hiddenclerk.core.wiring.run;

import java.util.Optional;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;

/**
 * What a plan wants joined, wherever in the run it is.
 *
 * @param name    tells it from others of its kind
 * @param circuit of a supply, whose it is
 */
public record Net(Kind kind, String name, Optional<CircuitId> circuit) {

    private Net(Kind kind, String name) {
        this(kind, name, Optional.empty());
    }

    /** Kinds of nets, in the order in which ways are found for them. */
    public enum Kind {
        LIVE(Role.PERMANENT_LIVE),
        NEUTRAL(Role.NEUTRAL),
        ELV_PLUS(Role.ELV_PLUS),
        ELV_MINUS(Role.ELV_MINUS),
        EARTH(Role.EARTH),
        /** From a contact to its load. */
        OUTPUT(Role.SWITCHED_LIVE),
        /** From a switch to an input. */
        INPUT(Role.CONTROL),
        /** Live that has come through a switch, to feed a module or the next switch. */
        FED(Role.SWITCHED_LIVE),
        /** As found, and not touched. */
        KEPT(Role.SPARE);

        private final Role role;

        Kind(Role role) {
            this.role = role;
        }

        public boolean isSupply() {
            return this == LIVE || this == NEUTRAL || this == ELV_PLUS || this == ELV_MINUS || this == EARTH;
        }
    }

    public static Net live(CircuitId circuit) {
        return new Net(Kind.LIVE, "live", Optional.of(circuit));
    }

    public static Net neutral(CircuitId circuit) {
        return new Net(Kind.NEUTRAL, "neutral", Optional.of(circuit));
    }

    public static Net plus(CircuitId circuit) {
        return new Net(Kind.ELV_PLUS, "plus", Optional.of(circuit));
    }

    public static Net minus(CircuitId circuit) {
        return new Net(Kind.ELV_MINUS, "minus", Optional.of(circuit));
    }

    static Net earth() {
        return new Net(Kind.EARTH, "earth");
    }

    /** @param number of the net as found */
    public static Net kept(int number) {
        return new Net(Kind.KEPT, String.valueOf(number));
    }

    public static Net output(String name) {
        return new Net(Kind.OUTPUT, "lamp " + name);
    }

    public static Net input(String name) {
        return new Net(Kind.INPUT, "switch " + name);
    }

    public static Net fed(String name) {
        return new Net(Kind.FED, "through " + name);
    }

    /** What a core in this net does. */
    public Role role() {
        return kind.role;
    }

    /** What is written beside a new connector of it. */
    public String connectorName(HouseContext house) {
        return kind == Kind.KEPT
                ? "joint"
                : name + circuit.map(c -> " " + house.label(c)).orElse("");
    }

    /** What it carries, as one would say it of a core. */
    public String words() {
        return switch (kind) {
            case INPUT -> "input wire";
            case FED -> "live through the switch";
            case LIVE, NEUTRAL, ELV_PLUS, ELV_MINUS, EARTH, OUTPUT, KEPT -> role().label();
        };
    }

    /** Colour of a new piece of wire in it. */
    public CoreColour colour(RegionProfile region) {
        return switch (kind) {
            case LIVE, OUTPUT, FED, KEPT -> region.liveColour();
            case NEUTRAL -> region.neutralColour();
            case EARTH -> region.earthColour();
            case INPUT -> CoreColour.VIOLET;
            case ELV_PLUS -> CoreColour.RED;
            case ELV_MINUS -> CoreColour.BLACK;
        };
    }
}
