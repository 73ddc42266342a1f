package org.hiddenclerk.core.wiring;

import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.hiddenclerk.core.wiring.scheme.SchemeMatrix;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;

/** Wirings as the schemes plan them, for tests that change them. */
public final class Plans {
    private Plans() {}

    /** Every scheme on every circuit in every region, and the circuits as found, by name. */
    public static Map<String, Wiring> ofEveryKind() {
        Map<String, Wiring> wirings = new LinkedHashMap<>();
        for (RegionProfile region : RegionProfile.values()) {
            wirings.putAll(ofUsualBoxes(region));
            Topologies.all(region)
                    .forEach((name, run) -> wirings.put(
                            region + " as found, " + name,
                            WiringPlan.surveyed(Boxes.house(region), run).wiring()));
            SchemeMatrix.plans(region).forEach((name, plan) -> plan.planned()
                    .ifPresent(planned -> wirings.put(region + " " + name, plan.wiring())));
        }
        SpecialRuns.plans().forEach((name, plan) -> wirings.put(name, plan.wiring()));
        return wirings;
    }

    /** One or two gangs in one box with the usual modules, and as found; by name. */
    public static Map<String, Wiring> ofUsualBoxes(RegionProfile region) {
        Map<String, Wiring> wirings = new LinkedHashMap<>();
        Box one = Boxes.box()
                .gang("4", "2 LED 7")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
        Box two = Boxes.box()
                .gang("4", "2 LED 7")
                .gang("4", "LED 30")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .lamp(2, throwOf(2), "4")
                .jumper(common(1), common(2))
                .build();
        Box twoCircuits = Boxes.box()
                .gang("4", "2 LED 7")
                .gang("6", "LED 30")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .feed("6", common(2))
                .lamp(2, throwOf(2), "6")
                .build();
        Box loop = Boxes.box()
                .gang("4", "LED 30")
                .loop(1, "4", common(1), throwOf(1))
                .build();
        wirings.put(
                region + " one gang", plan(region, one, module(Modules.withNeutral(1, 2, Modules.usualRatings()), 1)));
        wirings.put(
                region + " two gangs",
                plan(region, two, module(Modules.withNeutral(2, 2, Modules.usualRatings()), 1, 2)));
        wirings.put(
                region + " two gangs, common input pin",
                plan(region, two, module(Modules.withElvInputs(2, Modules.usualRatings()), 1, 2)));
        wirings.put(
                region + " two circuits",
                plan(
                        region,
                        twoCircuits,
                        module(Modules.withNeutral(1, 2, Modules.usualRatings()), 1),
                        module(Modules.withNeutral(1, 1, Modules.usualRatings()), 2)));
        wirings.put(
                region + " two-wire with bypass",
                plan(
                        region,
                        loop,
                        new Assignment(
                                Modules.twoWire(40, Modules.usualRatings()),
                                List.of(1),
                                Map.of(1, InputBehaviour.EVERY_FLIP),
                                Optional.of(Watts.of(20)))));
        wirings.put(
                region + " as found, two gangs",
                WiringPlan.surveyed(Boxes.house(region), two).wiring());
        return wirings;
    }

    private static Wiring plan(RegionProfile region, Box box, Assignment... modules) {
        return WiringPlan.of(Boxes.house(region), box, List.of(modules)).wiring();
    }

    private static Assignment module(ModuleModel model, Integer... gangs) {
        return new Assignment(model, List.of(gangs), Map.of(), Optional.empty());
    }
}
