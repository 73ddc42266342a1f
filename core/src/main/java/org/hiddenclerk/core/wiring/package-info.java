/**
 * Draw: from the wiring as surveyed, a scheme makes the wiring as planned. Proof, terminal table, parts to add, the
 * drawing and the way back are all derived from those two, never written by hand for a scheme.
 */
@NullMarked
package org.hiddenclerk.core.wiring;

import org.jspecify.annotations.NullMarked;
