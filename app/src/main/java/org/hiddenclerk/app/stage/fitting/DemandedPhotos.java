package org.hiddenclerk.app.stage.fitting;

import java.time.Instant;
import java.util.UUID;

/** Whether the photos were taken that a run sheet asks for. */
public interface DemandedPhotos {
    /** @param since when the work began */
    boolean wereTaken(UUID box, Instant since);
}
