package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.margin.Judged;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.quantity.Amps;

/** What the contacts of a module carry, each and together. */
public final class ModuleLoads {
    private ModuleLoads() {}

    /** What each channel carries, by its contact and by the sum over all, and the first current. */
    static Judged all(
            ModuleModel model,
            Subject.Module self,
            List<List<SurveyedLoad>> loads,
            BigDecimal volts,
            RegionProfile region,
            Estimates estimates) {
        List<Judged> all = new ArrayList<>();
        for (int i = 0; i < Math.min(loads.size(), model.channels().size()); i++) {
            all.add(channel(model, self, i, loads.get(i), volts, region, estimates));
        }
        all.add(allChannels(model, self, loads, volts));
        return Judged.together(all);
    }

    /** What one channel carries, by its contact, and the first current. */
    public static Judged channel(
            ModuleModel model,
            Subject.Module self,
            int index,
            List<SurveyedLoad> loads,
            BigDecimal volts,
            RegionProfile region,
            Estimates estimates) {
        Subject.Channel subject =
                new Subject.Channel(self.key(), model.channels().get(index).id());
        Judged carried = ChannelLoad.of(volts, region, model.channels().get(index), loads, subject, estimates);
        List<Finding> findings = new ArrayList<>(carried.findings());
        findings.addAll(Inrush.judge(model, loads, volts, subject));
        return new Judged(findings, carried.margins());
    }

    /** The sum over all channels, where the maker limits it. */
    public static Judged allChannels(
            ModuleModel model, Subject.Module self, List<List<SurveyedLoad>> loads, BigDecimal volts) {
        if (model.totalAmps().isEmpty()) {
            return Judged.NOTHING;
        }
        Amps limit = model.totalAmps().get();
        BigDecimal amps = loads.stream()
                .flatMap(List::stream)
                .flatMap(load -> load.banks().stream())
                .map(bank -> bank.amps(volts))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        Margin total = new Margin("all channels", amps, limit.asDecimal(), "A");
        List<Finding> findings = !total.isOver()
                ? List.of()
                : List.of(Finding.of(
                        FindingCode.CONTACT_OVERLOAD,
                        self,
                        Sentence.of("All channels together carry {found}; {allowed} is allowed.")
                                .found(ChannelLoad.amount(amps, "A"))
                                .allowed(ChannelLoad.amount(limit.asDecimal(), "A")),
                        Source.MAKER,
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a module with larger contacts")));
        return new Judged(findings, List.of(total));
    }
}
