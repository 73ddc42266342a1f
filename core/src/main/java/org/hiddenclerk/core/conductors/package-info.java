/**
 * Finding out which conductor is what: every known circuit is laid over the cores that are seen, what contradicts a reading
 * is dropped, and what all that remain agree on is certain. {@link org.hiddenclerk.core.conductors.Tracing} is the entry point.
 */
@NullMarked
package org.hiddenclerk.core.conductors;

import org.jspecify.annotations.NullMarked;
