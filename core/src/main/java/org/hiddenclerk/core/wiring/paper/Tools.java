package org.hiddenclerk.core.wiring.paper;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.wiring.WiringPlan;

/** What a hand takes along for a plan besides its parts. Common practice, no source. */
public final class Tools {
    private Tools() {}

    /** Tools for the places of a plan, those of the safety gates first. */
    public static List<String> of(WiringPlan plan, List<Papers> places) {
        if (plan.planned().isEmpty()) {
            return List.of();
        }
        List<String> tools = new ArrayList<>(List.of(
                "two-pole voltage tester and a known source to prove it on",
                "lock and tag for each breaker",
                "torch: the lighting circuit is off",
                "labels and a pen",
                "insulated screwdrivers"));
        add(tools, "wire cutter and stripper", places.stream().anyMatch(place -> !place.pieces()
                .isEmpty()));
        add(tools, "continuity tester", places.stream().anyMatch(place -> !place.moves()
                .isEmpty()));
        Set<String> sleeves = new TreeSet<>();
        places.forEach(place ->
                place.sleeves().forEach(sleeve -> sleeves.add(sleeve.colour().words())));
        sleeves.forEach(colour -> tools.add("sleeve, " + colour));
        add(
                tools,
                "insulating caps",
                plan.placesOfWork().stream().anyMatch(place -> plan.planned().get().at(place).ends().values().stream()
                        .anyMatch(End.Capped.class::isInstance)));
        add(tools, "step ladder", plan.placesOfWork().stream().anyMatch(place -> place.box()
                .kind()
                .isAtLoad()));
        return tools;
    }

    private static void add(List<String> tools, String tool, boolean needed) {
        if (needed) {
            tools.add(tool);
        }
    }
}
