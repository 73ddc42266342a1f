package org.hiddenclerk.app.stage.planning;

import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Size;

/**
 * An end of a conductor put elsewhere in a plan.
 *
 * @param wire      key of the conductor in the drawing
 * @param secondEnd for a jumper, whether it is its second end
 * @param to        key of a place in the same box
 */
record EndMove(@NotBlank @Size(max = 80) String wire, boolean secondEnd, @NotBlank @Size(max = 80) String to) {}
