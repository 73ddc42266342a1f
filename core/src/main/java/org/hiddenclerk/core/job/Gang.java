package org.hiddenclerk.core.job;

import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * One thing that a hand operates.
 *
 * @param number   from 1, left to right
 * @param name     what it is called in the house
 * @param depth    how far its mechanism reaches into the box
 * @param circuit  circuit that feeds it
 */
public record Gang(int number, String name, Mechanism mechanism, Millimetres depth, CircuitId circuit) {}
