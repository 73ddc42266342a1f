package org.hiddenclerk.app.stage.bench;

import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.stage.survey.HoldsBox;
import org.springframework.stereotype.Component;

/** Modules that were prepared on the bench for a box. */
@Component
class UnitsForBox implements HoldsBox {
    private final BenchUnitRepository units;

    UnitsForBox(BenchUnitRepository units) {
        this.units = units;
    }

    @Override
    public Optional<String> whyItStays(UUID box) {
        return units.existsByBoxId(box)
                ? Optional.of("a module on the bench is meant for it. Put that aside first.")
                : Optional.empty();
    }
}
