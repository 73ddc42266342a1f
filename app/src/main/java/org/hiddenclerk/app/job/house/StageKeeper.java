package org.hiddenclerk.app.job.house;

import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.core.job.Stage;

/** Whoever keeps the work of a stage and can tell how far it is. */
public interface StageKeeper {
    Stage stage();

    /** How far each box of a job is; those that are left out stand open. */
    Map<UUID, Stage.Progress> progress(UUID job);
}
