package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;

/** What to do with a load that no module of the stock book carries: a contactor, whose coil a module switches. */
final class ContactorAdvice {
    private static final Source SOURCE = new Source(
            "utilisation categories of IEC 60947-4-1, IEC 60947-5-1 and IEC 61095; the advice is common practice");

    /** IEC 60947-5-1 tells coils apart here. */
    private static final double LARGE_COIL_VA = 72;

    private static final Set<FindingCode> REFUSALS =
            Set.of(FindingCode.CONTACT_OVERLOAD, FindingCode.CONTINUOUS_OVERLOAD, FindingCode.RATING_UNKNOWN);

    private ContactorAdvice() {}

    /**
     * @param loads what one channel would have to carry
     * @param volts volts of these loads
     */
    static Optional<Finding> of(
            List<SurveyedLoad> loads,
            List<ModuleModel> models,
            BigDecimal volts,
            RegionProfile region,
            Estimates estimates) {
        List<Set<FindingCode>> contacts = models.stream()
                .flatMap(m -> m.channels().stream())
                .<Set<FindingCode>>map(channel -> FindingCode.of(
                        ChannelLoad.of(volts, region, channel, loads, new Subject.Channel("K", channel.id()), estimates)
                                .findings()))
                .toList();
        boolean noneCarries = contacts.stream().allMatch(codes -> codes.stream().anyMatch(REFUSALS::contains));
        // Where no maker says anything of the kind, a figure is to be found out first.
        boolean someSaySo = contacts.stream().anyMatch(codes -> !codes.contains(FindingCode.RATING_UNKNOWN));
        if (loads.isEmpty() || !noneCarries || !someSaySo) {
            return Optional.empty();
        }
        BigDecimal amps = loads.stream()
                .flatMap(l -> l.banks().stream())
                .map(bank -> bank.amps(volts))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        String name =
                String.join(" and ", loads.stream().map(SurveyedLoad::name).toList());
        return Optional.of(Finding.of(
                FindingCode.CONTACTOR_ADVISED,
                new Subject.Load(name),
                Sentence.of(
                                "{0} draws {found}, more than any contact of the "
                                        + "stock book carries. A contactor ({1}) of at least that current goes ahead of "
                                        + "it; a module switches its coil.",
                                name, categories(loads))
                        .found(amps.setScale(1, RoundingMode.UP), "A"),
                SOURCE,
                new Remedy(Remedy.Kind.USE_CONTACTOR, "plan a contactor, and survey its coil as the load")));
    }

    /** Every kind by its own category; of LED only the maker's figure counts. */
    private static String categories(List<SurveyedLoad> loads) {
        return loads.stream()
                .flatMap(l -> l.banks().stream())
                .map(ContactorAdvice::category)
                .distinct()
                .sorted()
                .collect(Collectors.joining("; "));
    }

    private static String category(LoadBank bank) {
        return switch (bank.kind()) {
            case MOTOR, BLIND_MOTOR -> "category AC-3 or AC-7b (motors)";
            case FLUORESCENT -> "category AC-5a (discharge lamps)";
            case INCANDESCENT, HALOGEN -> "category AC-5b (incandescent lamps)";
            case LED_LAMP, LED_DRIVER, ELECTRONIC_TRANSFORMER ->
                bank.kind().label() + " by the maker's own figure, and no category";
            case WIRE_WOUND_TRANSFORMER -> "category AC-6a (transformers)";
            case COIL ->
                bank.each().asDouble() > LARGE_COIL_VA
                        ? "category AC-15 (coils over 72 VA)"
                        : "category AC-14 (coils up to 72 VA)";
            case HEATER, RESISTIVE, SOCKET -> "category AC-1 or AC-7a (heating)";
            case ELV_STRIP, DOOR_INPUT -> bank.kind().label() + " by the maker's own figure";
        };
    }
}
