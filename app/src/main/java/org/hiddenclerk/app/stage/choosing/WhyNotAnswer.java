package org.hiddenclerk.app.stage.choosing;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.matching.allocation.Allocation;
import org.hiddenclerk.core.matching.allocation.Allocator;
import org.hiddenclerk.core.matching.allocation.Attempt;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * Why a unit did not get a module.
 *
 * @param kind        what it is about: a rule at its place, rules of the whole house, the time, or the price
 * @param rules       of the whole house that leave no choice with it, in words: each of them alone, or all together
 * @param forbidden   what stands against it in the scheme that comes nearest; empty when it may be chosen
 * @param moreMoney   what the best plan with it costs more; absent when it is forbidden
 * @param differences what else would change
 */
record WhyNotAnswer(
        Kind kind,
        List<String> rules,
        List<ForbidReason> forbidden,
        @MayBeAbsent SchemeCode scheme,
        @MayBeAbsent BigDecimal moreMoney,
        List<Change> differences) {

    /** Why it is not. */
    enum Kind {
        FORBIDDEN,
        IMPOSSIBLE,
        NOT_IN_TIME,
        DEARER
    }

    /** A rule that forbids it. */
    record ForbidReason(FindingCode code, Severity severity, String title) {}

    /** What one unit gets in two plans; absent where it gets nothing. */
    record Change(String unit, String words, @MayBeAbsent String before, @MayBeAbsent String after) {
        static Change of(Allocation.Difference difference) {
            return new Change(
                    difference.unit().id(),
                    difference.unit().words(),
                    difference
                            .before()
                            .map(o -> o.model().code() + ", " + o.scheme().label())
                            .orElse(null),
                    difference
                            .after()
                            .map(o -> o.model().code() + ", " + o.scheme().label())
                            .orElse(null));
        }
    }

    /** The scheme with fewest reasons speaks for them all. */
    static WhyNotAnswer forbidden(HouseMatch.Result matched, String unit, String module) {
        record Way(SchemeCode scheme, Set<FindingCode> codes) {
            long held() {
                return codes.stream()
                        .filter(code -> code.severity() != Severity.NOTE)
                        .count();
            }
        }
        List<Way> ways = new java.util.ArrayList<>();
        matched.cells().stream()
                .filter(c ->
                        c.model().code().equals(module) && c.units().stream().anyMatch(u -> u.id().equals(unit)))
                .forEach(c -> ways.add(new Way(c.scheme(), c.codes())));
        if (ways.isEmpty()) {
            matched.refusals().stream()
                    .filter(r -> r.models().stream().anyMatch(m -> m.code().equals(module))
                            && r.units().stream().anyMatch(u -> u.id().equals(unit)))
                    .forEach(r -> ways.add(new Way(r.scheme(), r.codes())));
        }
        return ways.stream()
                .min(Comparator.comparingLong(Way::held).thenComparing(Way::scheme))
                .map(way -> new WhyNotAnswer(
                        Kind.FORBIDDEN,
                        List.of(),
                        new TreeSet<>(way.codes())
                                .stream()
                                        .filter(code -> code.severity() != Severity.NOTE)
                                        .map(code -> new ForbidReason(code, code.severity(), code.title()))
                                        .toList(),
                        way.scheme(),
                        null,
                        List.of()))
                .orElseGet(() -> new WhyNotAnswer(Kind.FORBIDDEN, List.of(), List.of(), null, null, List.of()));
    }

    static WhyNotAnswer of(Attempt.Impossible impossible) {
        return new WhyNotAnswer(
                Kind.IMPOSSIBLE,
                impossible.rules().stream().sorted().map(Attempt.Rule::words).toList(),
                List.of(),
                null,
                null,
                List.of());
    }

    static WhyNotAnswer notInTime() {
        return new WhyNotAnswer(Kind.NOT_IN_TIME, List.of(), List.of(), null, null, List.of());
    }

    static WhyNotAnswer dearer(Allocator.WhyNot why, HouseSurvey survey) {
        return new WhyNotAnswer(
                Kind.DEARER,
                List.of(),
                List.of(),
                null,
                BigDecimal.valueOf(why.moreCents(), 2),
                why.differences().stream().map(Change::of).toList());
    }
}
