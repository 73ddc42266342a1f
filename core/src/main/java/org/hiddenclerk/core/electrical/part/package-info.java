/**
 * What a wiring is made of: parts with pins on nodes, the mains they hang on, and what is wanted of the loads. Start with
 * {@link org.hiddenclerk.core.electrical.part.Wiring} and {@link org.hiddenclerk.core.electrical.part.Part}.
 */
@NullMarked
package org.hiddenclerk.core.electrical.part;

import org.jspecify.annotations.NullMarked;
