package org.hiddenclerk.app.stage.choosing;

import java.math.BigDecimal;
import java.math.RoundingMode;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.matching.allocation.Allocation;
import org.hiddenclerk.core.matching.room.StandbyDraw;

/** What the modules of a choice draw with everything off. */
record Standby(BigDecimal watts, int unknown) {
    static Standby of(Allocation made, double volts) {
        var models = made.chosen().stream()
                .flatMap(o -> o.fitted().stream())
                .map(f -> f.model())
                .toList();
        double sum = 0;
        int unknown = 0;
        for (ModuleModel model : models) {
            var draw = StandbyDraw.of(model, volts);
            sum += draw.orElse(0);
            unknown += draw.isPresent() ? 0 : 1;
        }
        return new Standby(BigDecimal.valueOf(sum).setScale(1, RoundingMode.HALF_UP), unknown);
    }
}
