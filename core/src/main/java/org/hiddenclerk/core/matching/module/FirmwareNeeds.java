package org.hiddenclerk.core.matching.module;

import java.util.Optional;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.DataSheet.FirmwareLine;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** What schemes and behaviours ask of a module's firmware. */
public final class FirmwareNeeds {
    private FirmwareNeeds() {}

    static Optional<String> of(SchemeCode scheme) {
        return scheme.has(SchemeCode.Trait.BLINKS) ? Optional.of(FirmwareLine.SUPPLY_BLINK) : Optional.empty();
    }

    static Optional<String> of(InputBehaviour behaviour) {
        return switch (behaviour) {
            case SUPPLY_BLINK -> Optional.of(FirmwareLine.SUPPLY_BLINK);
            case REPORT_ONLY -> Optional.of(FirmwareLine.REPORT_OF_STATE);
            default -> Optional.empty();
        };
    }

    /**
     * Whether the newest line of the stock book lacks something; that is what a module will have. Nothing stated is
     * not held against it.
     */
    static Optional<Finding> lackOfLine(ModuleModel model, String feature, String whose) {
        if (model.sheet().firmware().isEmpty()
                || model.sheet().firmware().get(0).features().contains(feature)) {
            return Optional.empty();
        }
        FirmwareLine newest = model.sheet().firmware().get(0);
        Optional<FirmwareLine> other = model.sheet().firmware().stream()
                .filter(line -> line.features().contains(feature))
                .findFirst();
        return Optional.of(Finding.of(
                FindingCode.FIRMWARE_LACKS,
                new Subject.ModelFigure(model.code(), feature),
                Sentence.of(
                        "Firmware {0} {1} does not have \"{2}\", which {3} lives on.",
                        newest.name(), newest.version(), feature, whose),
                Source.MAKER,
                other.map(line -> new Remedy(
                                Remedy.Kind.FIND_OUT,
                                "install " + line.name() + " " + line.version() + ", which has it"))
                        .orElse(new Remedy(Remedy.Kind.OTHER_MODULE, "a module whose firmware has it"))));
    }

    /** Whether what a module runs that is in already lacks something. */
    static Optional<Finding> lackOfInstalled(
            ModuleModel model, InstalledFirmware installed, String feature, String whose) {
        if (installed.features().contains(feature)) {
            return Optional.empty();
        }
        return Optional.of(Finding.of(
                FindingCode.FIRMWARE_LACKS,
                new Subject.ModelFigure(model.code(), feature),
                Sentence.of(
                        "The {0} for it has {1} installed, without \"{2}\", which {3} lives on.",
                        model.code(), installed.version(), feature, whose),
                Source.MAKER,
                new Remedy(
                        Remedy.Kind.FIND_OUT,
                        Optional.ofNullable(installed.better().get(feature))
                                .map(version -> "bring it to " + version + ", which has it")
                                .orElse("keep a version that has it, and bring it to that"))));
    }
}
