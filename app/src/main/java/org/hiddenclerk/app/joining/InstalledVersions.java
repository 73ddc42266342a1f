package org.hiddenclerk.app.joining;

import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Which versions run in a house. */
@Component
public class InstalledVersions {
    private final JoinedDeviceRepository devices;

    InstalledVersions(JoinedDeviceRepository devices) {
        this.devices = devices;
    }

    /** A module of a box and the version that it said it has. */
    public record Installed(UUID box, String moduleCode, String version) {
    }

    public List<Installed> ofJob(UUID job) {
        return devices.versions(job).stream().map(row -> new Installed((UUID) row[0], (String) row[1], (String) row[2])).toList();
    }
}
