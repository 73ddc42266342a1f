package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.wiring.Assignment;
import org.hiddenclerk.core.wiring.SchemeCode;

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
    static List<Finding> findings(List<Assignment> modules, Map<String, InstalledFirmware> installed) {
        List<Finding> findings = new ArrayList<>();
        for (Assignment module : modules) {
            InstalledFirmware has = installed.get(module.model().code());
            if (has != null && module.scheme() == SchemeCode.AT_LAMP_BLINK && !has.features.contains(DataSheet.FirmwareLine.SUPPLY_BLINK)) {
                Optional<String> other = Optional.ofNullable(has.better.get(DataSheet.FirmwareLine.SUPPLY_BLINK));
                findings.add(Finding.of(FindingCode.FIRMWARE_LACKS, module.model().code(), "The " + module.model().code() + " for it has " + has.version
                        + " installed, without \"" + DataSheet.FirmwareLine.SUPPLY_BLINK + "\", which this scheme lives on.", Source.MAKER, new Remedy(Remedy.Kind.FIND_OUT,
                        other.map(version -> "bring it to " + version + ", which has it").orElse("keep a version that has it, and bring it to that"))));
            }
        }
        return findings;
    }
}
