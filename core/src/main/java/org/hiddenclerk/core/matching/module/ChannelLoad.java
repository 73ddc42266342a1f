package org.hiddenclerk.core.matching.module;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.margin.Judged;
import org.hiddenclerk.core.matching.margin.Margin;

/**
 * The loads of one channel against the contact's ratings for their kinds, at the job's voltage.
 *
 * <p>A rating in watts does not scale with the voltage; one in amps is compared with watts / volts / power factor.
 * Several kinds on one contact add up as shares of their ratings.
 */
public final class ChannelLoad {
    private final BigDecimal volts;
    private final RegionProfile region;
    private final Channel channel;
    private final List<SurveyedLoad> loads;
    private final Subject.Channel subject;
    private final Estimates estimates;

    private ChannelLoad(
            BigDecimal volts,
            RegionProfile region,
            Channel channel,
            List<SurveyedLoad> loads,
            Subject.Channel subject,
            Estimates estimates) {
        this.volts = volts;
        this.region = region;
        this.channel = channel;
        this.loads = loads;
        this.subject = subject;
        this.estimates = estimates;
    }

    /** @param volts volts of the loads */
    static Judged of(
            BigDecimal volts,
            RegionProfile region,
            Channel channel,
            List<SurveyedLoad> loads,
            Subject.Channel subject,
            Estimates estimates) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        new ChannelLoad(volts, region, channel, loads, subject, estimates).judge(findings, margins);
        return new Judged(findings, margins);
    }

    private void judge(List<Finding> findings, List<Margin> margins) {
        Map<LoadKind, BigDecimal> watts = new EnumMap<>(LoadKind.class);
        Map<LoadKind, BigDecimal> amps = new EnumMap<>(LoadKind.class);
        for (SurveyedLoad load : loads) {
            for (LoadBank bank : load.banks()) {
                watts.merge(bank.kind(), bank.total().asDecimal(), BigDecimal::add);
                amps.merge(bank.kind(), bank.amps(volts), BigDecimal::add);
            }
        }
        BigDecimal share = BigDecimal.ZERO;
        for (LoadKind kind : watts.keySet()) {
            Optional<Margin> tightest = tightest(kind, watts.get(kind), amps.get(kind));
            if (tightest.isEmpty()) {
                findings.add(unknown(kind, watts.get(kind)));
                continue;
            }
            margins.add(tightest.get());
            share = share.add(tightest.get().found().divide(tightest.get().allowed(), MathContext.DECIMAL128));
            if (tightest.get().isOver()) {
                findings.add(overloaded(kind, tightest.get()));
            } else if (tightest.get().level() == Margin.Level.CLOSE) {
                findings.add(near(kind, tightest.get()));
            }
        }
        judgeSum(share, watts, findings);
        judgeContinuous(share, findings);
    }

    /** The rating that leaves least room; ratings of the very kind come before those it may borrow. */
    private Optional<Margin> tightest(LoadKind kind, BigDecimal watts, BigDecimal amps) {
        List<ContactRating> own =
                channel.ratings().stream().filter(r -> r.load() == kind).toList();
        List<ContactRating> usable = own.isEmpty()
                ? channel.ratings().stream().filter(r -> kind.mayUse(r.load())).toList()
                : own;
        List<Margin> margins = new ArrayList<>();
        for (ContactRating rating : usable) {
            String what = kind.label() + ", channel " + channel.id();
            rating.watts()
                    .ifPresent(limit -> margins.add(
                            new Margin(what, watts, BigDecimal.valueOf(limit).stripTrailingZeros(), "W")));
            rating.amps()
                    .ifPresent(limit -> margins.add(
                            new Margin(what, amps, BigDecimal.valueOf(limit).stripTrailingZeros(), "A")));
        }
        return margins.stream()
                .max((a, b) ->
                        a.found().multiply(b.allowed()).compareTo(b.found().multiply(a.allowed())));
    }

    /** Loads of a kind: what is said of one kind says nothing of another on the same contact. */
    private Subject of(LoadKind kind) {
        return new Subject.LoadsOnChannel(subject, kind.name());
    }

    public static Sentence.Amount amount(BigDecimal value, String unit) {
        return new Sentence.Amount(new BigDecimal(figure(value)), unit);
    }

    private Finding near(LoadKind kind, Margin margin) {
        return Finding.of(
                FindingCode.NEAR_LIMIT,
                of(kind),
                Sentence.of("{found} of {allowed} for {0}: little room is left.", margin.what())
                        .found(amount(margin.found(), margin.unit()))
                        .allowed(amount(margin.allowed(), margin.unit())),
                Source.MAKER);
    }

    private Finding overloaded(LoadKind kind, Margin margin) {
        return Finding.of(
                FindingCode.CONTACT_OVERLOAD,
                of(kind),
                Sentence.of("{found} of {0} on a contact for {allowed}: over by {excess}.", kind.label())
                        .found(amount(margin.found(), margin.unit()))
                        .allowed(amount(margin.allowed(), margin.unit())),
                Source.MAKER,
                new Remedy(Remedy.Kind.SPLIT_LOAD, "split the load on more channels"),
                new Remedy(Remedy.Kind.OTHER_MODULE, "a module with a larger contact"));
    }

    private void judgeSum(BigDecimal share, Map<LoadKind, BigDecimal> watts, List<Finding> findings) {
        boolean alreadySaid = findings.stream().anyMatch(f -> f.code() == FindingCode.CONTACT_OVERLOAD);
        if (share.compareTo(BigDecimal.ONE) > 0 && !alreadySaid) {
            findings.add(Finding.of(
                    FindingCode.CONTACT_OVERLOAD,
                    subject,
                    Sentence.of("The {0} kinds of load together take {found} of the contact's ratings.", watts.size())
                            .found(percent(share))
                            .allowed(100, 0, "%"),
                    Source.MAKER,
                    new Remedy(Remedy.Kind.SPLIT_LOAD, "split the load on more channels")));
        }
    }

    private void judgeContinuous(BigDecimal share, List<Finding> findings) {
        boolean continuous = loads.stream().anyMatch(SurveyedLoad::continuous);
        if (continuous && region.continuousPercent().isPresent()) {
            int allowed = region.continuousPercent().getAsInt();
            if (share.movePointRight(2).compareTo(BigDecimal.valueOf(allowed)) > 0) {
                findings.add(Finding.of(
                        FindingCode.CONTINUOUS_OVERLOAD,
                        subject,
                        Sentence.of(
                                        "Three hours or more at {found} of the contact's rating; at most {allowed} is allowed.")
                                .found(percent(share))
                                .allowed(allowed, 0, "%"),
                        region.continuousSource(),
                        new Remedy(Remedy.Kind.OTHER_MODULE, "a module with a larger contact")));
            }
        }
    }

    private Finding unknown(LoadKind kind, BigDecimal here) {
        Optional<BigDecimal> estimate = channel.ratings().stream()
                .filter(r -> r.load() == LoadKind.RESISTIVE && r.amps().isPresent())
                .findFirst()
                .flatMap(resistive -> estimates
                        .shareFor(kind)
                        .map(share -> share.multiply(
                                BigDecimal.valueOf(resistive.amps().getAsDouble())
                                        .multiply(volts))));
        String words = estimate.map(watts -> " An estimate by common practice: " + figure(watts) + "\u2009W, "
                        + (here.compareTo(watts) > 0
                                ? "and what is here is over it."
                                : "and what is here is within it."))
                .orElse("");
        return Finding.of(
                FindingCode.RATING_UNKNOWN,
                of(kind),
                Sentence.of("The maker states no rating for a {0}; {found} are here." + words, kind.label())
                        .found(amount(here, "W")),
                Source.MAKER,
                new Remedy(Remedy.Kind.FIND_OUT, "find this out from the maker"));
    }

    private static Sentence.Amount percent(BigDecimal share) {
        return new Sentence.Amount(share.movePointRight(2).setScale(0, java.math.RoundingMode.UP), "%");
    }

    static String figure(BigDecimal value) {
        BigDecimal rounded = value.setScale(2, java.math.RoundingMode.HALF_UP).stripTrailingZeros();
        return (rounded.scale() < 0 ? rounded.setScale(0) : rounded).toPlainString();
    }
}
