/** When something is due: by the clock, by the sun, by a recurrence of RFC 5545. */
@NullMarked
package org.hiddenclerk.core.schedule;

import org.jspecify.annotations.NullMarked;
