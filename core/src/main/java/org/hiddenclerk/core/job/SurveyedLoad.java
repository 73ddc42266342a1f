package org.hiddenclerk.core.job;

import java.util.List;
import org.hiddenclerk.core.quantity.Watts;

/**
 * What one switched live feeds.
 *
 * @param number     from 1 within the box
 * @param name       what it is called
 * @param typed      the loads as they were typed
 * @param banks      what the text means
 * @param gang       gang that switches it
 * @param continuous whether it runs for three hours or more
 */
public record SurveyedLoad(int number, String name, String typed, List<LoadBank> banks, int gang,
                           boolean continuous) {
    public SurveyedLoad {
        banks = List.copyOf(banks);
    }

    public Watts total() {
        return banks.stream().map(LoadBank::total).reduce(Watts.ZERO, Watts::plus);
    }
}
