package org.hiddenclerk.core.wiring;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrix;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;

/** A plan of each scheme in Europe, for tests that read all of it. */
public final class WholePlans {
    private static final RegionProfile REGION = RegionProfile.EU_230;
    /** Schemes for a lamp, each on the circuit where it has most to do. */
    private static final Map<String, String> CIRCUITS = circuits();

    private WholePlans() {}

    /** A plan with the house that it is of. */
    public record Whole(WiringPlan plan, HouseContext house) {}

    private static Map<String, String> circuits() {
        Map<String, String> circuits = new LinkedHashMap<>();
        circuits.put("BEHIND_SWITCH_N", "one-way, feed at the switch");
        circuits.put("BEHIND_SWITCH_NO_N", "three-strapper, feed and lamp at A");
        circuits.put("MULTI_ONE_MODULE", "three-strapper, feed and lamp at A");
        circuits.put("MULTI_ONE_MODULE, an input each", "one intermediate, feed and lamp at A");
        circuits.put("MULTI_ONE_MODULE, between two pins", "three-strapper, feed and lamp at A");
        circuits.put("MULTI_SECOND_UNLOADED", "two intermediates, lamp from B, neutral through");
        circuits.put("MULTI_SECOND_UNLOADED, sender", "two intermediates, feed and lamp at A");
        circuits.put("AT_LAMP_SPARE", "one-way, lamp cable with a spare core");
        circuits.put("AT_LAMP_SPARE, an input each", "two-way, feed at the lamp");
        circuits.put("AT_LAMP_BLINK", "three-strapper, feed and lamp at A");
        circuits.put("SPLIT_PAIR", "two intermediates, lamp from B, neutral through");
        circuits.put("AT_JUNCTION", "one-way, feed at a junction box");
        circuits.put("NO_SWITCH", "two intermediates, feed and lamp at A");
        circuits.put("SWITCH_UPSTREAM", "two-way, feed and lamp at A, neutral in B");
        return circuits;
    }

    /** Of the schemes for a lamp, then of what is no plain lamp by kind. */
    public static Stream<String> names() {
        return Stream.concat(CIRCUITS.keySet().stream(), SpecialRuns.plans(REGION).keySet().stream());
    }

    public static Whole of(String name) {
        if (!CIRCUITS.containsKey(name)) {
            return new Whole(SpecialRuns.plans(REGION).get(name), SpecialRuns.house(REGION));
        }
        HouseContext house = Boxes.house(REGION);
        return new Whole(
                WiringPlan.of(
                        house,
                        Topologies.all(REGION).get(CIRCUITS.get(name)),
                        List.of(SchemeMatrix.forGangOne().get(name))),
                house);
    }
}
