package org.hiddenclerk.core.matching.allocation;

import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.matching.house.HouseOption;

/** What options cost each by itself, in cents. */
final class Costs {
    private final Weights weights;
    private final double dearest;
    private final double bypass;

    Costs(AllocationTask task) {
        weights = task.weights();
        dearest = task.options().stream()
                .flatMap(o -> o.fitted().stream())
                .map(HouseOption.Fitting::model)
                .filter(m -> m.priceCents().isPresent())
                .mapToInt(m -> m.priceCents().getAsInt())
                .max()
                .orElse(0);
        bypass = task.bypassCents().isPresent() ? task.bypassCents().getAsInt() : dearest;
    }

    double price(HouseOption option) {
        double modules =
                option.fitted().stream().mapToDouble(f -> priceOf(f.model())).sum();
        return (modules + bypass * option.bypasses()) * weights.pricePercent() / 100.0;
    }

    double work(HouseOption option) {
        return (double) weights.minute() * option.minutes();
    }

    double household(HouseOption option) {
        return (double) weights.exchanged() * option.exchanged()
                + (option.silent() ? weights.silent() : 0)
                + (option.cut() ? weights.cut() : 0);
    }

    double wishes(HouseOption option) {
        return (double) weights.wish() * option.wishesMissed() + (double) weights.note() * option.notes();
    }

    double alone(HouseOption option) {
        return price(option) + work(option) + household(option) + wishes(option);
    }

    /** A price that is not known is taken for the dearest that is: never for nothing. */
    double priceOf(ModuleModel model) {
        return model.priceCents().isPresent() ? model.priceCents().getAsInt() : dearest;
    }
}
