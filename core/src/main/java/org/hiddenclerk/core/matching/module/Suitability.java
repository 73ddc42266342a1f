package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** Whether a module suits a region, a scheme and the conductors there at all, whatever it switches. */
public final class Suitability {
    private Suitability() {}

    /** What holds for a module wherever a scheme puts it. */
    public static List<Finding> of(ModuleModel model, SchemeCode scheme, RegionProfile region) {
        List<Finding> findings = new ArrayList<>();
        unstated(model, findings);
        volts(model, region, findings);
        if (!model.markets().contains(region.market())) {
            findings.add(Finding.of(
                    FindingCode.NOT_APPROVED_HERE,
                    new Subject.Model(model.code()),
                    model.markets().isEmpty()
                            ? Sentence.of("No approval is stated for it.")
                            : Sentence.of(
                                    "Approvals are stated for {0}, not for {1}.",
                                    model.markets().stream().sorted().collect(Collectors.joining(", ")),
                                    region.market()),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module approved here")));
        }
        if (model.interlocked() && !scheme.has(SchemeCode.Trait.LOCKED_PAIR)) {
            findings.add(Finding.of(
                    FindingCode.CHANNELS_INTERLOCKED,
                    new Subject.Model(model.code()),
                    Sentence.of("Made for {0}: only one of its channels can be on at a time.", Purpose.BLINDS.label()),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module made for lights")));
        }
        if (!model.hasWetContacts() && !scheme.has(SchemeCode.Trait.ISOLATED_CONTACT)) {
            findings.add(Finding.of(
                    FindingCode.CONTACT_ISOLATED,
                    new Subject.Model(model.code()),
                    "Its contact stands apart from its supply; a lamp circuit needs a contact on the live.",
                    Source.MAKER,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module that switches its own live")));
        }
        FirmwareNeeds.of(scheme)
                .flatMap(feature -> FirmwareNeeds.lackOfLine(model, feature, "this scheme"))
                .ifPresent(findings::add);
        return findings;
    }

    private static void unstated(ModuleModel model, List<Finding> findings) {
        for (DataSheet.Unstated what : DataSheet.Unstated.values()) {
            if (model.sheet().unstated().contains(what)) {
                findings.add(Finding.of(
                        FindingCode.FIGURE_UNKNOWN,
                        new Subject.ModelFigure(model.code(), what.label()),
                        Sentence.of("The maker does not state {0} of {1}.", what.label(), model.code()),
                        Source.MAKER,
                        new Remedy(Remedy.Kind.FIND_OUT, "find this out from the maker")));
            }
        }
    }

    private static void volts(ModuleModel model, RegionProfile region, List<Finding> findings) {
        double max = model.supply().maxVolts().orElse(Double.MAX_VALUE);
        boolean unknown = model.sheet().unstated().contains(DataSheet.Unstated.SUPPLY_RANGE);
        if (unknown || model.supply() instanceof ModuleSupply.DirectCurrent) {
            return;
        }
        if (model.supply().minVolts() > region.lowestVolts().asDouble()
                || max < region.highestVolts().asDouble()) {
            findings.add(Finding.of(
                    FindingCode.VOLTS_OUT_OF_RANGE,
                    new Subject.Model(model.code()),
                    Sentence.of(
                            "Made for {0} to {1}; here {2} to {3} must be expected.",
                            Sentence.Amount.of(model.supply().minVolts(), 0, ""),
                            Sentence.Amount.of(max, 0, "V"),
                            region.lowestVolts(),
                            region.highestVolts()),
                    region.voltageSource(),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module for this voltage")));
        }
    }

    /** Thickest core that every terminal of a module takes; empty where one is not stated. Leads go into connectors and do not count. */
    private static Optional<BigDecimal> takes(ModuleModel model) {
        List<Terminal> terminals =
                model.terminals().stream().filter(t -> t.lead().isEmpty()).toList();
        return terminals.stream().anyMatch(t -> t.maxMm2().isEmpty())
                ? Optional.empty()
                : Optional.of(terminals.stream()
                        .map(t -> t.maxMm2().orElseThrow())
                        .min(BigDecimal::compareTo)
                        .orElse(new BigDecimal("999")));
    }

    /** @param thickest thickest core in the boxes where it goes, in mm² */
    public static List<Finding> conductors(ModuleModel model, BigDecimal thickest) {
        Optional<BigDecimal> takes = takes(model);
        if (takes.isEmpty()) {
            return List.of(Finding.of(
                    FindingCode.FIGURE_UNKNOWN,
                    new Subject.ModelFigure(model.code(), "terminals"),
                    Sentence.of("What size of conductor its terminals take is not stated; {found} are here.")
                            .found(thickest, "mm²"),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.FIND_OUT, "find this out from the maker")));
        }
        if (thickest.compareTo(takes.get()) <= 0) {
            return List.of();
        }
        return List.of(Finding.of(
                FindingCode.CONDUCTOR_TOO_THICK,
                new Subject.Model(model.code()),
                Sentence.of("Cores of {found} do not go into terminals for {allowed}.")
                        .found(thickest, "mm²")
                        .allowed(takes.get(), "mm²"),
                Source.MAKER,
                new Remedy(Remedy.Kind.ADD_CONNECTOR, "a connector and a thinner tail"),
                new Remedy(Remedy.Kind.OTHER_MODULE, "a module with larger terminals")));
    }

    /** Below 1 GHz a metal box attenuates less; common practice, no source. */
    public static boolean isShielded(ModuleModel model, boolean metal) {
        return metal && model.protocol().isShieldedByMetal();
    }

    static List<Finding> metalBox(ModuleModel model, boolean metal) {
        return !isShielded(model, metal)
                ? List.of()
                : List.of(Finding.of(
                        FindingCode.METAL_BOX_RADIO,
                        new Subject.Model(model.code()),
                        Sentence.of(
                                "{0} at 2.4 GHz behind a metal box: measure the link with the plate back on.",
                                model.protocol().label()),
                        Source.COMMON_PRACTICE));
    }
}
