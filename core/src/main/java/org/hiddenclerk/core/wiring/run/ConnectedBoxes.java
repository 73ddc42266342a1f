package org.hiddenclerk.core.wiring.run;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;

/**
 * The boxes and lamps that cables join, seen from one of them: all that a plan for that box may touch.
 *
 * <p>A cable that was surveyed as leading to loads stands for a place of its own, where they hang; what is there
 * follows from the cable, see {@link LampPlace}. Places come in the order in which they are reached, the lead first.
 */
public final class ConnectedBoxes {
    /** Modules that a plan fits are numbered from 1; those that were found come after all that any plan may need. */
    private static final int LAST_OF_PLAN = 100;

    private final List<Place> places = new ArrayList<>();
    private final List<Span> spans = new ArrayList<>();
    private final List<DanglingCable> dangling = new ArrayList<>();
    private int inPlace;

    /**
     * A box, or a lamp.
     *
     * @param id      identity of the box, or of the box and a load for a lamp that a cable stands for
     * @param prefix  goes before the names of nodes and parts here; empty for the lead
     * @param owner   prefix of the box that lists the loads that hang here
     * @param box     what is here
     * @param implied whether it follows from a cable and was not surveyed itself
     */
    public record Place(String id, String prefix, String owner, Box box, boolean implied) {
        @Override
        public boolean equals(Object other) {
            return other instanceof Place place && place.id.equals(id);
        }

        @Override
        public int hashCode() {
            return id.hashCode();
        }

        public String label() {
            return box.label();
        }

        @Override
        public String toString() {
            return label();
        }
    }

    /** A cable that leads to a box in which it was not found. */
    public record DanglingCable(Place at, Cable cable) {
        public Subject subject() {
            return new Subject.Cable(at.label(), cable.name());
        }

        public String words() {
            boolean known =
                    !(cable.leads() instanceof Leads.ToBox to) || !to.box().isEmpty();
            return at.label() + ": " + cable.name()
                    + (known ? " leads to a box in which it was not found" : " leads to a box that is not known yet");
        }
    }

    /** A cable between two places, with its cores as they end at each. */
    public record Span(Place a, Cable atA, Place b, Cable atB) {

        /** Identity of one of its conductors. */
        public String conductor(Core core) {
            return a.prefix() + atA.coreKey(core);
        }

        public boolean joins(Place place) {
            return a.equals(place) || b.equals(place);
        }

        public Place farFrom(Place place) {
            return a.equals(place) ? b : a;
        }

        public Cable at(Place place) {
            return a.equals(place) ? atA : atB;
        }

        /** The same core at the other end, if it was found there. */
        public Optional<Core> twin(Core core) {
            return atB.cores().stream().filter(c -> c.number() == core.number()).findFirst();
        }
    }

    /** A gang somewhere in the run. */
    public record GangRef(Place place, int number) {
        public Gang gang() {
            return place.box().gang(number);
        }

        public Subject subject() {
            return new Subject.Gang(place.label(), number);
        }

        /** Name that tells it from gangs of the same name elsewhere. */
        public String words() {
            return gang().name();
        }
    }

    /** A load at the place where it hangs. */
    public record LoadRef(Place place, int number) {
        public Subject subject() {
            return new Subject.SurveyedLoad(place.label(), number);
        }

        public SurveyedLoad load() {
            return place.box().load(number);
        }
    }

    private ConnectedBoxes() {}

    /** A box alone: its cables lead to loads and supplies only. */
    public static ConnectedBoxes of(Box box, RegionProfile region) {
        return of(Map.of("", box), "", region);
    }

    /**
     * Everything that hangs together with a box by cables.
     *
     * @param boxes boxes of the house by identity
     * @param lead  the box that is looked at
     */
    public static ConnectedBoxes of(Map<String, Box> boxes, String lead, RegionProfile region) {
        ConnectedBoxes run = new ConnectedBoxes();
        Map<String, Place> known = new LinkedHashMap<>();
        Deque<Place> open = new ArrayDeque<>();
        open.add(new Place(lead, "", "", run.numbered(boxes.get(lead)), false));
        known.put(lead, open.getFirst());
        while (!open.isEmpty()) {
            Place at = open.remove();
            run.places.add(at);
            for (Cable cable : at.box().cables()) {
                if (cable.leads() instanceof Leads.ToBox to) {
                    run.follow(at, cable, to, boxes, known, open);
                }
            }
        }
        run.addLampPlaces(region);
        return run;
    }

    private void follow(
            Place at,
            Cable cable,
            Leads.ToBox to,
            Map<String, Box> boxes,
            Map<String, Place> known,
            Deque<Place> open) {
        Box other = boxes.get(to.box());
        Optional<Cable> there = other == null
                ? Optional.empty()
                : other.cables().stream()
                        .filter(c -> c.name().equals(to.cable())
                                && c.leads() instanceof Leads.ToBox back
                                && back.box().equals(at.id())
                                && back.cable().equals(cable.name()))
                        .findFirst();
        if (there.isEmpty()) {
            dangling.add(new DanglingCable(at, cable));
            return;
        }
        Place place = known.get(to.box());
        if (place == null) {
            String prefix = (char) ('A' + known.size()) + "-";
            place = new Place(to.box(), prefix, prefix, numbered(other), false);
            known.put(to.box(), place);
            open.add(place);
        }
        Place far = place;
        boolean seen = spans.stream()
                .anyMatch(s -> s.a().equals(far) && s.atA().name().equals(to.cable())
                        || s.a().equals(at) && s.atA().name().equals(cable.name()));
        if (!seen) {
            spans.add(new Span(at, cable, far, there.get()));
        }
    }

    /** Modules that are in boxes already have numbers of their own in the run, beside those that a plan gives to what it fits. */
    private Box numbered(Box box) {
        Box numbered = box.modulesNumberedAfter(LAST_OF_PLAN + inPlace);
        inPlace += box.modules().size();
        return numbered;
    }

    private void addLampPlaces(RegionProfile region) {
        for (Place owner : List.copyOf(places)) {
            for (List<SurveyedLoad> together : LampPlace.groups(owner.box())) {
                LampPlace lamp = new LampPlace(owner, together, region);
                places.add(lamp.place());
                spans.addAll(lamp.spans());
            }
        }
    }

    public Place lead() {
        return places.get(0);
    }

    public List<Place> places() {
        return List.copyOf(places);
    }

    public List<Span> spans() {
        return List.copyOf(spans);
    }

    /** Cables whose other end was not found, in words. */
    public List<DanglingCable> danglingCables() {
        return List.copyOf(dangling);
    }

    /** Boxes that were surveyed, the lead first. */
    public List<Place> boxes() {
        return places.stream().filter(place -> !place.implied()).toList();
    }

    /** The box that is surveyed: for a lamp that a cable stands for, the one that lists its load. */
    public String boxOf(Place place) {
        return place.implied()
                ? boxes().stream()
                        .filter(box -> box.prefix().equals(place.owner()))
                        .map(Place::id)
                        .findFirst()
                        .orElse(lead().id())
                : place.id();
    }

    public Optional<Span> spanOf(Place place, Cable cable) {
        return spans.stream()
                .filter(span -> span.joins(place) && span.at(place).name().equals(cable.name()))
                .findFirst();
    }

    /** Circuits that feed the run. */
    public Set<CircuitId> circuits() {
        Set<CircuitId> circuits = new LinkedHashSet<>();
        places.forEach(place -> place.box().cables().forEach(cable -> {
            if (cable.leads() instanceof Leads.FromSupply feed) {
                circuits.add(feed.circuit());
            }
        }));
        return circuits;
    }

    /** Circuits that have a conductor or a gang at a place: those of its own feeds, and those that cables bring from others. */
    public Set<CircuitId> circuitsIn(Place place) {
        Set<CircuitId> circuits = new LinkedHashSet<>(place.box().circuits());
        boolean fromElsewhere = place.box().cables().stream().anyMatch(cable -> cable.leads() instanceof Leads.ToBox);
        if (fromElsewhere) {
            circuits.addAll(circuits());
        }
        return circuits;
    }

    /** Every load with the place where it hangs. */
    public List<LoadRef> loads() {
        List<LoadRef> loads = new ArrayList<>();
        for (Place place : places) {
            place.box().loads().stream()
                    .filter(SurveyedLoad::hangsHere)
                    .forEach(load -> loads.add(new LoadRef(place, load.number())));
        }
        return loads;
    }

    public List<GangRef> gangs() {
        List<GangRef> gangs = new ArrayList<>();
        places.forEach(place -> place.box().gangs().forEach(gang -> gangs.add(new GangRef(place, gang.number()))));
        return gangs;
    }

    /** A load listed in a box, at the place where it hangs. */
    public LoadRef load(Place listedIn, int number) {
        return loads().stream()
                .filter(ref -> ref.number() == number && ref.place().owner().equals(listedIn.prefix()))
                .findFirst()
                .orElseThrow(() -> new IllegalArgumentException("Box " + listedIn + " has no load " + number + "."));
    }

    /** The gang that the survey names for a load, if it names one. */
    public Optional<GangRef> gangNamedFor(LoadRef load) {
        return places.stream()
                .filter(p -> !p.implied() && p.prefix().equals(load.place().owner()))
                .flatMap(owner -> owner.box().loads().stream()
                        .filter(l -> l.number() == load.number() && !l.hangsHere())
                        .map(l -> new GangRef(owner, l.gang())))
                .findFirst();
    }
}
