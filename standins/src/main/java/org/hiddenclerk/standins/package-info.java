/**
 * Simulated modules, coordinator, hub and network. They speak to the application as the real ones would and share the
 * core's behaviours, so that a rehearsal and a proof never disagree. The module holds the dependency direction
 * (stand-ins know the core, the core knows no stand-in) from the first commit.
 */
@NullMarked
package org.hiddenclerk.standins;

import org.jspecify.annotations.NullMarked;
