package org.hiddenclerk.core.job;

import java.util.Optional;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;

/**
 * A module that was found in a box: it takes room and gives off heat whatever is planned beside it.
 *
 * @param number       from 1 in its box
 * @param name         what stands on it, or what people call it
 * @param size         its outside; empty where it was not measured
 * @param draws        what it draws while idle; empty where that is unknown
 * @param freeChannels channels of it on which nothing hangs, as somebody said who did not follow its conductors
 * @param model        what the stock book says of it; empty where it is not in there
 */
public record SurveyedModule(
        int number,
        String name,
        Optional<Size> size,
        Optional<Watts> draws,
        int freeChannels,
        Optional<ModuleModel> model) {

    /** Outside of a module, along its longest side, across it, and between its flat sides. */
    public record Size(Millimetres length, Millimetres width, Millimetres thickness) {}

    /** The only one of its box, which no stock book has. */
    public SurveyedModule(String name, Optional<Size> size, Optional<Watts> draws, int freeChannels) {
        this(1, name, size, draws, freeChannels, Optional.empty());
    }

    /** Its outside: as it was measured, else as its maker states it. */
    public Optional<Body> body() {
        return size.map(measured -> new Body(measured.length(), measured.width(), measured.thickness()))
                .or(() -> model.flatMap(ModuleModel::body));
    }

    /** Whether the stock book says that it has a terminal. */
    public boolean hasTerminal(String terminal) {
        return model.filter(known ->
                        known.terminals().stream().anyMatch(each -> each.name().equals(terminal)))
                .isPresent();
    }

    /** The same module by its number among several boxes. */
    SurveyedModule numbered(int other) {
        return new SurveyedModule(other, name, size, draws, freeChannels, model);
    }
}
