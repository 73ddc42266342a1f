/**
 * A way for everything that a plan wants joined: over conductors that exist, into terminals and connectors that a hand can make.
 * Start with {@link org.hiddenclerk.core.wiring.routing.PlanDraft}, which schemes write into.
 */
@NullMarked
package org.hiddenclerk.core.wiring.routing;

import org.jspecify.annotations.NullMarked;
