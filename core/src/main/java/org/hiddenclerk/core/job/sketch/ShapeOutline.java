package org.hiddenclerk.core.job.sketch;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.ColourEra;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.SurveyedLoad;

/**
 * How the cables of a shape run, for whoever draws it: by keys of its places.
 *
 * @param fedAt   where the feed comes in; empty where it comes down from a lamp that is not opened
 * @param loadsAt where loads hang, or where their cable leaves
 */
public record ShapeOutline(List<Link> links, List<String> fedAt, List<String> loadsAt) {
    public ShapeOutline {
        links = List.copyOf(links);
        fedAt = List.copyOf(fedAt);
        loadsAt = List.copyOf(loadsAt);
    }

    /** A cable between two places. */
    public record Link(String from, String to) {}

    /** What a shape comes to without switches between. */
    public static ShapeOutline of(CircuitShape shape) {
        List<SketchedLoad> loads = new ArrayList<>();
        for (int i = 0; i < shape.leastLoads(); i++) {
            loads.add(new SketchedLoad("load", "", List.of()));
        }
        CircuitSketch sketch = new CircuitSketch(shape, new CircuitId("outline"), ColourEra.EU_NOW, true, 0, loads);
        Map<String, CircuitSketch.Target> targets = new LinkedHashMap<>();
        sketch.places()
                .forEach(place -> targets.put(
                        place.key(), new CircuitSketch.Target(place.key(), place.empty(place.key()), "switch")));
        Map<String, Box> boxes = sketch.into(targets);
        List<Link> links = new ArrayList<>();
        List<String> fedAt = new ArrayList<>();
        List<String> loadsAt = new ArrayList<>();
        boxes.forEach((key, box) -> {
            box.cables().forEach(cable -> {
                if (cable.leads() instanceof Leads.FromSupply) {
                    fedAt.add(key);
                } else if (cable.leads() instanceof Leads.ToBox to && !links.contains(new Link(to.box(), key))) {
                    links.add(new Link(key, to.box()));
                }
            });
            if (box.loads().stream().map(SurveyedLoad::number).findAny().isPresent()) {
                loadsAt.add(key);
            }
        });
        return new ShapeOutline(links, fedAt, loadsAt);
    }
}
