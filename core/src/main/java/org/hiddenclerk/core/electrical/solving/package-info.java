/**
 * Every switching state solved. The one predicate everything rests on is <em>are these two pins one net in this state?</em>
 * It is exact (union-find on closed edges). Floating point is used only where a net hangs between resistances. Start with
 * {@link org.hiddenclerk.core.electrical.solving.RowSolver}; {@link org.hiddenclerk.core.electrical.solving.RegionTable} keeps what
 * later checks need of all rows.
 */
@NullMarked
package org.hiddenclerk.core.electrical.solving;

import org.jspecify.annotations.NullMarked;
