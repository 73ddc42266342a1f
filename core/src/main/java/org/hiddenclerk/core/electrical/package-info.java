/**
 * The heart: wiring as parts with pins on nodes, every switching state solved, and the findings that follow.
 *
 * <p>The one predicate everything rests on is <em>are these two pins one net in this state?</em> It is exact
 * (union-find on closed edges). Floating point is used only where a net hangs between resistances.
 * {@link org.hiddenclerk.core.electrical.WiringCheck} is the entry point.
 */
@NullMarked
package org.hiddenclerk.core.electrical;

import org.jspecify.annotations.NullMarked;
