/**
 * What may not be, each in a class of its own: shorts of supplies, missing earths, overloaded contacts, interrupted neutrals.
 * {@link org.hiddenclerk.core.electrical.check.VoltageChecks} is a good one to read first;
 * {@link org.hiddenclerk.core.electrical.check.FindingLog} makes one finding of what many rows show.
 */
@NullMarked
package org.hiddenclerk.core.electrical.check;

import org.jspecify.annotations.NullMarked;
