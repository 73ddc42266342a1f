package org.hiddenclerk.app.stage.survey;

import java.util.List;
import java.util.UUID;

/** Tells what was issued on the ground of a survey: a change of it opens that again, and whoever changes it is asked first. */
public interface IssuedWork {

    /** Labels of the boxes whose issued plan holds for as long as this survey does, its own among them. */
    List<String> restingOn(Boxes.Found found);

    /** Whether a plan that was issued, for whatever box and whenever, speaks of a circuit of the job. */
    boolean speaksOf(UUID job, UUID circuit);
}
