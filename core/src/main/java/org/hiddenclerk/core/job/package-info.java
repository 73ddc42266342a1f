/** The house as it was found: region, circuits, boxes with their gangs, cables, cores and loads. */
@NullMarked
package org.hiddenclerk.core.job;

import org.jspecify.annotations.NullMarked;
