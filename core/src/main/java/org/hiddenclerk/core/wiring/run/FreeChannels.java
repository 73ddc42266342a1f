package org.hiddenclerk.core.wiring.run;

import java.util.List;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.SurveyedModule;

/** Channels of modules that are in a box already on which nothing hangs. */
public final class FreeChannels {
    private FreeChannels() {}

    /** How many a module of a box has: as its terminals show it where its conductors were followed, else as somebody said. */
    public static int of(Box box, SurveyedModule module) {
        ConnectedBoxes.Place here = new ConnectedBoxes.Place("", "", "", box, false);
        List<ModuleInPlace> followed = ModuleInPlace.at(here, BoxWiring.surveyed(box));
        return followed.stream()
                .filter(each -> each.number() == module.number())
                .findFirst()
                .map(each -> each.free().size())
                .orElse(module.freeChannels());
    }
}
