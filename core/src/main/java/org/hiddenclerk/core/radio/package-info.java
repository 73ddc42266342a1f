/** Where rooms are, what a wall costs a signal, and which modules reach each other: estimates, to be confirmed by measuring. */
@NullMarked
package org.hiddenclerk.core.radio;

import org.jspecify.annotations.NullMarked;
