package org.hiddenclerk.core.practice;

import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.wiring.MovedEnd;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/** What hands make of a wiring, end by end. */
record HandWiring(RunWiring wiring, RegionProfile region) {
    /** Connectors that lie ready beside those in use. */
    private static final List<String> SPARE_CONNECTORS = List.of("a", "b", "c");

    /** Puts an end of a core or of a piece of wire on a place. */
    RunWiring put(ConnectedBoxes.Place place, String wire, boolean secondEnd, String at) {
        BoxWiring box = wiring.at(place);
        End to = end(place, at);
        if (box.ends().containsKey(wire)) {
            Map<String, End> ends = new LinkedHashMap<>(box.ends());
            ends.put(wire, to);
            return wiring.with(place, ends, box.jumpers());
        }
        Jumper old = jumper(box, wire);
        if (to instanceof End.Capped) {
            throw new NotPossible("Take the piece of wire out instead of capping it.");
        }
        return wiring.with(
                place,
                box.ends(),
                box.jumpers().stream()
                        .map(j -> !j.equals(old)
                                ? j
                                : new Jumper(j.key(), j.colour(), secondEnd ? j.from() : to, secondEnd ? to : j.to()))
                        .toList());
    }

    /** Joins two places with a piece of wire. */
    RunWiring join(ConnectedBoxes.Place place, String from, String to) {
        BoxWiring box = wiring.at(place);
        End one = end(place, from);
        End other = end(place, to);
        if (one.equals(other) || one instanceof End.Capped || other instanceof End.Capped) {
            throw new NotPossible("A piece of wire joins two different terminals or connectors.");
        }
        Jumper made = new Jumper(freshName(box), region.liveColour(), one, other);
        return wiring.with(
                place,
                box.ends(),
                Stream.concat(box.jumpers().stream(), Stream.of(made)).toList());
    }

    /** Takes a piece of wire out. */
    RunWiring takeOut(ConnectedBoxes.Place place, String wire) {
        BoxWiring box = wiring.at(place);
        Jumper old = jumper(box, wire);
        return wiring.with(
                place,
                box.ends(),
                box.jumpers().stream().filter(j -> !j.equals(old)).toList());
    }

    /** A core or a piece of wire, in words. */
    String words(ConnectedBoxes.Place place, String wire) {
        BoxWiring box = wiring.at(place);
        if (box.ends().containsKey(wire)) {
            return WallPlaces.core(wiring, place.id() + "/" + wire).words();
        }
        jumper(box, wire);
        return "piece of wire";
    }

    /** Where an end can be put at a place. */
    List<End> choices(ConnectedBoxes.Place place) {
        Set<End> ends = new LinkedHashSet<>(MovedEnd.placesIn(wiring.at(place)));
        SPARE_CONNECTORS.forEach(name -> ends.add(new End.InConnector(name)));
        return List.copyOf(ends);
    }

    /** A place by its key. */
    End end(ConnectedBoxes.Place place, String key) {
        return choices(place).stream()
                .filter(end -> end.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new NotPossible("There is no place " + key + " in " + place.label() + "."));
    }

    private static Jumper jumper(BoxWiring box, String key) {
        return box.jumpers().stream()
                .filter(j -> j.key().equals(key))
                .findFirst()
                .orElseThrow(() -> new NotPossible("There is no piece of wire " + key + " here."));
    }

    private static String freshName(BoxWiring box) {
        int number = 1;
        while (isTaken(box, "own" + number)) {
            number++;
        }
        return "own" + number;
    }

    private static boolean isTaken(BoxWiring box, String name) {
        return box.jumpers().stream().anyMatch(j -> j.key().equals(name));
    }
}
