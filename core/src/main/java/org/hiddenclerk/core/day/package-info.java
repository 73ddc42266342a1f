/** The day on site: which circuit is opened when, who does what, and when it is done. */
@NullMarked
package org.hiddenclerk.core.day;

import org.jspecify.annotations.NullMarked;
