package org.hiddenclerk.core.finding;

import static org.hiddenclerk.core.finding.Severity.HOLD;
import static org.hiddenclerk.core.finding.Severity.NOTE;
import static org.hiddenclerk.core.finding.Severity.STOP;

import java.util.Collection;
import java.util.EnumSet;

/** Every kind of finding. Codes are stable: one is never reused for another meaning. */
public enum FindingCode {
    // Electrical, destructive
    SHORT_LIVE_NEUTRAL(STOP, "Live and neutral meet"),
    SHORT_LIVE_EARTH(STOP, "Live and earth meet"),
    PHASES_JOINED(STOP, "Two phases meet"),
    MAINS_ON_ELV(STOP, "Mains reaches an extra-low-voltage part"),
    OVER_VOLTAGE(STOP, "More volts than it stands"),
    REVERSED_POLARITY(STOP, "Live and neutral are exchanged"),
    EARTH_AS_NEUTRAL(STOP, "Earth is used as a neutral"),
    NEUTRAL_SWITCHED(STOP, "The neutral is switched"),
    BORROWED_NEUTRAL(STOP, "Neutral of another circuit"),
    LIVE_END_OPEN(STOP, "A live end is bare"),
    CONTACT_OVERLOAD(STOP, "More load than the contact carries"),
    CIRCUIT_OVERLOAD(STOP, "More load than the circuit carries"),
    CONDUCTOR_OVERLOAD(STOP, "More load than the conductor carries"),
    BOTH_DIRECTIONS_ON(STOP, "Both directions of a motor at once"),
    SECOND_FEED(STOP, "Fed from two circuits"),
    DIMMER_IN_SERIES(STOP, "A dimmer in series with a module"),
    EARTH_MISSING(STOP, "Earth is missing"),
    LIVE_ON_EARTH_PIN(STOP, "Live on an earth terminal"),
    SUPPLY_ON_INPUT(STOP, "A supply on a volt-free input"),
    RELAY_INTO_DIMMER(STOP, "A relay contact in series with a dimmer"),
    // Electrical, will not do its job
    MODULE_UNPOWERED(HOLD, "The module gets no supply"),
    LOAD_NEVER_ON(HOLD, "The lamp can never be on"),
    LOAD_ALWAYS_ON(HOLD, "The lamp can never be off"),
    LOADS_IN_SERIES(HOLD, "Loads in series"),
    SWITCH_WITHOUT_EFFECT(HOLD, "A switch does nothing"),
    INPUT_STUCK(HOLD, "A switch input never changes"),
    BELOW_MINIMUM_LOAD(HOLD, "Below the minimum load"),
    RATING_UNKNOWN(HOLD, "No rating stated for this load"),
    REMOTE_WITHOUT_EFFECT(HOLD, "A remote command does nothing"),
    BLINK_NOT_SEEN(HOLD, "The blink of a flip is not seen"),
    TOO_MANY_IN_TERMINAL(HOLD, "More conductors than the terminal takes"),
    // Electrical, reservations
    MODULE_CUT_BY_SWITCH(NOTE, "The wall switch cuts the module off"),
    NEAR_LIMIT(NOTE, "Close to a limit"),
    GHOST_GLOW(NOTE, "May glow when off"),
    UNUSED_CONDUCTOR(NOTE, "A conductor is left over"),
    TWO_CIRCUITS(NOTE, "Two circuits at one module"),
    // Choice of a module
    NEUTRAL_ABSENT(HOLD, "No neutral here"),
    CLAIMED_TWICE(HOLD, "Two plans take over one switch"),
    TOO_FEW_CORES(HOLD, "Not enough conductors between two places"),
    SCHEME_NOT_FOR_THIS(HOLD, "Not the scheme for this"),
    ALTERNATIVE_SUPPLY(HOLD, "The circuit has a second supply"),
    PLACE_UNKNOWN(HOLD, "The place to fit it is not surveyed"),
    FEATURE_MISSING(HOLD, "The module lacks a feature"),
    ROOM_UNKNOWN(HOLD, "The room there is not measured"),
    MODULE_IN_PLACE(HOLD, "A module is in the box already"),
    TOO_FEW_CHANNELS(HOLD, "Not enough channels"),
    SEPARATE_FEEDS(STOP, "Gangs on different circuits"),
    CONTINUOUS_OVERLOAD(HOLD, "Too much for continuous use"),
    VOLTS_OUT_OF_RANGE(HOLD, "Not made for this voltage"),
    BOX_TOO_SHALLOW(HOLD, "Too deep for the box"),
    BOX_TOO_SMALL(HOLD, "Too large for the box"),
    CONDUCTOR_TOO_THICK(HOLD, "Conductor too thick for the terminal"),
    NOT_APPROVED_HERE(HOLD, "No approval stated for this market"),
    CHANNELS_INTERLOCKED(HOLD, "The channels lock each other out"),
    CONTACT_ISOLATED(HOLD, "The contact is volt-free"),
    SUPPLY_NOT_MAINS(HOLD, "Not a mains module"),
    MECHANISM_UNSUITABLE(HOLD, "This mechanism does not suit"),
    CONNECTOR_NEEDED(NOTE, "A connector is needed"),
    NEUTRAL_PREFERRED(NOTE, "A neutral is here, unused"),
    BYPASS_NEEDED(NOTE, "A bypass goes in at the lamp"),
    METAL_BOX_RADIO(NOTE, "Metal box around a radio"),
    FIRMWARE_LACKS(HOLD, "The firmware lacks what the scheme needs"),
    FIGURE_UNKNOWN(HOLD, "A figure that matters is not stated"),
    INRUSH_TOO_HIGH(HOLD, "More inrush than the contact stands"),
    INRUSH_UNKNOWN(NOTE, "Inrush not stated"),
    TOO_WARM(HOLD, "Too warm in the box"),
    NOT_DIMMED(NOTE, "The lamp will be switched, not dimmed"),
    NOT_DIMMABLE(HOLD, "The lamp cannot be dimmed"),
    CHANNEL_FREE(NOTE, "A module in the box has a free channel"),
    CONTACTOR_ADVISED(NOTE, "More than any module carries"),
    WISH_NOT_MET(NOTE, "A wish is not met"),
    WISH_REFUSED(HOLD, "A must of this house is not met"),
    // How a switch feels
    BEHAVIOUR_UNSUITED(HOLD, "The behaviour does not suit the switch"),
    SETTING_NOT_OFFERED(HOLD, "The module cannot be set so"),
    POWER_ON_UNUSUAL(NOTE, "May surprise when the supply comes back"),
    // Links and rules
    RULES_CHASE(HOLD, "Rules set each other going without end"),
    TOGGLES_AT_BOTH_ENDS(HOLD, "Each changes the other over"),
    COMMANDS_CONFLICT(HOLD, "Opposite commands at one moment"),
    RULE_FIGHTS_SWITCH(HOLD, "A rule undoes what a hand did"),
    TRIGGER_NEVER(HOLD, "A rule that never acts"),
    MISSING_FROM_ALL_OFF(HOLD, "\"All off\" leaves a light on"),
    NEEDS_INTERNET(NOTE, "Needs the internet where the hub would do"),
    NEEDS_HUB(NOTE, "Needs the hub where a direct way exists"),
    TAKEN_FOR_A_HAND(HOLD, "What the hub does is taken for a hand"),
    WEARS_MEMORY(HOLD, "Rewrites stored settings again and again"),
    // Radio of the whole house
    NO_ROUTER_IN_REACH(HOLD, "Nothing near passes its messages on"),
    LINK_WEAK(NOTE, "A weak link is expected"),
    LINK_NOT_ESTIMATED(NOTE, "No estimate of the link"),
    TOO_MANY_HOPS(HOLD, "Too many hops to the coordinator"),
    NETWORK_FULL(HOLD, "More members than the network takes"),
    // Joining
    DID_NOT_COME_IN(HOLD, "A module did not come in"),
    DOES_NOT_ANSWER(HOLD, "A module does not answer"),
    NAME_TWICE(HOLD, "Two devices bear one name"),
    CAME_BACK_ELSEWHERE(NOTE, "A module came back under another address"),
    SETTING_NOT_KEPT(HOLD, "A setting reads otherwise than written"),
    LINK_MEASURED_WEAK(NOTE, "A module is heard weakly"),
    LINK_MEASURED_POOR(HOLD, "A module is hardly heard"),
    UPDATE_NOT_TAKEN(HOLD, "A module did not take its firmware"),
    // Colours as found
    COLOUR_MISLEADS(NOTE, "The colour does not tell what it does"),
    EARTH_COLOUR_MISUSED(HOLD, "An earth colour on something else"),
    // What a survey shows beside its wiring
    SEVERAL_CIRCUITS(NOTE, "More than one circuit in the box"),
    REGULATOR_PRESENT(NOTE, "A dimmer or regulator is here"),
    EARTH_NOT_FOUND(HOLD, "No earth in a metal box"),
    CABLE_UNDER_DEVICE(HOLD, "The device does not protect the cable"),
    ROOM_BEHIND(NOTE, "Room in the box"),
    ALUMINIUM_CONDUCTOR(HOLD, "Aluminium conductors"),
    NOT_SIZED_BY_VOLUME(HOLD, "Conductors too thick for box fill"),
    // What a plan takes away from a household
    SWITCH_LOST(HOLD, "A load loses a switch"),
    SWITCH_MOVED(HOLD, "A switch goes to another load"),
    // What is not yet known for certain
    TRAVELLERS_ALIKE(HOLD, "Two conductors cannot be told apart"),
    READINGS_CONTRADICT(STOP, "Readings contradict the survey"),
    // Facts that the survey lacks
    SURVEY_INCOMPLETE(HOLD, "The survey lacks something");

    private final Severity severity;
    private final String title;

    FindingCode(Severity severity, String title) {
        this.severity = severity;
        this.title = title;
    }

    /** The codes of some findings, each once. */
    public static EnumSet<FindingCode> of(Collection<Finding> findings) {
        EnumSet<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
        findings.forEach(finding -> codes.add(finding.code()));
        return codes;
    }

    public Severity severity() {
        return severity;
    }

    /** The fact in a few words, without numbers. */
    public String title() {
        return title;
    }
}
