package org.hiddenclerk.core.wiring.run;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;

/**
 * What is at loads that were surveyed only by the cables that lead to them. Loads that share a cable hang at one place, and share
 * neutral and earth there. A switch loop means that the circuit's feed arrives there too; a cable without a neutral means that the
 * neutral comes from elsewhere on its circuit.
 */
final class LampPlace {
    private static final String LIVES = "live";
    private static final String NEUTRALS = "neutral";
    private static final String EARTHS = "earth";
    private static final String FEED = "feed";

    private final ConnectedBoxes.Place owner;
    private final List<SurveyedLoad> loads;
    private final RegionProfile region;
    private final List<Cable> leading;
    private final ConnectedBoxes.Place place;

    /** @param loads one, or those that {@link #groups} puts together */
    LampPlace(ConnectedBoxes.Place owner, List<SurveyedLoad> loads, RegionProfile region) {
        this.owner = owner;
        this.loads = loads;
        this.region = region;
        Set<Integer> numbers = loads.stream().map(SurveyedLoad::number).collect(Collectors.toSet());
        leading = owner.box().cables().stream()
                .filter(cable -> cable.leads() instanceof Leads.ToPlaceOfLoads lamp && numbers.contains(lamp.load()))
                .toList();
        String name = "x" + loads.get(0).number();
        place = new ConnectedBoxes.Place(
                owner.id() + "/" + name, owner.prefix() + name + "-", owner.prefix(), box(), true);
    }

    /** Loads of a box that hang elsewhere, those that share a cable together; in the order in which they are listed. */
    static List<List<SurveyedLoad>> groups(Box box) {
        List<SurveyedLoad> left = new ArrayList<>(
                box.loads().stream().filter(load -> !load.hangsHere()).toList());
        List<List<SurveyedLoad>> groups = new ArrayList<>();
        while (!left.isEmpty()) {
            Set<Integer> together = new LinkedHashSet<>(List.of(left.get(0).number()));
            List<Set<Integer>> shared = box.cables().stream()
                    .filter(cable -> cable.leads() instanceof Leads.ToPlaceOfLoads)
                    .map(cable -> ((Leads.ToPlaceOfLoads) cable.leads()).loads())
                    .toList();
            boolean grows = true;
            while (grows) {
                grows = shared.stream()
                        .filter(loads -> loads.stream().anyMatch(together::contains))
                        .map(together::addAll)
                        .reduce(false, Boolean::logicalOr);
            }
            groups.add(left.stream()
                    .filter(load -> together.contains(load.number()))
                    .toList());
            left.removeIf(load -> together.contains(load.number()));
        }
        return groups;
    }

    ConnectedBoxes.Place place() {
        return place;
    }

    List<ConnectedBoxes.Span> spans() {
        return leading.stream()
                .map(cable -> new ConnectedBoxes.Span(owner, cable, place, mirrored(cable)))
                .toList();
    }

    private Box box() {
        List<Cable> cables = new ArrayList<>();
        leading.forEach(cable -> cables.add(mirrored(cable)));
        cables.addAll(feeds());
        List<Jumper> jumpers = new ArrayList<>();
        if (neutralsMeet()) {
            loads.forEach(load -> jumpers.add(new Jumper(
                    key("n", load), region.neutralColour(), new End.InConnector(NEUTRALS), terminal(load, "N"))));
        }
        if (isShared() && has(Role.EARTH)) {
            loads.forEach(load -> jumpers.add(new Jumper(
                    key("e", load), region.earthColour(), new End.InConnector(EARTHS), terminal(load, "PE"))));
        }
        return new Box(
                loads.stream().map(SurveyedLoad::name).collect(Collectors.joining(" and ")),
                BoxKind.LUMINAIRE,
                Optional.empty(),
                List.of(),
                loads.stream().map(SurveyedLoad::hanging).toList(),
                cables,
                jumpers);
    }

    private boolean isShared() {
        return loads.size() > 1;
    }

    private String key(String name, SurveyedLoad load) {
        return isShared() ? name + load.number() : name;
    }

    private Cable mirrored(Cable cable) {
        Leads.ToPlaceOfLoads leads = (Leads.ToPlaceOfLoads) cable.leads();
        boolean loop = leads instanceof Leads.ToLoadWithFeed;
        return new Cable(
                cable.name(),
                new Leads.ToBox(owner.id(), cable.name()),
                cable.mm2(),
                cable.cores().stream()
                        .map(core ->
                                core.endingAt(endOf(core.role(), owner.box().load(leads.loadOf(core.number())), loop)))
                        .toList());
    }

    private End endOf(Role role, SurveyedLoad load, boolean loop) {
        return switch (role) {
            case SWITCHED_LIVE -> terminal(load, "L");
            case PERMANENT_LIVE, ELV_PLUS -> loop ? new End.InConnector(LIVES) : terminal(load, "L");
            case NEUTRAL, ELV_MINUS -> neutralsMeet() ? new End.InConnector(NEUTRALS) : terminal(load, "N");
            case EARTH -> isShared() ? new End.InConnector(EARTHS) : terminal(load, "PE");
            case TRAVELLER, CONTROL, SPARE -> new End.Capped();
        };
    }

    /**
     * The feed of the circuit where it must be here, with the cores that it must have; of each circuit where loads
     * of several have no neutral.
     */
    private List<Cable> feeds() {
        Optional<CircuitId> loop = leading.stream()
                .map(Cable::leads)
                .filter(Leads.ToLoadWithFeed.class::isInstance)
                .map(leads -> ((Leads.ToLoadWithFeed) leads).circuit())
                .findFirst();
        boolean elv = has(Role.ELV_PLUS) || has(Role.ELV_MINUS);
        if (loop.isPresent()) {
            List<Core> cores = new ArrayList<>();
            cores.add(core(1, region.liveColour(), elv ? Role.ELV_PLUS : Role.PERMANENT_LIVE, true));
            cores.add(core(2, region.neutralColour(), elv ? Role.ELV_MINUS : Role.NEUTRAL, true));
            if (!elv) {
                cores.add(core(3, region.earthColour(), Role.EARTH, true));
            }
            return List.of(feed(FEED, loop.get(), cores));
        }
        if (has(Role.NEUTRAL) || has(Role.ELV_MINUS)) {
            return List.of();
        }
        Map<CircuitId, List<Core>> neutrals = new LinkedHashMap<>();
        loads.forEach(load -> {
            List<Core> cores =
                    neutrals.computeIfAbsent(owner.box().gang(load.gang()).circuit(), circuit -> new ArrayList<>());
            cores.add(new Core(
                    cores.size() + 2, region.neutralColour(), Optional.empty(), Role.NEUTRAL, terminal(load, "N")));
        });
        List<Cable> feeds = new ArrayList<>();
        neutrals.forEach((circuit, cores) ->
                feeds.add(feed(feeds.isEmpty() ? FEED : FEED + " " + (feeds.size() + 1), circuit, cores)));
        return feeds;
    }

    private Cable feed(String name, CircuitId circuit, List<Core> cores) {
        return new Cable(
                name,
                new Leads.FromSupply(circuit),
                leading.isEmpty() ? region.usualLightingMm2() : leading.get(0).mm2(),
                cores);
    }

    private static End terminal(SurveyedLoad load, String name) {
        return new End.AtLoad(load.number(), name);
    }

    private Core core(int number, CoreColour colour, Role role, boolean loop) {
        return new Core(number, colour, Optional.empty(), role, endOf(role, loads.get(0), loop));
    }

    /** Where more than one load is on the neutral: of several loads, or of a loop's cable that carries the neutral on. */
    private boolean neutralsMeet() {
        boolean comesAlong = has(Role.NEUTRAL) || has(Role.ELV_MINUS);
        boolean loop = leading.stream().anyMatch(cable -> cable.leads() instanceof Leads.ToLoadWithFeed);
        return isShared() && (comesAlong || loop)
                || leading.stream()
                        .anyMatch(cable -> cable.leads() instanceof Leads.ToLoadWithFeed
                                && cable.cores().stream()
                                        .anyMatch(
                                                core -> core.role() == Role.NEUTRAL || core.role() == Role.ELV_MINUS));
    }

    private boolean has(Role role) {
        return leading.stream().flatMap(cable -> cable.cores().stream()).anyMatch(core -> core.role() == role);
    }
}
