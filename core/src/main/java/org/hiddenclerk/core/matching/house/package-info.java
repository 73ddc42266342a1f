/**
 * Every module of a stock book judged for every position of a house:
 * {@link org.hiddenclerk.core.matching.house.HouseMatch}. Runs that are wired alike are judged once
 * ({@link org.hiddenclerk.core.matching.house.EquivalenceClass}), and what was judged before is remembered.
 */
@NullMarked
package org.hiddenclerk.core.matching.house;

import org.jspecify.annotations.NullMarked;
