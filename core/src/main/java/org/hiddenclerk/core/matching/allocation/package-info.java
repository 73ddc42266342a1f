/** One choice for every unit of a house at once: an integer programme over the options that every rule passes. */
@NullMarked
package org.hiddenclerk.core.matching.allocation;

import org.jspecify.annotations.NullMarked;
