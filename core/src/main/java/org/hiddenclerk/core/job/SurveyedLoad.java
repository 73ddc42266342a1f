package org.hiddenclerk.core.job;

import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.quantity.Watts;

/**
 * What one switched live feeds.
 *
 * @param number     from 1 within the box
 * @param name       what it is called
 * @param typed      the loads as they were typed
 * @param banks      what the text means
 * @param gang       gang of its box that switches it, or {@link #HANGS_HERE}
 * @param continuous whether it runs for three hours or more
 * @param drive      direction of a motor, if it is one
 */
public record SurveyedLoad(
        int number,
        String name,
        String typed,
        List<LoadBank> banks,
        int gang,
        boolean continuous,
        Optional<Drive> drive) {
    /** In place of a gang: the load hangs in this box, and what switches it is elsewhere. */
    public static final int HANGS_HERE = 0;

    public SurveyedLoad {
        banks = List.copyOf(banks);
    }

    public SurveyedLoad(int number, String name, String typed, List<LoadBank> banks, int gang, boolean continuous) {
        this(number, name, typed, banks, gang, continuous, Optional.empty());
    }

    public boolean hangsHere() {
        return gang == HANGS_HERE;
    }

    /** The same load, hanging in the box that it is listed in. */
    public SurveyedLoad hanging() {
        return new SurveyedLoad(number, name, typed, banks, HANGS_HERE, continuous, drive);
    }

    public Watts total() {
        return banks.stream().map(LoadBank::total).reduce(Watts.ZERO, Watts::plus);
    }
}
