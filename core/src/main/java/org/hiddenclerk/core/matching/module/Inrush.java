package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Amps;

/**
 * The first current of motors, transformers, lamps and drivers against the peak that a contact stands. Where the maker states a
 * rating for the very kind, its usual inrush is in that; only a peak that is typed or far out of the usual is held against it.
 */
public final class Inrush {
    /** Times the running current, lowest and highest; common practice, no source. */
    private static final Map<LoadKind, int[]> TIMES = Map.of(
            LoadKind.MOTOR,
            new int[] {5, 8},
            LoadKind.BLIND_MOTOR,
            new int[] {5, 8},
            LoadKind.WIRE_WOUND_TRANSFORMER,
            new int[] {10, 20},
            LoadKind.INCANDESCENT,
            new int[] {10, 15},
            LoadKind.HALOGEN,
            new int[] {10, 15},
            LoadKind.LED_DRIVER,
            new int[] {10, 100},
            LoadKind.LED_LAMP,
            new int[] {10, 100},
            LoadKind.ELECTRONIC_TRANSFORMER,
            new int[] {10, 100});

    private static final Source SOURCE = new Source("multiples of the running current: common practice, no source");

    private Inrush() {}

    /** Drivers that one contact may close on at once: whole drivers only. */
    public static int driversPerContact(Amps contactPeak, Amps driverPeak) {
        return (int) (contactPeak.milliamps() / driverPeak.milliamps());
    }

    static List<Finding> judge(ModuleModel model, List<SurveyedLoad> loads, BigDecimal volts, Subject subject) {
        List<LoadBank> sudden = loads.stream()
                .flatMap(load -> load.banks().stream())
                .filter(bank -> bank.peak().isPresent() || TIMES.containsKey(bank.kind()))
                .toList();
        if (sudden.isEmpty()) {
            return List.of();
        }
        List<Finding> findings = new ArrayList<>();
        if (model.sheet().contactPeakAmps().isEmpty()) {
            findings.add(Finding.of(
                    FindingCode.INRUSH_UNKNOWN,
                    subject,
                    Sentence.of(
                            "What peak this contact stands is not stated; {0} may weld a small one.",
                            sudden.get(0).kind().label()),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.FIND_OUT, "ask the maker, or take a larger contact")));
            return findings;
        }
        int stands = model.sheet().contactPeakAmps().getAsInt();
        BigDecimal lowest = sudden.stream().map(bank -> peak(bank, volts, 0)).reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal highest = sudden.stream().map(bank -> peak(bank, volts, 1)).reduce(BigDecimal.ZERO, BigDecimal::add);
        if (lowest.compareTo(BigDecimal.valueOf(stands)) > 0) {
            findings.add(Finding.of(
                    FindingCode.INRUSH_TOO_HIGH,
                    subject,
                    Sentence.of(
                                    "A first current of at least {found} is expected; the contact stands {allowed}.{0}",
                                    drivers(sudden, stands))
                            .found(whole(lowest))
                            .allowed(stands, 0, "A"),
                    SOURCE,
                    new Remedy(Remedy.Kind.SPLIT_LOAD, "split the load on more channels"),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a contact that stands more")));
        } else if (highest.compareTo(BigDecimal.valueOf(stands)) > 0) {
            findings.add(Finding.of(
                    FindingCode.INRUSH_UNKNOWN,
                    subject,
                    Sentence.of(
                                    "A first current of {0} to {found} is possible; the contact stands {allowed}.",
                                    whole(lowest).value())
                            .found(whole(highest))
                            .allowed(stands, 0, "A"),
                    SOURCE,
                    new Remedy(Remedy.Kind.FIND_OUT, "find out the peak of the load")));
        }
        return findings;
    }

    private static BigDecimal peak(LoadBank bank, BigDecimal volts, int end) {
        return bank.peak()
                .map(each -> each.asDecimal().multiply(BigDecimal.valueOf(bank.count())))
                .orElseGet(() -> bank.amps(volts).multiply(BigDecimal.valueOf(TIMES.get(bank.kind())[end])));
    }

    private static String drivers(List<LoadBank> banks, int stands) {
        return banks.stream()
                .filter(bank -> bank.peak().isPresent())
                .findFirst()
                .map(bank -> " It takes "
                        + driversPerContact(Amps.of(stands), bank.peak().orElseThrow()) + " of "
                        + bank.peak().orElseThrow() + " each.")
                .orElse("");
    }

    private static Sentence.Amount whole(BigDecimal amps) {
        return new Sentence.Amount(amps.setScale(0, RoundingMode.UP), "A");
    }
}
