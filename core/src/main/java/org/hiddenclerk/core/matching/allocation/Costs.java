package org.hiddenclerk.core.matching.allocation;

import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.matching.HouseOption;

/** What one option costs by itself, in cents. */
record Costs(double price, double work, double household, double wishes, double unknownPrice, int pricePercent) {
    /** A bypass as it is bought; a usual price, for want of one in the stock book. */
    private static final int BYPASS_CENTS = 450;

    static Costs of(HouseOption option, AllocationTask task) {
        Weights w = task.weights();
        double unknown = dearest(task);
        double modules = option.fitted().stream().mapToDouble(f -> f.model().priceCents().isPresent()
                ? f.model().priceCents().getAsInt() : unknown).sum();
        return new Costs((modules + (double) BYPASS_CENTS * option.bypasses()) * w.pricePercent() / 100.0, (double) w.minute() * option.minutes(),
                (double) w.exchanged() * option.exchanged() + (option.silent() ? w.silent() : 0) + (option.cut() ? w.cut() : 0),
                (double) w.wish() * option.wishesMissed() + (double) w.note() * option.notes(), unknown, w.pricePercent());
    }

    /** A price that is not known is taken for the dearest that is: never for nothing. */
    static double dearest(AllocationTask task) {
        return task.matched().options().stream().flatMap(o -> o.fitted().stream()).map(HouseOption.Fitting::model)
                .filter(m -> m.priceCents().isPresent()).mapToInt(m -> m.priceCents().getAsInt()).max().orElse(0);
    }

    double priceOf(ModuleModel model) {
        return model.priceCents().isPresent() ? model.priceCents().getAsInt() : unknownPrice;
    }

    double alone() {
        return price + work + household + wishes;
    }
}
