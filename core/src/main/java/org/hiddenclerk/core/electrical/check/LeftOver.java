package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.UNUSED_CONDUCTOR;

import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.Netlist;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.Sets;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/** Conductors that end in a cap and so carry nothing; an earth is never left over, and what a supply feeds is never a spare. */
public final class LeftOver {
    private LeftOver() {}

    public static void check(Region region, FindingLog log) {
        cappedIn(region).forEach((conductor, circuits) -> {
            if (circuits.isEmpty()) {
                log.addOverall(
                        UNUSED_CONDUCTOR,
                        conductor.subject(),
                        Sentence.of(
                                "The {0} core of {1} is left over; it stays capped at both ends.",
                                conductor.core(), conductor.cable()),
                        Remedy.rewire("label it as a spare"));
            } else {
                String source = String.join(", ", circuits);
                log.addOverall(
                        UNUSED_CONDUCTOR,
                        conductor.subject(),
                        Sentence.of(
                                "The {0} core of {1} is capped and live from {2}: it is no spare.",
                                conductor.core(), conductor.cable(), source),
                        Remedy.rewire("label it \"live from " + source + "\""));
            }
        });
    }

    /**
     * Capped conductors of a wiring that some supply feeds whatever is switched, or that a switch or contact may make live.
     *
     * @return the circuits that feed each, by the conductor's part; a true spare has none
     */
    public static Map<PartId, Set<String>> capped(Wiring wiring) {
        Map<PartId, Set<String>> capped = new LinkedHashMap<>();
        new Netlist(wiring).regions().forEach(region -> cappedIn(region)
                .forEach((conductor, circuits) -> capped.put(conductor.id(), circuits)));
        return capped;
    }

    private static Map<Part.Conductor, Set<String>> cappedIn(Region region) {
        Set<Integer> caps = new HashSet<>();
        Set<Integer> earthed = new HashSet<>();
        Sets reach = new Sets(region.nodeCount());
        reach.copyFrom(region.fixedJoins());
        for (Region.Element element : region.elements()) {
            for (int[] pairs : element.joins()) {
                for (int p = 0; p < pairs.length; p += 2) {
                    reach.join(pairs[p], pairs[p + 1]);
                }
            }
        }
        for (Part part : region.parts()) {
            if (part instanceof Part.Cap) {
                caps.add(region.node(part, "end"));
            } else if (part instanceof Part.Supply supply && supply.line() == Line.PE) {
                earthed.add(region.fixedJoins().find(region.node(part, "out")));
            }
        }
        Map<Part.Conductor, Set<String>> capped = new LinkedHashMap<>();
        for (Part part : region.parts()) {
            if (part instanceof Part.Conductor conductor
                    && !earthed.contains(region.fixedJoins().find(region.node(part, "a")))
                    && (caps.contains(region.node(part, "a")) || caps.contains(region.node(part, "b")))) {
                capped.put(conductor, lives(region, reach, region.node(part, "a")));
            }
        }
        return capped;
    }

    private static Set<String> lives(Region region, Sets reach, int node) {
        Set<String> circuits = new TreeSet<>();
        for (Region.Source source : region.sources()) {
            boolean feeds = source.supply().line().isLive() || source.supply().line() == Line.ELV_PLUS;
            if (feeds && reach.find(source.node()) == reach.find(node)) {
                circuits.add(source.supply().circuit());
            }
        }
        return circuits;
    }
}
