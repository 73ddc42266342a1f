package org.hiddenclerk.core.testing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** A plan that was carried out, surveyed by somebody who comes later: the modules are in the box, and their conductors on them. */
public final class AsBuilt {
    private AsBuilt() {}

    /** A whole run; empty where something was done at a lamp that nobody surveyed as a box. */
    public static Optional<ConnectedBoxes> surveyed(WiringPlan plan, RegionProfile region) {
        RunWiring built = plan.planned().orElseThrow();
        Map<String, Box> boxes = new LinkedHashMap<>();
        for (ConnectedBoxes.Place place : plan.run().places()) {
            if (!place.implied()) {
                boxes.put(place.id(), surveyed(built.at(place)));
            } else if (plan.placesOfWork().contains(place)) {
                return Optional.empty();
            }
        }
        return Optional.of(ConnectedBoxes.of(boxes, plan.run().lead().id(), region));
    }

    public static Box surveyed(BoxWiring built) {
        Map<Integer, Integer> numbers = new LinkedHashMap<>();
        List<SurveyedModule> modules = new ArrayList<>();
        built.modules().forEach((number, model) -> {
            numbers.put(number, modules.size() + 1);
            modules.add(new SurveyedModule(
                    modules.size() + 1, model.code(), Optional.empty(), Optional.empty(), 0, Optional.of(model)));
        });
        Box box = built.box();
        return new Box(
                box.label(),
                box.kind(),
                box.geometry(),
                box.gangs(),
                box.loads(),
                box.cables().stream()
                        .map(cable -> new Cable(
                                cable.name(),
                                cable.leads(),
                                cable.mm2(),
                                cable.cores().stream()
                                        .map(core -> new Core(
                                                core.number(),
                                                core.colour(),
                                                core.sleeve(),
                                                built.roleOf(new Box.CableCore(cable, core)),
                                                numbered(built.endOf(new Box.CableCore(cable, core)), numbers)))
                                        .toList()))
                        .toList(),
                built.jumpers().stream()
                        .map(jumper -> new Jumper(
                                jumper.key(),
                                jumper.colour(),
                                numbered(jumper.from(), numbers),
                                numbered(jumper.to(), numbers)))
                        .toList(),
                modules);
    }

    private static End numbered(End end, Map<Integer, Integer> numbers) {
        return end instanceof End.AtModule at ? new End.AtModule(numbers.get(at.module()), at.terminal()) : end;
    }
}
