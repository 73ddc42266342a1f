/** Quantities with their unit in the type, held exactly in fine integer units; limits are compared without rounding. */
@NullMarked
package org.hiddenclerk.core.quantity;

import org.jspecify.annotations.NullMarked;
