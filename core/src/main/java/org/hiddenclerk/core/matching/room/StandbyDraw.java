package org.hiddenclerk.core.matching.room;

import java.util.OptionalDouble;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.ModuleSupply;

/** What a module draws with everything off, in watts. */
public final class StandbyDraw {
    private static final double MILLI = 1_000;

    private StandbyDraw() {}

    /** As stated, or for a two-wire module its current at the nominal volts; empty where neither is stated. */
    public static OptionalDouble of(ModuleModel model, double nominalVolts) {
        if (model.sheet().standbyWatts().isPresent()) {
            return model.sheet().standbyWatts();
        }
        boolean stated = !model.sheet().unstated().contains(DataSheet.Unstated.STANDBY_CURRENT);
        return model.supply() instanceof ModuleSupply.TwoWire two && stated
                ? OptionalDouble.of(two.standbyMilliamps() / MILLI * nominalVolts)
                : OptionalDouble.empty();
    }
}
