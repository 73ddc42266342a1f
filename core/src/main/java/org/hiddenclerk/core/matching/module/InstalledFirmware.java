package org.hiddenclerk.core.matching.module;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/**
 * What a module that has joined already runs.
 *
 * @param version  as it says
 * @param features of that version
 * @param better   a version that can be had and has what is missing, by feature
 */
public record InstalledFirmware(String version, Set<String> features, Map<String, String> better) {
    public InstalledFirmware {
        features = Set.copyOf(features);
        better = Map.copyOf(better);
    }

    /** What the firmware of modules that are in already lacks for their schemes; by module code what is known of them. */
    public static List<Finding> findings(List<Assignment> modules, Map<String, InstalledFirmware> installed) {
        List<Finding> findings = new ArrayList<>();
        for (Assignment module : modules) {
            InstalledFirmware has = installed.get(module.model().code());
            if (has != null) {
                FirmwareNeeds.of(module.scheme())
                        .flatMap(feature -> FirmwareNeeds.lackOfInstalled(module.model(), has, feature, "this scheme"))
                        .ifPresent(findings::add);
            }
        }
        return findings;
    }
}
