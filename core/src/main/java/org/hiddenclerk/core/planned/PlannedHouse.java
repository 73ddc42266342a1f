package org.hiddenclerk.core.planned;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;
import org.hiddenclerk.core.catalogue.DataSheet.FirmwareLine;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.rules.Link;

/**
 * All that is planned in a house, made once from its plans.
 *
 * @param works pieces of work, each with its modules
 * @param links that the plans need, beside what anybody adds
 */
public record PlannedHouse(List<PlannedWork> works, List<PlannedLink> links) {
    public PlannedHouse {
        works = List.copyOf(works);
        links = List.copyOf(links);
    }

    /** @param features of the firmware of a module that belongs to the picks of a box: what is installed, or else what is newest */
    public static PlannedHouse of(List<PlannedWork> works, BiFunction<String, ModuleModel, Set<String>> features) {
        Map<PlannedId.Module, PlannedModule> modules = new LinkedHashMap<>();
        works.forEach(work -> work.modules().forEach(module -> modules.put(module.id(), module)));
        List<PlannedLink> links = new ArrayList<>();
        modules.values().forEach(module -> module.inputs().stream()
                .filter(PlannedModule.Input::isElsewhere)
                .forEach(input -> links.add(link(
                        module,
                        input,
                        modules.get(input.commands().orElseThrow().module()),
                        features))));
        return new PlannedHouse(works, links);
    }

    /** Direct where both can, over the hub otherwise; of two direct ways the one that is bound, for it needs no network of the house. */
    private static PlannedLink link(
            PlannedModule from,
            PlannedModule.Input input,
            PlannedModule to,
            BiFunction<String, ModuleModel, Set<String>> features) {
        PlannedId.Output output = input.commands().orElseThrow();
        Link.Effect effect =
                input.wall().input().behaviour().isLedByPosition() ? Link.Effect.FOLLOW : Link.Effect.TOGGLE;
        Set<Link.Way> ways = direct(features.apply(from.id().box(), from.model()));
        Set<Link.Way> there = direct(features.apply(to.id().box(), to.model()));
        boolean oneNetwork = from.model().protocol() == to.model().protocol();
        boolean several = to.outputs().size() > 1;
        Optional<Link.Way> way = !oneNetwork
                ? Optional.empty()
                : List.of(Link.Way.DIRECT_BINDING, Link.Way.LOCAL_GROUP).stream()
                        .filter(each -> ways.contains(each) && there.contains(each))
                        .findFirst();
        return way.map(direct ->
                        new PlannedLink(input.id(), output, direct, effect, several, "both can do it without a hub"))
                .orElseGet(() -> new PlannedLink(
                        input.id(),
                        output,
                        Link.Way.HUB,
                        effect,
                        false,
                        !oneNetwork
                                ? "they are in different networks"
                                : ways.isEmpty()
                                        ? from.model().code() + " commands no other device by itself"
                                        : to.model().code() + " takes no commands from another device"));
    }

    /** Ways in which a module with these features of its firmware can command others, or be commanded. */
    public static Set<Link.Way> direct(Set<String> features) {
        Set<Link.Way> ways = EnumSet.noneOf(Link.Way.class);
        if (features.contains(FirmwareLine.LOCAL_GROUP)) {
            ways.add(Link.Way.LOCAL_GROUP);
        }
        if (features.contains(FirmwareLine.DIRECT_BINDING)) {
            ways.add(Link.Way.DIRECT_BINDING);
        }
        return ways;
    }

    public List<PlannedModule> modules() {
        return works.stream().flatMap(work -> work.modules().stream()).toList();
    }

    /** Those of them whose plan is drawn, so that it is known what they do. */
    public List<PlannedModule> drawn() {
        return works.stream()
                .filter(PlannedWork::isDrawn)
                .flatMap(work -> work.modules().stream())
                .toList();
    }

    /** Modules that sit in a box, or at a lamp that it lists. */
    public List<PlannedModule> in(String box) {
        return modules().stream().filter(module -> module.box().equals(box)).toList();
    }

    /**
     * The box that something sits in: that of its module, which need not be the one whose plan fits it. Empty for
     * what is not of the plans.
     */
    public Optional<String> boxOf(HouseId id) {
        return PlannedId.read(id).map(read -> PlannedId.moduleOf(id)
                .flatMap(this::module)
                .map(PlannedModule::box)
                .orElse(read.box()));
    }

    public Optional<PlannedModule> module(PlannedId.Module id) {
        return modules().stream().filter(module -> module.id().equals(id)).findFirst();
    }

    /** The work that a box belongs to. */
    public Optional<PlannedWork> workOf(String box) {
        return works.stream().filter(work -> work.boxes().contains(box)).findFirst();
    }
}
