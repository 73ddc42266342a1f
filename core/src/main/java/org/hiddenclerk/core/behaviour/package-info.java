/** How a wall switch acts on a relay: the input behaviours, shared by the proof, the comparison and the stand-ins. */
@NullMarked
package org.hiddenclerk.core.behaviour;

import org.jspecify.annotations.NullMarked;
