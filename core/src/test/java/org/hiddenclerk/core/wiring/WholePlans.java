package org.hiddenclerk.core.wiring;

import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrix;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;

/** A plan of each scheme in Europe, of the circuit that it has most to do on, for tests that read all of it. */
public final class WholePlans {
    private static final RegionProfile REGION = RegionProfile.EU_230;

    private WholePlans() {}

    /** A plan with the house that it is of. */
    public record Whole(WiringPlan plan, HouseContext house) {}

    /** By scheme, or by kind for what is no plain lamp. */
    public static Map<String, Whole> byScheme() {
        Map<String, Whole> plans = new LinkedHashMap<>();
        SchemeMatrix.plans(REGION).forEach((name, plan) -> {
            if (plan.planned().isPresent()) {
                plans.merge(
                        name.substring(name.indexOf(" / ") + 3),
                        new Whole(plan, Boxes.house(REGION)),
                        (most, other) -> weight(other.plan()) > weight(most.plan()) ? other : most);
            }
        });
        SpecialRuns.plans().forEach((name, plan) -> {
            if (name.startsWith(REGION + " ")) {
                plans.put(name.substring(REGION.name().length() + 1), new Whole(plan, SpecialRuns.house(REGION)));
            }
        });
        return plans;
    }

    /** Boxes that are opened first, then conductors that are new. */
    private static int weight(WiringPlan plan) {
        int jumpers = plan.placesOfWork().stream()
                .mapToInt(place ->
                        plan.planned().orElseThrow().at(place).jumpers().size())
                .sum();
        return 100 * plan.placesOfWork().size() + jumpers;
    }
}
