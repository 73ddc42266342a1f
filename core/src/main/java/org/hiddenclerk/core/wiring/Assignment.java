package org.hiddenclerk.core.wiring;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.quantity.Watts;

/**
 * One module given to some gangs of a box: the first gang gets the first channel, and so on.
 *
 * @param model      what is fitted
 * @param gangs      gang numbers in the order of the channels
 * @param behaviours behaviour of the input, by gang
 * @param bypass     bypass put across each lamp, if any
 */
public record Assignment(ModuleModel model, List<Integer> gangs, Map<Integer, InputBehaviour> behaviours,
                         Optional<Watts> bypass) {
    public Assignment {
        gangs = List.copyOf(gangs);
        behaviours = Map.copyOf(behaviours);
        if (gangs.isEmpty() || gangs.size() > model.channels().size()) {
            throw new IllegalArgumentException("Module " + model.code() + " has " + model.channels().size()
                    + " channels and can't take gangs " + gangs + ".");
        }
    }

    public InputBehaviour behaviour(int gang) {
        return behaviours.getOrDefault(gang, InputBehaviour.EVERY_FLIP);
    }
}
