package org.hiddenclerk.app.stage.joining;

import java.util.List;
import java.util.UUID;
import org.hiddenclerk.core.planned.PlannedId;
import org.springframework.stereotype.Component;

/** Which versions run in a house. */
@Component
public class InstalledVersions {
    private final JoinedDeviceRepository devices;

    InstalledVersions(JoinedDeviceRepository devices) {
        this.devices = devices;
    }

    /** A module that is planned, by the box whose pick it belongs to, and the version that it said it has. */
    public record Installed(UUID box, String moduleCode, String version) {}

    public List<Installed> ofJob(UUID job) {
        return devices.versions(job).stream()
                .flatMap(row -> PlannedId.moduleOf((String) row[0]).stream()
                        .map(module -> new Installed(UUID.fromString(module.box()), (String) row[1], (String) row[2])))
                .toList();
    }
}
