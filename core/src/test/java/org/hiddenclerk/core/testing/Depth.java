package org.hiddenclerk.core.testing;

import java.util.LinkedHashMap;
import java.util.Map;
import org.hiddenclerk.core.job.RegionProfile;

/**
 * How much the long cross checks try: a share of it in the short run, all of it with {@code ./clerk test --deep}.
 * docs/testing.md lists what the short run leaves out.
 */
public final class Depth {
    private static final boolean DEEP = Boolean.getBoolean("clerk.deep");
    /** In the short run one in so many of the plans of other regions than Europe: the same wirings at other volts. */
    private static final int EACH_ELSEWHERE = 5;

    private Depth() {}

    public static boolean isDeep() {
        return DEEP;
    }

    public static int of(int inTheShortRun, int deep) {
        return DEEP ? deep : inTheShortRun;
    }

    /** One in so many in the short run. */
    public static <T> Map<String, T> each(int number, Map<String, T> all) {
        Map<String, T> some = new LinkedHashMap<>();
        int at = 0;
        for (Map.Entry<String, T> one : all.entrySet()) {
            if (DEEP || at++ % number == 0) {
                some.put(one.getKey(), one.getValue());
            }
        }
        return some;
    }

    /** Of plans by name, which begins with their region. */
    public static <T> Map<String, T> ofPlans(Map<String, T> all) {
        Map<String, T> some = new LinkedHashMap<>();
        int elsewhere = 0;
        for (Map.Entry<String, T> plan : all.entrySet()) {
            if (DEEP || plan.getKey().startsWith(RegionProfile.EU_230.name()) || elsewhere++ % EACH_ELSEWHERE == 0) {
                some.put(plan.getKey(), plan.getValue());
            }
        }
        return some;
    }
}
