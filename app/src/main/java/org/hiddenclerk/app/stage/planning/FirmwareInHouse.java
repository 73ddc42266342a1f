package org.hiddenclerk.app.stage.planning;

import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.core.matching.module.InstalledFirmware;

/** Tells what the modules of a house that have joined run, as far as it is known. */
public interface FirmwareInHouse {
    /** By box and module code. */
    Map<UUID, Map<String, InstalledFirmware>> ofJob(UUID job);
}
