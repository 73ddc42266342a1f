/** Match: can this module go here? All reasons and all margins, for every module, ranked. */
@NullMarked
package org.hiddenclerk.core.matching;

import org.jspecify.annotations.NullMarked;
