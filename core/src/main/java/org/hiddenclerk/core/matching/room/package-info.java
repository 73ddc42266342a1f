/**
 * Room and warmth in a box. Start with {@link org.hiddenclerk.core.matching.room.RoomInBox}, which asks for the best
 * {@link org.hiddenclerk.core.matching.room.Placement} and for the volume where a code counts it.
 */
@NullMarked
package org.hiddenclerk.core.matching.room;

import org.jspecify.annotations.NullMarked;
