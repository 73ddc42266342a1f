package org.hiddenclerk.core.job;

import java.util.Optional;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;

/**
 * A module that was found in a box: it takes room and gives off heat whatever is planned beside it. What its terminals hold is
 * not part of the survey.
 *
 * @param name         what stands on it, or what people call it
 * @param size         its outside; empty where it was not measured
 * @param draws        what it draws while idle; empty where that is unknown
 * @param freeChannels channels of it on which nothing hangs
 */
public record SurveyedModule(String name, Optional<Size> size, Optional<Watts> draws, int freeChannels) {

    /** Outside of a module, along its longest side, across it, and between its flat sides. */
    public record Size(Millimetres length, Millimetres width, Millimetres thickness) {}
}
