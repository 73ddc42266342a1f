/**
 * A circuit told by where its feed comes in, where its lamp hangs and which switches act on it, made into boxes with all of their cables as
 * they usually are. Start with {@link org.hiddenclerk.core.job.sketch.CircuitSketch}.
 */
@NullMarked
package org.hiddenclerk.core.job.sketch;

import org.jspecify.annotations.NullMarked;
