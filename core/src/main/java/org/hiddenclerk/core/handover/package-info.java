/** Hand over: the tests of a finished house, what was found at them, and what a later change opens again. */
@org.jspecify.annotations.NullMarked
package org.hiddenclerk.core.handover;
