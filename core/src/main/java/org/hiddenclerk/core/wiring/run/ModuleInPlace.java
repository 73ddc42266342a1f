package org.hiddenclerk.core.wiring.run;

import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/** A module that was in a box before the work and whose conductors were followed, with those of its terminals that hold something. */
public record ModuleInPlace(Place place, SurveyedModule surveyed, ModuleModel model, Set<String> held) {
    /** No assignment of a plan: nothing was picked for it. */
    private static final int OF_NO_ASSIGNMENT = -1;

    public ModuleInPlace {
        held = Set.copyOf(held);
    }

    /** A channel on which nothing hangs, and an input that commands it and reads nothing. */
    public record FreeChannel(Channel channel, Input input) {}

    /** Modules at a place whose conductors were followed. */
    public static List<ModuleInPlace> at(Place place, BoxWiring wiring) {
        return place.box().followedModules().stream()
                .map(module ->
                        new ModuleInPlace(place, module, module.model().orElseThrow(), held(module.number(), wiring)))
                .toList();
    }

    private static Set<String> held(int number, BoxWiring wiring) {
        Set<String> held = new LinkedHashSet<>();
        wiring.places().forEach(end -> {
            if (end instanceof End.AtModule at && at.module() == number) {
                held.add(at.terminal());
            }
        });
        return held;
    }

    public int number() {
        return surveyed.number();
    }

    public End pin(String name) {
        return new End.AtModule(number(), name);
    }

    /** What it is in the wiring while no plan touches it. */
    public Fitted asFound() {
        return new Fitted(number(), OF_NO_ASSIGNMENT, place, model, inputsInUse(), true);
    }

    /** Inputs that a conductor goes to; how they are set is taken to be as the maker sends them. */
    List<Input> inputsInUse() {
        return model.inputs().stream()
                .filter(Input::hasContact)
                .filter(input -> held.contains(input.pins().get(0)))
                .toList();
    }

    /** Channels that are free, each with an input, in the order of the module. */
    public List<FreeChannel> free() {
        return model.channels().stream()
                .filter(channel -> !held.contains(channel.to()))
                .flatMap(channel -> inputFor(channel).map(input -> new FreeChannel(channel, input)).stream())
                .toList();
    }

    private Optional<Input> inputFor(Channel channel) {
        return model.inputs().stream()
                .filter(Input::hasContact)
                .filter(input -> input.channel().filter(channel.id()::equals).isPresent())
                .filter(input -> !held.contains(input.pins().get(0)))
                .findFirst();
    }
}
