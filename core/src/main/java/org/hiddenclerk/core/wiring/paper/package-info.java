/**
 * What a hand needs of a plan: {@link org.hiddenclerk.core.wiring.paper.Papers} of each place, with terminals, moves in a safe
 * order, parts, tools and cautions.
 */
@NullMarked
package org.hiddenclerk.core.wiring.paper;

import org.jspecify.annotations.NullMarked;
