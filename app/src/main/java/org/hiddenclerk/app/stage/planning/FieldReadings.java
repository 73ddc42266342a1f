package org.hiddenclerk.app.stage.planning;

import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.conductors.FieldEvidence;

/** What was read on site, as far as plans stand or fall by it. */
public interface FieldReadings {
    /**
     * Where something was read in a job.
     *
     * @param stamp changes with every reading
     * @param boxes in which something was read
     */
    record Read(String stamp, Set<UUID> boxes) {}

    Read in(UUID job);

    /** @param read what was read in the job of the box */
    FieldEvidence evidence(Boxes.Found found, Read read);
}
