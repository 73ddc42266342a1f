package org.hiddenclerk.core.electrical.part;

import java.util.OptionalDouble;

/**
 * What a contact may carry of one kind of load. At least one figure is stated; where both are, both bind.
 *
 * @param load  kind of load
 * @param watts limit in watts, if stated
 * @param amps  limit in amperes, if stated
 */
public record ContactRating(LoadKind load, OptionalDouble watts, OptionalDouble amps) {
    public ContactRating {
        if (watts.isEmpty() && amps.isEmpty()) {
            throw new IllegalArgumentException("A contact rating for " + load + " must state watts or amps.");
        }
    }

    public static ContactRating watts(LoadKind load, double watts) {
        return new ContactRating(load, OptionalDouble.of(watts), OptionalDouble.empty());
    }

    public static ContactRating amps(LoadKind load, double amps) {
        return new ContactRating(load, OptionalDouble.empty(), OptionalDouble.of(amps));
    }

    /** Share of the rating that the draw takes, 1 being all of it. */
    public double shareOf(double drawnWatts, double drawnAmps) {
        double byWatts = watts.isPresent() ? drawnWatts / watts.getAsDouble() : 0;
        double byAmps = amps.isPresent() ? drawnAmps / amps.getAsDouble() : 0;
        return Math.max(byWatts, byAmps);
    }
}
