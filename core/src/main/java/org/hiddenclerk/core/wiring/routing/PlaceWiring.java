package org.hiddenclerk.core.wiring.routing;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiPredicate;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConductorPath;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;
import org.hiddenclerk.core.wiring.run.Net;
import org.hiddenclerk.core.wiring.run.SurveyedWiring;

/** The wiring of one place once it is known what every core carries: nets that did not change stay as they were found. */
final class PlaceWiring {
    private final SurveyedWiring found;
    private final Place place;
    private final BoxWiring surveyed;
    private final Map<Integer, Net> owners;
    private final Map<Integer, ModuleModel> modules;
    private final Netting netting;
    private final BiPredicate<Place, End> isTaken;
    private final Map<String, Role> roles;
    private final Map<Box.CableCore, Net> carried = new LinkedHashMap<>();
    /** Cores and terminals here of each net that goes on, as found. */
    private final Map<Net, Set<Box.CableCore>> coresFound = new HashMap<>();

    private final Map<Net, Set<End>> terminalsFound = new HashMap<>();

    PlaceWiring(
            SurveyedWiring found,
            Place place,
            Map<Integer, Net> owners,
            Map<Integer, ModuleModel> modules,
            BiPredicate<Place, End> isTaken) {
        this.found = found;
        this.place = place;
        this.surveyed = found.wiring().at(place);
        this.owners = owners;
        this.modules = modules;
        this.isTaken = isTaken;
        netting = new Netting(surveyed, modules);
        roles = new LinkedHashMap<>(BoxWiring.surveyedRoles(place.box()));
        for (Box.CableCore core : place.box().cores()) {
            found.netOf(place, core).map(owners::get).ifPresent(net -> coresFound
                    .computeIfAbsent(net, n -> new HashSet<>())
                    .add(core));
        }
        for (End end : found.nets().endsAt(place)) {
            if (end instanceof End.AtMechanism || end instanceof End.AtLoad || end instanceof End.AtModule) {
                found.netAt(place, end).map(owners::get).ifPresent(net -> terminalsFound
                        .computeIfAbsent(net, n -> new HashSet<>())
                        .add(end));
            }
        }
    }

    /**
     * @param planned the box with its mechanisms and its depth as planned
     * @param bridges of this place
     */
    BoxWiring wired(
            Map<ConductorPath, Net> assigned,
            Map<Net, Map<Place, Set<End>>> demands,
            Box planned,
            Map<Integer, Watts> bypasses,
            List<PlanDraft.Bridge> bridges) {
        Set<Box.CableCore> between = carriedBetweenPlaces(assigned);
        Map<Net, List<Box.CableCore>> cores = new LinkedHashMap<>();
        demands.keySet().stream()
                .filter(net -> demands.get(net).containsKey(place))
                .forEach(net -> cores.put(net, new ArrayList<>()));
        for (Box.CableCore core : place.box().cores()) {
            Optional<Net> net = between.contains(core)
                    ? Optional.ofNullable(carried.get(core))
                    : found.netOf(place, core).map(owners::get);
            net.ifPresentOrElse(
                    n -> cores.computeIfAbsent(n, x -> new ArrayList<>()).add(core),
                    () -> free(core, between.contains(core)));
        }
        Set<Net> left = new LinkedHashSet<>();
        cores.forEach((net, own) -> {
            if (isAsFound(net, own, terminals(net, demands))) {
                left.add(net);
                netting.leave(own);
            }
        });
        inOrder(cores.keySet()).stream()
                .filter(net -> !left.contains(net))
                .forEach(net -> netting.join(
                        net.connectorName(found.house()),
                        net.colour(found.house().region()),
                        cores.get(net),
                        terminals(net, demands)));
        for (Jumper jumper : surveyed.jumpers()) {
            Optional<Net> net = found.netAt(place, jumper.from()).map(owners::get);
            if (net.filter(left::contains).isPresent()) {
                netting.keep(jumper);
            }
        }
        bridges.stream()
                .filter(bridge -> left.contains(bridge.net()))
                .forEach(bridge -> netting.bridge(
                        bridge.one(),
                        bridge.other(),
                        bridge.net().colour(found.house().region())));
        return new BoxWiring(planned, netting.ends(), netting.jumpers(), modules, bypasses, roles);
    }

    /** Supplies last: a hand connects what is fed before what feeds it. */
    private static List<Net> inOrder(Set<Net> nets) {
        return nets.stream()
                .sorted(java.util.Comparator.comparing(net -> net.kind().isSupply() ? 1 : 0))
                .toList();
    }

    private Set<Box.CableCore> carriedBetweenPlaces(Map<ConductorPath, Net> assigned) {
        Set<Box.CableCore> between = new LinkedHashSet<>();
        for (ConnectedBoxes.Span span : found.run().spans()) {
            if (span.joins(place)) {
                span.at(place).cores().forEach(core -> between.add(new Box.CableCore(span.at(place), core)));
            }
        }
        assigned.forEach((way, net) -> {
            if (way.ends().contains(place)) {
                carried.put(way.at(place), net);
                if (net.kind() != Net.Kind.KEPT && net.kind() != Net.Kind.EARTH && !isOwn(way, net)) {
                    roles.put(way.at(place).key(), net.role());
                }
            }
        });
        return between;
    }

    private boolean isOwn(ConductorPath way, Net net) {
        return net.equals(owners.get(way.net()));
    }

    /** A core that carries nothing any more is insulated on its own; one that never did stays as it is. */
    private void free(Box.CableCore core, boolean hasOtherEnd) {
        End end = core.core().end();
        if (!(end instanceof End.Capped)
                && (hasOtherEnd || end instanceof End.AtMechanism && isTaken.test(place, end))) {
            netting.cap(core);
        }
        if (hasOtherEnd && !(core.cable().leads() instanceof Leads.FromSupply)) {
            roles.put(core.key(), Role.SPARE);
        }
    }

    private List<End> terminals(Net net, Map<Net, Map<Place, Set<End>>> demands) {
        return List.copyOf(demands.getOrDefault(net, Map.of()).getOrDefault(place, Set.of()));
    }

    /** Whether a net joins here just what it joined as found. */
    private boolean isAsFound(Net net, List<Box.CableCore> cores, List<End> terminals) {
        return owners.containsValue(net)
                && coresFound.getOrDefault(net, Set.of()).equals(Set.copyOf(cores))
                && terminalsFound.getOrDefault(net, Set.of()).equals(Set.copyOf(terminals));
    }
}
