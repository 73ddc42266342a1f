/** The practice wall: made-up circuits to be found out, fitted and proved with instruments that are simulated. */
@NullMarked
package org.hiddenclerk.core.practice;

import org.jspecify.annotations.NullMarked;
