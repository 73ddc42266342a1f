package org.hiddenclerk.core.wiring.run;

import java.util.List;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.job.BoxKind;

/**
 * A module at its place in a plan.
 *
 * @param number     from 1 within the plan; that of the run for one that was there before
 * @param assignment which of the plan's assignments it is for, from 0
 * @param inputs     those of its inputs that are used, set as the plan wants them
 * @param inPlace    whether it is in its box already, and the plan uses more of it
 */
public record Fitted(
        int number,
        int assignment,
        ConnectedBoxes.Place place,
        ModuleModel model,
        List<Input> inputs,
        boolean inPlace) {
    public Fitted {
        inputs = List.copyOf(inputs);
    }

    /** Whether its button can't be reached once it is in: above a lamp or a canopy, or in a junction box that is closed. */
    public boolean isOutOfReach() {
        return place.box().kind().isAtLoad() || place.box().kind() == BoxKind.JUNCTION;
    }
}
