/**
 * The boxes and lamps that cables join, and what is joined in them. Start with
 * {@link org.hiddenclerk.core.wiring.run.ConnectedBoxes} (what there is) and {@link org.hiddenclerk.core.wiring.run.RunWiring} (how it
 * is connected); {@link org.hiddenclerk.core.wiring.run.Netlisting} makes of it what the electrical proof judges.
 */
@NullMarked
package org.hiddenclerk.core.wiring.run;

import org.jspecify.annotations.NullMarked;
