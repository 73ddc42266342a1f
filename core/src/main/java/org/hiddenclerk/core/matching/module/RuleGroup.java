package org.hiddenclerk.core.matching.module;

/**
 * The rules that a module is judged by, in the order in which they are asked. The judgement of one box and that of a whole house
 * go through the same list: whoever adds a group is told by the compiler that both have to answer it.
 */
public enum RuleGroup {
    /** The wiring as found and as planned, proved; minimum load and timing of blinks with it. */
    WIRING,
    /** What each contact carries, and all of them together. */
    CONTACTS,
    /** What a module that is in a box already takes on beside what it carries. */
    IN_PLACE,
    /** Room and warmth in every box that gets a module. */
    PLACES,
    /** Region, scheme and papers of the module. */
    SUITABILITY,
    /** Whether its terminals take the conductors that are there. */
    CONDUCTORS,
    /** Radio behind metal. */
    METAL_BOX,
    /** A place that is dimmed today. */
    DIMMING,
    /** What the household and the firm want of every module. */
    WISHES
}
