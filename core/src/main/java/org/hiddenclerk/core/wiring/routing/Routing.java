package org.hiddenclerk.core.wiring.routing;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.PriorityQueue;
import java.util.Set;
import java.util.function.BiPredicate;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.wiring.run.ConductorPath;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Net;

/**
 * Finds a way for every net of a plan over the conductors that exist. A net keeps the conductors it has; where it must go
 * further it takes free ones. Supplies come first, then the rest in the order of the plan; which free conductor carries
 * what is then chosen at once for each pair of places, so that as few as possible change their task and colours fit.
 *
 * <p>Cost: places are few (a run is a handful of boxes), conductors between two places at most some ten.
 */
final class Routing {
    private static final double CHANGED_TASK = 2;
    private static final double CHANGED_ROLE = 1;
    private static final double NEUTRAL_COLOUR_ON_LIVE = 1.5;
    private static final double LIVE_COLOUR_ON_NEUTRAL = 4;

    private final RegionProfile region;
    private final List<ConductorPath> ways;
    /** Net that each conductor belongs to; those without are free. */
    private final Map<ConductorPath, Net> taken = new LinkedHashMap<>();

    private final Set<ConductorPath> used = new LinkedHashSet<>();
    private final Map<Hop, List<Net>> requests = new LinkedHashMap<>();
    private final Map<Net, Integer> homes;
    private final List<Finding> obstacles = new ArrayList<>();

    /** Two places next to each other, in the order in which the run knows them. */
    private record Hop(Place a, Place b) {}

    /**
     * @param ways  every conductor between places
     * @param owned net of each conductor that has one; earths have theirs
     * @param homes net, as found, whose conductors a net of the plan prefers
     */
    Routing(RegionProfile region, List<ConductorPath> ways, Map<ConductorPath, Net> owned, Map<Net, Integer> homes) {
        this.region = region;
        this.ways = ways;
        this.homes = homes;
        taken.putAll(owned);
    }

    /**
     * Joins the places that a net must reach.
     *
     * @param sources places where a supply comes in; empty for a net that no supply holds
     * @param needed  places that must be reached
     */
    void connect(Net net, Set<Place> sources, Set<Place> needed) {
        Set<Place> reached = new LinkedHashSet<>(sources);
        for (Place place : needed) {
            if (reached.isEmpty()) {
                reached.add(place);
            }
            if (reached.contains(place)) {
                continue;
            }
            Optional<List<Place>> path = pathTo(net, reached, place);
            if (path.isEmpty()) {
                obstacles.add(tooFewCores(net, reached, place));
                return;
            }
            for (int i = 1; i < path.get().size(); i++) {
                take(net, path.get().get(i - 1), path.get().get(i));
                reached.add(path.get().get(i));
            }
        }
    }

    private void take(Net net, Place from, Place to) {
        Optional<ConductorPath> own = own(net, from, to);
        if (own.isPresent()) {
            used.add(own.get());
        } else {
            requests.computeIfAbsent(hop(from, to), h -> new ArrayList<>()).add(net);
        }
    }

    private Hop hop(Place one, Place other) {
        return one.id().compareTo(other.id()) <= 0 ? new Hop(one, other) : new Hop(other, one);
    }

    private Optional<ConductorPath> own(Net net, Place from, Place to) {
        return ways.stream()
                .filter(way -> way.joins(from, to) && net.equals(taken.get(way)))
                .findFirst();
    }

    /** Cheapest path, counting only the free conductors it would take. */
    private Optional<List<Place>> pathTo(Net net, Set<Place> from, Place to) {
        Map<Place, Double> cost = new LinkedHashMap<>();
        Map<Place, Place> before = new LinkedHashMap<>();
        record Reached(Place place, double cost) {}
        PriorityQueue<Reached> open = new PriorityQueue<>(Comparator.comparingDouble(Reached::cost)
                .thenComparing(r -> r.place().id()));
        from.forEach(place -> {
            cost.put(place, 0.0);
            open.add(new Reached(place, 0));
        });
        while (!open.isEmpty()) {
            Reached at = open.remove();
            if (at.place().equals(to)) {
                return Optional.of(path(before, to));
            }
            for (Place next : neighbours(at.place())) {
                double step =
                        own(net, at.place(), next).isPresent() ? 0.01 : free(at.place(), next) > 0 ? 1 : Double.NaN;
                double total = at.cost() + step;
                if (total < cost.getOrDefault(next, Double.MAX_VALUE)) {
                    cost.put(next, total);
                    before.put(next, at.place());
                    open.add(new Reached(next, total));
                }
            }
        }
        return Optional.empty();
    }

    private static List<Place> path(Map<Place, Place> before, Place to) {
        Deque<Place> path = new ArrayDeque<>();
        for (Place at = to; at != null; at = before.get(at)) {
            path.addFirst(at);
        }
        return List.copyOf(path);
    }

    private Set<Place> neighbours(Place place) {
        Set<Place> neighbours = new LinkedHashSet<>();
        ways.stream().filter(way -> way.ends().contains(place)).forEach(way -> neighbours.add(way.farFrom(place)));
        return neighbours;
    }

    private int free(Place one, Place other) {
        return pool(one, other).size()
                - requests.getOrDefault(hop(one, other), List.of()).size();
    }

    private List<ConductorPath> pool(Place one, Place other) {
        return ways.stream()
                .filter(way -> way.joins(one, other) && !taken.containsKey(way) && !way.isEarth())
                .toList();
    }

    /** Names the first stretch on the way that has no conductor left. */
    private Finding tooFewCores(Net net, Set<Place> from, Place to) {
        List<Place> path = shortest(from, to);
        for (int i = 1; i < path.size(); i++) {
            Place near = path.get(i - 1);
            Place far = path.get(i);
            if (own(net, near, far).isEmpty() && free(near, far) <= 0) {
                List<Net> wanted = new ArrayList<>(requests.getOrDefault(hop(near, far), List.of()));
                wanted.add(net);
                return Finding.of(
                        FindingCode.TOO_FEW_CORES,
                        new Subject.Stretch(near.label(), far.label()),
                        Sentence.of(
                                        "Free cores between {0} and {1}: {allowed}. Needed: {found} ({2}).",
                                        near.label(),
                                        far.label(),
                                        String.join(
                                                ", ",
                                                wanted.stream().map(Net::words).toList()))
                                .found(wanted.size(), 0, "")
                                .allowed(pool(near, far).size(), 0, ""),
                        Source.COMPUTED,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a scheme that needs fewer wires there"));
            }
        }
        return Finding.of(
                FindingCode.TOO_FEW_CORES,
                new Subject.Box(to.label()),
                Sentence.of(
                        "No cable of this run joins {0} and {1}.",
                        from.iterator().next().label(), to.label()),
                Source.COMPUTED);
    }

    /** Fewest places from one to the other, whatever is free between them; empty when no cable leads there. */
    private List<Place> shortest(Set<Place> from, Place to) {
        Map<Place, Place> before = new LinkedHashMap<>();
        Deque<Place> open = new ArrayDeque<>(from);
        while (!open.isEmpty()) {
            Place at = open.remove();
            for (Place next : neighbours(at)) {
                if (!from.contains(next) && !before.containsKey(next)) {
                    before.put(next, at);
                    open.add(next);
                }
            }
        }
        return before.containsKey(to) ? path(before, to) : List.of();
    }

    /**
     * Gives up the conductors that a supply net no longer needs. One between two places that both hold the net stays, even
     * beside another: taking it away would open a place for nothing.
     *
     * @param released whether an end at a place stood on something that the plan takes away
     * @param holds    whether the net still has something to hold at a place
     */
    void release(Net net, BiPredicate<ConductorPath, Place> released, BiPredicate<Net, Place> holds) {
        boolean again = true;
        while (again) {
            again = false;
            for (ConductorPath way : ways) {
                if (net.equals(taken.get(way))
                        && !used.contains(way)
                        && way.ends().stream()
                                .anyMatch(place -> !holds.test(net, place)
                                        && (released.test(way, place) || others(net, way, place) == 0))) {
                    taken.remove(way);
                    again = true;
                }
            }
        }
    }

    private long others(Net net, ConductorPath own, Place place) {
        return ways.stream()
                        .filter(way -> way != own && way.ends().contains(place) && net.equals(taken.get(way)))
                        .count()
                + requests.entrySet().stream()
                        .filter(e ->
                                (e.getKey().a().equals(place) || e.getKey().b().equals(place))
                                        && e.getValue().contains(net))
                        .count();
    }

    /** Net of every conductor that carries one; those that are not named are spare. */
    Map<ConductorPath, Net> assigned() {
        Map<ConductorPath, Net> assigned = new LinkedHashMap<>(taken);
        requests.forEach((hop, nets) -> {
            List<ConductorPath> pool = pool(hop.a(), hop.b());
            ConductorPath[] best = cheapest(nets, pool);
            for (int i = 0; i < nets.size(); i++) {
                assigned.put(best[i], nets.get(i));
            }
        });
        return assigned;
    }

    private ConductorPath[] cheapest(List<Net> nets, List<ConductorPath> pool) {
        ConductorPath[] best = new ConductorPath[nets.size()];
        search(nets, pool, 0, 0, new ConductorPath[nets.size()], best, new double[] {Double.MAX_VALUE});
        return best;
    }

    private void search(
            List<Net> nets,
            List<ConductorPath> pool,
            int at,
            double cost,
            ConductorPath[] chosen,
            ConductorPath[] best,
            double[] least) {
        if (cost >= least[0]) {
            return;
        }
        if (at == nets.size()) {
            least[0] = cost;
            System.arraycopy(chosen, 0, best, 0, best.length);
            return;
        }
        for (ConductorPath way : pool) {
            if (!isChosen(chosen, at, way)) {
                chosen[at] = way;
                search(nets, pool, at + 1, cost + cost(nets.get(at), way), chosen, best, least);
            }
        }
    }

    private static boolean isChosen(ConductorPath[] chosen, int count, ConductorPath way) {
        for (int i = 0; i < count; i++) {
            if (chosen[i] == way) {
                return true;
            }
        }
        return false;
    }

    private double cost(Net net, ConductorPath way) {
        boolean home = homes.containsKey(net) && homes.get(net) == way.net();
        boolean neutralColour = way.colour() == region.neutralColour();
        boolean neutral = net.kind() == Net.Kind.NEUTRAL;
        double colour = neutral == neutralColour ? 0 : neutral ? LIVE_COLOUR_ON_NEUTRAL : NEUTRAL_COLOUR_ON_LIVE;
        return (home ? 0 : CHANGED_TASK) + (way.role() == net.role() ? 0 : CHANGED_ROLE) + colour;
    }

    List<Finding> obstacles() {
        return List.copyOf(obstacles);
    }
}
