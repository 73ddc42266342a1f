package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.RunWiring;

/**
 * An end of a conductor that a person puts elsewhere in a plan, to see what comes of it.
 *
 * @param wire      the conductor: its key with the prefix of its place
 * @param secondEnd for a jumper, whether it is its second end; a core has one end in a box
 * @param to        where it goes, in the same box
 */
public record MovedEnd(String wire, boolean secondEnd, End to) {

    /**
     * An end that can be put elsewhere.
     *
     * @param wire      the conductor: its key with the prefix of its place
     * @param secondEnd for a jumper, whether it is its second end
     * @param words     what the conductor is
     * @param at        where it is planned
     */
    public record Movable(String wire, boolean secondEnd, String words, End at) {}

    /** Every end in a box, as planned: cores first, then both ends of each jumper. */
    public static List<Movable> movableIn(Place place, BoxWiring wiring) {
        List<Movable> ends = new ArrayList<>();
        for (Box.CableCore core : wiring.box().cores()) {
            ends.add(new Movable(place.prefix() + core.key(), false, core.words(), wiring.endOf(core)));
        }
        for (Jumper jumper : wiring.jumpers()) {
            ends.add(new Movable(
                    place.prefix() + jumper.key(), false, "jumper to " + wiring.words(jumper.to()), jumper.from()));
            ends.add(new Movable(
                    place.prefix() + jumper.key(), true, "jumper from " + wiring.words(jumper.from()), jumper.to()));
        }
        return ends;
    }

    /** Places in a box that an end can be put on, as planned. */
    public static List<End> placesIn(BoxWiring wiring) {
        List<End> places = new ArrayList<>();
        wiring.modules().forEach((number, model) -> {
            for (Terminal terminal : model.terminals()) {
                places.add(new End.AtModule(number, terminal.name()));
            }
        });
        for (Gang gang : wiring.box().gangs()) {
            gang.mechanism().terminals().forEach(t -> places.add(new End.AtMechanism(gang.number(), t)));
        }
        for (SurveyedLoad load : wiring.box().loads()) {
            if (load.hangsHere()) {
                List.of("L", "N", "PE").forEach(t -> places.add(new End.AtLoad(load.number(), t)));
            }
        }
        wiring.places().stream().filter(End.InConnector.class::isInstance).forEach(places::add);
        places.add(new End.Capped());
        return places;
    }

    /** The plan with the end moved; empty when there is no such conductor, or no such place in its box. */
    Optional<RunWiring> in(RunWiring planned) {
        for (Map.Entry<Place, BoxWiring> entry : planned.boxes().entrySet()) {
            Optional<BoxWiring> moved = in(entry.getKey(), entry.getValue());
            if (moved.isPresent()) {
                Map<Place, BoxWiring> boxes = new LinkedHashMap<>(planned.boxes());
                boxes.put(entry.getKey(), moved.get());
                return Optional.of(new RunWiring(planned.run(), boxes, planned.fitted(), planned.intents()));
            }
        }
        return Optional.empty();
    }

    private Optional<BoxWiring> in(Place place, BoxWiring wiring) {
        if (!wire.startsWith(place.prefix()) || !placesIn(wiring).contains(to)) {
            return Optional.empty();
        }
        String key = wire.substring(place.prefix().length());
        for (Box.CableCore core : wiring.box().cores()) {
            if (core.key().equals(key)) {
                Map<String, End> ends = new LinkedHashMap<>(wiring.ends());
                ends.put(key, to);
                return Optional.of(wiring.with(ends, wiring.jumpers()));
            }
        }
        List<Jumper> jumpers = new ArrayList<>(wiring.jumpers());
        for (int i = 0; i < jumpers.size(); i++) {
            Jumper old = jumpers.get(i);
            if (old.key().equals(key) && !(to instanceof End.Capped)) {
                jumpers.set(
                        i, new Jumper(old.key(), old.colour(), secondEnd ? old.from() : to, secondEnd ? to : old.to()));
                return Optional.of(wiring.with(wiring.ends(), jumpers));
            }
        }
        return Optional.empty();
    }
}
