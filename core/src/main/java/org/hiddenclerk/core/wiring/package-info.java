/**
 * Draw: from the wiring as surveyed, a scheme makes the wiring as planned. Proof, terminal table, parts to add, the
 * drawing and the way back are all derived from those two, never written by hand for a scheme.
 *
 * <p>{@link org.hiddenclerk.core.wiring.Planner} makes a {@link org.hiddenclerk.core.wiring.WiringPlan}. The rooms, in the order
 * of the work: {@code run} (boxes that cables join, as found or planned, and their nets), {@code routing} (a way for every net
 * over the conductors that exist), {@code scheme} (what each way to put a module in asks and does); and, of a plan,
 * {@code drawing} and {@code paper}.
 */
@NullMarked
package org.hiddenclerk.core.wiring;

import org.jspecify.annotations.NullMarked;
