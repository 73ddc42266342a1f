/**
 * What hands and remote commands make of a wiring, step by step. {@link org.hiddenclerk.core.electrical.operation.Steps} is the
 * machine, {@link org.hiddenclerk.core.electrical.operation.IntentProof} proves with it what people want of their loads.
 */
@NullMarked
package org.hiddenclerk.core.electrical.operation;

import org.jspecify.annotations.NullMarked;
