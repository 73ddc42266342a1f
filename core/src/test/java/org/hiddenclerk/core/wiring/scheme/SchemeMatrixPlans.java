package org.hiddenclerk.core.wiring.scheme;

import java.util.Map;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.wiring.WiringPlan;

/** Plans of every scheme on every circuit, for tests of later stages. */
public final class SchemeMatrixPlans {
    private SchemeMatrixPlans() {}

    /** Of what is no plain lamp, by region and kind. */
    public static Map<String, WiringPlan> special() {
        return SpecialRuns.plans();
    }

    /** By circuit and scheme. */
    public static Map<String, WiringPlan> of(RegionProfile region) {
        return SchemeMatrix.plans(region);
    }
}
