/** A planned house that runs on a clock: its wiring, its modules, its hub, and what is said between them. */
@NullMarked
package org.hiddenclerk.core.live;

import org.jspecify.annotations.NullMarked;
