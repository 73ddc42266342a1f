package org.hiddenclerk.core.wiring.scheme;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.wiring.routing.PlanDraft;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.GangRef;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/**
 * One module somewhere in the run that reads the switches of its positions from there. Several switches of one lamp are read
 * one by one where the module has an input for each, else as the one contact that they make wired to each other as found.
 */
final class Reading {
    private Reading() {}

    /** Why no way of reading is possible with the module; empty when one is. */
    static List<Finding> obstacles(Site site) {
        Obstacles obstacles = new Obstacles(site);
        for (Site.Position position : site.positions()) {
            boolean readable = Arrays.stream(Way.values()).anyMatch(way -> isPossible(site, position, way));
            int inputs =
                    inputsOf(site.model(), site.positions().indexOf(position)).size();
            obstacles.lacks(
                    !readable,
                    Sentence.of(
                            "{0} has {1} inputs for one channel and cannot read the {2} {3} of {4}.",
                            site.model().code(),
                            inputs,
                            position.controls().size(),
                            position.controls().size() == 1 ? "switch" : "switches",
                            position.words()),
                    "a module with an input for each switch, or one that compares with the live");
        }
        return obstacles.list();
    }

    /** How the switches of a position are read. */
    enum Way {
        ONE_BY_ONE,
        AS_ONE
    }

    static List<Consumer<PlanDraft>> variants(Site site, List<Place> places) {
        List<Consumer<PlanDraft>> variants = new ArrayList<>();
        for (Place place : places) {
            for (Way way : Way.values()) {
                boolean possible = site.positions().stream().allMatch(position -> isPossible(site, position, way));
                if (possible) {
                    variants.add(draft -> apply(site, place, way, draft));
                }
            }
        }
        return variants;
    }

    private static boolean isPossible(Site site, Site.Position position, Way way) {
        List<Input> inputs = inputsOf(site.model(), site.positions().indexOf(position));
        if (way == Way.ONE_BY_ONE) {
            return inputs.size() >= position.controls().size();
        }
        boolean readsOneContact = !inputs.isEmpty()
                && (inputs.get(0).pins().size() > 1
                        || inputs.get(0)
                                .activeWith()
                                .filter(site.model().supply().livePin()::equals)
                                .isPresent());
        return position.hasSeveralSwitches() && readsOneContact;
    }

    private static List<Input> inputsOf(ModuleModel model, int position) {
        if (position >= model.channels().size()) {
            return List.of();
        }
        String channel = model.channels().get(position).id();
        return model.inputs().stream()
                .filter(Input::hasContact)
                .filter(input -> input.channel().filter(channel::equals).isPresent())
                .toList();
    }

    private static void apply(Site site, Place place, Way way, PlanDraft draft) {
        ModuleModel model = site.model();
        ModuleWork work = ModuleWork.fit(draft, place, model);
        List<Site.Position> positions = site.positions();
        work.supply(positions.get(0).circuit());
        for (int i = 0; i < positions.size(); i++) {
            Site.Position position = positions.get(i);
            Channel channel = model.channels().get(i);
            work.output(channel, position.loads());
            List<Input> inputs = work.inputsOf(channel);
            if (way == Way.ONE_BY_ONE) {
                for (int c = 0; c < position.controls().size(); c++) {
                    GangRef gang = position.controls().get(c);
                    work.input(inputs.get(c), gang, position.circuit(), site.behaviour(position));
                }
            } else {
                work.inputOfAll(inputs.get(0), position, site.behaviour(position));
            }
            position.loads().forEach(load -> draft.want(load, position.controls(), true));
        }
    }
}
