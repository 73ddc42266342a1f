package org.hiddenclerk.app.platform.secrets;

import java.util.function.UnaryOperator;

/** Something that keeps sealed texts, and puts others in their place when the key of the ring is renewed. */
public interface KeepsSecrets {
    /**
     * Puts what another key wraps in the place of each.
     *
     * @return how many there are
     */
    int wrapAnew(UnaryOperator<Sealed> wrapped);
}
