package org.hiddenclerk.core.wiring.scheme;

import java.util.Set;

/** Wiring schemes, in the order in which they are offered. */
public enum SchemeCode {
    BEHIND_SWITCH_N("Behind the switch, with neutral", Set.of()),
    BEHIND_SWITCH_NO_N("Behind the switch, without neutral", Set.of(Trait.THROUGH_ITS_LOAD)),
    FOUR_CHANNEL("Several loads on one module, switches at extra-low voltage", Set.of()),
    HEAVY_DUTY("Heavy module, the switch gives the command only", Set.of()),
    BLIND_PAIR("Blind, up and down locked against each other", Set.of(Trait.LOCKED_PAIR)),
    MULTI_ONE_MODULE("One module for several switches", Set.of()),
    MULTI_SECOND_UNLOADED("A module behind each switch, one carries the lamp", Set.of(Trait.COMPANIONS)),
    AT_LAMP_SPARE("At the lamp, the switch reports over its old cable", Set.of(Trait.AT_LOAD)),
    AT_LAMP_BLINK("At the lamp, each flip is a short break of its supply", Set.of(Trait.AT_LOAD, Trait.BLINKS)),
    SPLIT_PAIR(
            "Relay at the lamp, sender behind each switch",
            Set.of(Trait.AT_LOAD, Trait.COMPANIONS, Trait.COMPANION_READS)),
    AT_JUNCTION("In the junction box", Set.of()),
    CANOPY_FAN_LIGHT("Fan and light from the canopy", Set.of(Trait.AT_LOAD, Trait.CHANNELS_BY_PROOF)),
    SOCKET("Ahead of a socket outlet", Set.of()),
    VOLT_FREE("A contact without volts of its own", Set.of(Trait.ISOLATED_CONTACT)),
    ELV_DC("On direct current at extra-low voltage", Set.of()),
    NO_SWITCH("Without a wall switch", Set.of(Trait.READS_NO_SWITCH)),
    SWITCH_UPSTREAM("The wall switch feeds the module", Set.of(Trait.READS_NO_SWITCH, Trait.FED_BY_SWITCH)),
    FREE_CHANNEL("On a free channel of a module that is in the box", Set.of(Trait.IN_PLACE, Trait.CHANNELS_BY_PROOF));

    private final String label;
    private final Set<Trait> traits;

    SchemeCode(String label, Set<Trait> traits) {
        this.label = label;
        this.traits = traits;
    }

    /** What sets some schemes apart for judging, setting and choosing. */
    public enum Trait {
        /** The module that carries the load sits where the load hangs. */
        AT_LOAD,
        /** It lives on what its load lets through, and wants a module made for that. */
        THROUGH_ITS_LOAD,
        /** Only one of the channels may be on at a time. */
        LOCKED_PAIR,
        /** It is left open what goes behind the other switches. */
        COMPANIONS,
        /** What goes with the module reads the switches in its place. */
        COMPANION_READS,
        /** A flip is a short break of the module's supply. */
        BLINKS,
        /** Which channel carries what is known from the proof alone. */
        CHANNELS_BY_PROOF,
        /** The module is in the box before the work. */
        IN_PLACE,
        /** The contact stands apart from the supply. */
        ISOLATED_CONTACT,
        /** No input of the module is worked by a switch at the wall. */
        READS_NO_SWITCH,
        /** A switch at the wall takes the module off its supply. */
        FED_BY_SWITCH
    }

    public boolean has(Trait trait) {
        return traits.contains(trait);
    }

    /** Whether the module that carries the load sits where the load hangs. */
    public boolean isAtLoad() {
        return has(Trait.AT_LOAD);
    }

    public String label() {
        return label;
    }
}
