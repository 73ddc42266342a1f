package org.hiddenclerk.app.stage.survey;

import java.util.UUID;

/** Tells whether somebody is at work on a box; what they work from must not change under their hands. */
public interface OpenWork {

    /** @throws org.hiddenclerk.app.platform.problem.ProblemException as a conflict, when a run sheet of the box is open */
    void refuseIfOpen(UUID box);
}
