package org.hiddenclerk.core.matching.house;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.BlinkTiming;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.quantity.Amps;

/**
 * Modules of a stock book put into classes, so that what is the same for many is judged once: by how they are wired, by what
 * their contacts carry, and by their size.
 */
final class Shapes {
    private final ModuleModel[] models;
    private final Map<Object, List<Integer>> byWiring = new LinkedHashMap<>();
    private final int[] contacts;
    private final int[] bodies;
    private final int differentBodies;

    /**
     * A sender must talk like its receiver; otherwise the protocol is no matter of wires. The own draw is left out:
     * see {@link #greediestFirst}.
     */
    private record Wired(
            ModuleSupply supply,
            List<List<String>> channels,
            List<Input> inputs,
            Set<InputBehaviour> behaviours,
            boolean interlocked,
            List<String> terminals,
            Purpose purpose,
            Optional<Protocol> protocol,
            Optional<BlinkTiming> blink) {}

    private record Contacts(
            List<List<ContactRating>> ratings, Optional<Amps> total, OptionalInt peak, List<String> channels) {}

    private final List<Alike> alike;

    /** Some modules, by their place in the stock book. */
    record Alike(int[] indices, List<ModuleModel> models) {
        ModuleModel first() {
            return models.get(0);
        }

        ModuleModel last() {
            return models.get(models.size() - 1);
        }
    }

    Shapes(List<ModuleModel> models) {
        this.models = models.toArray(new ModuleModel[0]);
        contacts = new int[models.size()];
        bodies = new int[models.size()];
        Map<Contacts, Integer> contactsSeen = new LinkedHashMap<>();
        Map<Object, Integer> bodiesSeen = new LinkedHashMap<>();
        for (int i = 0; i < models.size(); i++) {
            ModuleModel model = models.get(i);
            byWiring.computeIfAbsent(wired(model), w -> new ArrayList<>()).add(i);
            contacts[i] = contactsSeen.computeIfAbsent(
                    new Contacts(
                            model.channels().stream().map(c -> c.ratings()).toList(),
                            model.totalAmps(),
                            model.sheet().contactPeakAmps(),
                            model.channels().stream().map(c -> c.id()).toList()),
                    c -> contactsSeen.size());
            bodies[i] = bodiesSeen.computeIfAbsent(
                    List.of(
                            model.body(),
                            model.terminals().stream()
                                    .filter(t -> t.lead().isPresent())
                                    .toList()),
                    b -> bodiesSeen.size());
        }
        differentBodies = bodiesSeen.size();
        alike = byWiring.values().stream()
                .map(group -> alike(group.stream().sorted(greediestFirst()).toList()))
                .toList();
    }

    private static Wired wired(ModuleModel m) {
        return new Wired(
                withoutDraw(m.supply()),
                m.channels().stream()
                        .map(c -> List.of(c.id(), c.from(), c.to()))
                        .toList(),
                m.inputs(),
                m.behaviours(),
                m.interlocked(),
                m.terminals().stream()
                        .map(t -> t.name() + " " + t.takes() + " " + t.lead().isPresent())
                        .toList(),
                m.purpose(),
                m.purpose() == Purpose.RECEIVER ? Optional.of(m.protocol()) : Optional.empty(),
                m.blink());
    }

    private static ModuleSupply withoutDraw(ModuleSupply supply) {
        return supply instanceof ModuleSupply.LineNeutral mains
                ? new ModuleSupply.LineNeutral(
                        mains.livePin(), mains.returnPin(), mains.minVolts(), mains.maxVolts(), 0)
                : supply;
    }

    /** What is proved with the greediest holds for those that draw less: less current flows everywhere. */
    private Comparator<Integer> greediestFirst() {
        return Comparator.comparingDouble((Integer i) ->
                        models[i].supply() instanceof ModuleSupply.LineNeutral mains ? -mains.watts() : 0)
                .thenComparing(i -> i);
    }

    int bodies() {
        return differentBodies;
    }

    /** Modules that are wired alike, the greediest first, by their place in the list. */
    List<Alike> wiredAlike() {
        return alike;
    }

    Alike alike(List<Integer> indices) {
        return new Alike(
                indices.stream().mapToInt(i -> i).toArray(),
                indices.stream().map(this::model).toList());
    }

    int contactsOf(int model) {
        return contacts[model];
    }

    int bodyOf(int model) {
        return bodies[model];
    }

    ModuleModel model(int index) {
        return models[index];
    }
}
