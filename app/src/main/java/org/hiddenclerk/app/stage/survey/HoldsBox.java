package org.hiddenclerk.app.stage.survey;

import java.util.Optional;
import java.util.UUID;

/** Whoever keeps something of a box that must not lose it. */
public interface HoldsBox {

    /** Why a box stays, in a sentence; empty when nothing is kept of it here. */
    Optional<String> whyItStays(UUID box);
}
