/**
 * Identities of what is in a house, one type for each kind: none is text that could be taken for another. Begin with
 * {@link org.hiddenclerk.core.identity.HouseId}.
 */
@NullMarked
package org.hiddenclerk.core.identity;

import org.jspecify.annotations.NullMarked;
