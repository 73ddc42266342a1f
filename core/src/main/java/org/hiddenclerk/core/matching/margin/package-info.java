/**
 * How far something is from its limit: {@link org.hiddenclerk.core.matching.margin.Margin}, and what a group of rules found
 * with it.
 */
@NullMarked
package org.hiddenclerk.core.matching.margin;

import org.jspecify.annotations.NullMarked;
