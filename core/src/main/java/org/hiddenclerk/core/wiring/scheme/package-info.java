/**
 * Ways to put a module into an existing circuit, a class each: when it applies, and what it does to the wiring. Start with
 * {@link org.hiddenclerk.core.wiring.scheme.Scheme} and {@link org.hiddenclerk.core.wiring.scheme.BehindSwitchWithNeutral}; CONTRIBUTING
 * says what a further one takes.
 */
@NullMarked
package org.hiddenclerk.core.wiring.scheme;

import org.jspecify.annotations.NullMarked;
