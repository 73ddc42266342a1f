package org.hiddenclerk.app.stage.firmware;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.stage.joining.InstalledVersions;
import org.hiddenclerk.app.stage.planning.FirmwareInHouse;
import org.hiddenclerk.core.firmware.Release;
import org.hiddenclerk.core.matching.module.InstalledFirmware;
import org.springframework.stereotype.Component;

/** What installed versions can do, as far as they are kept; of a version that nobody keeps nothing is known. */
@Component
class KnownFirmware implements FirmwareInHouse {
    private final InstalledVersions versions;
    private final Releases releases;

    KnownFirmware(InstalledVersions versions, Releases releases) {
        this.versions = versions;
        this.releases = releases;
    }

    @Override
    public Map<UUID, Map<String, InstalledFirmware>> ofJob(UUID job) {
        List<InstalledVersions.Installed> installed = versions.ofJob(job);
        if (installed.isEmpty()) {
            return Map.of();
        }
        List<Release> kept = releases.known();
        Map<UUID, Map<String, InstalledFirmware>> byBox = new HashMap<>();
        for (InstalledVersions.Installed each : installed) {
            Optional<Release> own = kept.stream()
                    .filter(r -> r.kind().equals(each.moduleCode())
                            && r.version().toString().equals(each.version()))
                    .findFirst();
            own.ifPresent(release -> {
                Map<String, String> better = new HashMap<>();
                kept.stream().filter(r -> r.kind().equals(each.moduleCode())).forEach(r -> r.features()
                        .forEach(feature -> better.put(feature, r.version().toString())));
                byBox.computeIfAbsent(each.box(), box -> new HashMap<>())
                        .put(each.moduleCode(), new InstalledFirmware(each.version(), release.features(), better));
            });
        }
        return byBox;
    }
}
