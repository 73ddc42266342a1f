package org.hiddenclerk.core.wiring.scheme;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.WiringPlan;

/** Every scheme for a lamp with a module that suits it, on every circuit that one meets. */
public final class SchemeMatrix {
    private SchemeMatrix() {}

    /** The assignment by which a scheme takes over gang 1. */
    public static Map<String, Assignment> forGangOne() {
        Map<String, Assignment> all = new LinkedHashMap<>();
        ModuleModel one = Modules.withNeutral(1, 2, Modules.generous());
        all.put("BEHIND_SWITCH_N", assigned(SchemeCode.BEHIND_SWITCH_N, one));
        all.put(
                "BEHIND_SWITCH_NO_N",
                new Assignment(
                        SchemeCode.BEHIND_SWITCH_NO_N,
                        Modules.twoWire(30, Modules.generous()),
                        List.of(1),
                        List.of(),
                        Map.of(1, InputBehaviour.EVERY_FLIP),
                        Optional.of(Watts.of(20)),
                        Optional.empty()));
        all.put("MULTI_ONE_MODULE", assigned(SchemeCode.MULTI_ONE_MODULE, one));
        all.put("MULTI_ONE_MODULE, an input each", assigned(SchemeCode.MULTI_ONE_MODULE, Modules.withInputs(4)));
        all.put(
                "MULTI_ONE_MODULE, between two pins",
                assigned(SchemeCode.MULTI_ONE_MODULE, Modules.withElvInputs(1, Modules.generous())));
        all.put("MULTI_SECOND_UNLOADED", assigned(SchemeCode.MULTI_SECOND_UNLOADED, one));
        all.put("AT_LAMP_SPARE", assigned(SchemeCode.AT_LAMP_SPARE, one));
        all.put("AT_LAMP_SPARE, an input each", assigned(SchemeCode.AT_LAMP_SPARE, Modules.withInputs(4)));
        all.put("AT_LAMP_BLINK", assigned(SchemeCode.AT_LAMP_BLINK, Modules.blinking()));
        all.put(
                "SPLIT_PAIR",
                new Assignment(
                        SchemeCode.SPLIT_PAIR,
                        one,
                        List.of(1),
                        List.of(),
                        Map.of(),
                        Optional.empty(),
                        Optional.of(Modules.sender())));
        all.put(
                "MULTI_SECOND_UNLOADED, sender",
                new Assignment(
                        SchemeCode.MULTI_SECOND_UNLOADED,
                        one,
                        List.of(1),
                        List.of(),
                        Map.of(),
                        Optional.empty(),
                        Optional.of(Modules.sender())));
        all.put("AT_JUNCTION", assigned(SchemeCode.AT_JUNCTION, one));
        all.put("NO_SWITCH", assigned(SchemeCode.NO_SWITCH, one));
        all.put("SWITCH_UPSTREAM", assigned(SchemeCode.SWITCH_UPSTREAM, one));
        return all;
    }

    public static Assignment assigned(SchemeCode scheme, ModuleModel model, Integer... gangs) {
        return new Assignment(
                scheme,
                model,
                gangs.length == 0 ? List.of(1) : List.of(gangs),
                List.of(),
                Map.of(),
                Optional.empty(),
                Optional.empty());
    }

    /** Plans by circuit and scheme. */
    public static Map<String, WiringPlan> plans(RegionProfile region) {
        Map<String, WiringPlan> plans = new LinkedHashMap<>();
        Topologies.all(region).forEach((circuit, run) -> forGangOne()
                .forEach((scheme, assignment) -> plans.put(
                        circuit + " / " + scheme, WiringPlan.of(Boxes.house(region), run, List.of(assignment)))));
        return plans;
    }
}
