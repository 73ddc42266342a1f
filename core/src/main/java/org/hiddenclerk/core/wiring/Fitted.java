package org.hiddenclerk.core.wiring;

import java.util.List;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.Input;

/**
 * A module at its place in a plan.
 *
 * @param number     from 1 within the plan
 * @param assignment which of the plan's assignments it is for, from 0
 * @param inputs those of its inputs that are used, set as the plan wants them
 */
public record Fitted(int number, int assignment, Run.Place place, ModuleModel model, List<Input> inputs) {
    public Fitted {
        inputs = List.copyOf(inputs);
    }
}
