package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;

/** How a module is brought into its network, step by step, and what to do when it does not come. */
public final class JoinGuide {
    private JoinGuide() {}

    /**
     * The way in.
     *
     * @param steps     in order
     * @param shows     what its indicator shows while it searches
     * @param whenNot   what to try when it does not come, in order
     */
    public record Guide(List<String> steps, Optional<String> shows, List<String> whenNot) {}

    /** @param closed whether the module is behind its plate already */
    public static Guide of(ModuleModel model, boolean closed) {
        List<String> steps = new ArrayList<>();
        steps.add("The hub has the driver or definition of the " + model.code()
                + ": without it a module comes in and can do nothing.");
        steps.addAll(Window.of(model.protocol()).before());
        steps.add(way(model, closed)
                .map(way -> "Let it search: " + way.words() + ".")
                .orElse("No way into pairing is known with the plate on: open the box, isolated and proved dead."));
        Optional<String> shows = model.sheet().whileSearching().map(DataSheet.Indicator::pattern);
        List<String> whenNot = new ArrayList<>();
        whenNot.add("It shows nothing at all: it has no supply. Test live to neutral at its terminals.");
        whenNot.add(
                "It shows something else: it is still in another network. Reset it: a long press of about 5 s, then let it search again.");
        model.sheet().pairing().stream()
                .skip(1)
                .filter(way -> !closed || way.overAir())
                .forEach(way -> whenNot.add("Another way in: " + way.words() + "."));
        whenNot.add(
                model.protocol().isMesh()
                        ? "Bring it near to a neighbour that passes messages on, let it come in there, and read its link in its place."
                        : "Bring it near to an access point; a network of 5 GHz only, or one that keeps "
                                + "its members apart, does not let it in.");
        return new Guide(steps, shows, whenNot);
    }

    private static Optional<DataSheet.PairingWay> way(ModuleModel model, boolean closed) {
        return model.sheet().pairing().stream()
                .filter(way -> !closed || way.overAir())
                .findFirst();
    }
}
