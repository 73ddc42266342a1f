package org.hiddenclerk.core.matching.house;

import java.util.List;

/**
 * What one choice settles: switches that change the same loads, or a load that has no switch.
 *
 * @param id    stable as long as its switches are: its first gang or load
 * @param words as a person would call it
 * @param gangs its switches, in the order of the boxes
 * @param loads its loads, where it has no switch
 */
public record Unit(String id, String words, List<At> gangs, List<At> loads) {
    public Unit {
        gangs = List.copyOf(gangs);
        loads = List.copyOf(loads);
    }

    /** A gang or a load of a box, by number. */
    public record At(String box, int number) {}
}
