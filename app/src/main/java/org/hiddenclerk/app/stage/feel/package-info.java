/**
 * How the switches of a box will act: what the household wants, the behaviour chosen with its parameters, and what
 * is written to the modules.
 */
@NullMarked
package org.hiddenclerk.app.stage.feel;

import org.jspecify.annotations.NullMarked;
