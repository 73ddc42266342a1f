/** Modules as their makers state them. What is not stated is unknown, never zero. */
@NullMarked
package org.hiddenclerk.core.catalogue;

import org.jspecify.annotations.NullMarked;
