/** What a house's plans take, counted: for the order and for the bag. */
@NullMarked
package org.hiddenclerk.core.ordering;

import org.jspecify.annotations.NullMarked;
