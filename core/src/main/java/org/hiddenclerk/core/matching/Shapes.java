package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.BlinkTiming;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.electrical.ContactRating;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.quantity.Amps;

/**
 * Modules of a stock book put into classes, so that what is the same for many is judged once: by how they are wired, by what
 * their contacts carry, and by their size.
 */
final class Shapes {
    private final List<ModuleModel> models;
    private final Map<Object, List<Integer>> byWiring = new LinkedHashMap<>();
    private final int[] contacts;
    private final int[] bodies;

    private record Wired(ModuleSupply supply, List<List<String>> channels, List<Input> inputs, Set<InputBehaviour> behaviours,
                         boolean interlocked, List<String> terminals, Purpose purpose, Protocol protocol, Optional<BlinkTiming> blink) {
    }

    private record Contacts(List<List<ContactRating>> ratings, Optional<Amps> total, OptionalInt peak, List<String> channels) {
    }

    Shapes(List<ModuleModel> models) {
        this.models = models;
        contacts = new int[models.size()];
        bodies = new int[models.size()];
        Map<Contacts, Integer> contactsSeen = new LinkedHashMap<>();
        Map<Optional<Body>, Integer> bodiesSeen = new LinkedHashMap<>();
        for (int i = 0; i < models.size(); i++) {
            ModuleModel model = models.get(i);
            byWiring.computeIfAbsent(wired(model), w -> new ArrayList<>()).add(i);
            contacts[i] = contactsSeen.computeIfAbsent(new Contacts(model.channels().stream().map(c -> c.ratings()).toList(),
                    model.totalAmps(), model.sheet().contactPeakAmps(), model.channels().stream().map(c -> c.id()).toList()),
                    c -> contactsSeen.size());
            bodies[i] = bodiesSeen.computeIfAbsent(model.body(), b -> bodiesSeen.size());
        }
    }

    private static Wired wired(ModuleModel m) {
        return new Wired(m.supply(), m.channels().stream().map(c -> List.of(c.id(), c.from(), c.to())).toList(), m.inputs(),
                m.behaviours(), m.interlocked(), m.terminals().stream().map(t -> t.name() + " " + t.takes() + " " + t.lead().isPresent())
                .toList(), m.purpose(), m.protocol(), m.blink());
    }

    /** Modules that are wired alike, by their place in the list. */
    List<List<Integer>> wiredAlike() {
        return List.copyOf(byWiring.values());
    }

    int contactsOf(int model) {
        return contacts[model];
    }

    int bodyOf(int model) {
        return bodies[model];
    }

    ModuleModel model(int index) {
        return models.get(index);
    }
}
