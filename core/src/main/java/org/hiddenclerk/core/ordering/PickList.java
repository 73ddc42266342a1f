package org.hiddenclerk.core.ordering;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.ordering.Need.Kind;
import org.hiddenclerk.core.ordering.Need.Thing;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.Papers;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;

/**
 * Everything that the plans of a house take, counted from their wirings, with the firm's share of spares: of all pieces of a kind
 * together, and of wire to the next half metre.
 */
public final class PickList {
    private static final BigDecimal HUNDRED = BigDecimal.valueOf(100);
    private static final BigDecimal HALF = new BigDecimal("0.5");
    private static final BigDecimal MM_PER_M = BigDecimal.valueOf(1000);

    private final RegionProfile region;
    private final Map<Thing, BigDecimal> counts = new TreeMap<>();

    private PickList(RegionProfile region) {
        this.region = region;
    }

    /** @param plans one for each run; those without a plan take nothing */
    public static List<Need> of(List<WiringPlan> plans, RegionProfile region, Trade trade) {
        return of(plans.stream().map(plan -> takes(plan, region)).toList(), trade);
    }

    /** What one plan takes, without spares: how many of each thing, of wire how many millimetres. */
    public static Map<Thing, BigDecimal> takes(WiringPlan plan, RegionProfile region) {
        PickList list = new PickList(region);
        plan.planned().ifPresent(planned -> list.add(plan, planned));
        return Collections.unmodifiableMap(list.counts);
    }

    /** @param takes of each run */
    public static List<Need> of(List<Map<Thing, BigDecimal>> takes, Trade trade) {
        Map<Thing, BigDecimal> counts = new TreeMap<>();
        takes.forEach(each -> each.forEach((thing, count) -> counts.merge(thing, count, BigDecimal::add)));
        List<Need> needs = new ArrayList<>();
        Map<Thing, BigDecimal> spares = spares(counts, trade);
        counts.forEach((thing, count) -> needs.add(
                thing.kind() == Kind.WIRE
                        ? wire(thing, count, trade)
                        : new Need(thing, count, spares.getOrDefault(thing, BigDecimal.ZERO))));
        return needs;
    }

    /**
     * Of all pieces of a kind together so many, one after the other of what has most pieces for each spare: what is
     * used most fails most.
     */
    private static Map<Thing, BigDecimal> spares(Map<Thing, BigDecimal> counts, Trade trade) {
        Map<Thing, BigDecimal> spares = new TreeMap<>();
        for (Kind kind : Kind.values()) {
            Map<Thing, BigDecimal> own = new TreeMap<>(counts);
            own.keySet().removeIf(thing -> thing.kind() != kind || kind == Kind.WIRE);
            BigDecimal all = own.values().stream().reduce(BigDecimal.ZERO, BigDecimal::add);
            int share = all.multiply(BigDecimal.valueOf(trade.sparesOf(kind)))
                    .divide(HUNDRED, 0, RoundingMode.CEILING)
                    .intValueExact();
            for (int i = 0; i < share; i++) {
                own.entrySet().stream()
                        .max(Comparator.comparing(entry -> entry.getValue()
                                .divide(
                                        spares.getOrDefault(entry.getKey(), BigDecimal.ZERO)
                                                .add(BigDecimal.ONE),
                                        MathContext.DECIMAL64)))
                        .ifPresent(entry -> spares.merge(entry.getKey(), BigDecimal.ONE, BigDecimal::add));
            }
        }
        return spares;
    }

    private static Need wire(Thing thing, BigDecimal millimetres, Trade trade) {
        BigDecimal metres = millimetres.divide(MM_PER_M, 3, RoundingMode.UNNECESSARY);
        BigDecimal taken = metres.multiply(HUNDRED.add(BigDecimal.valueOf(trade.sparesOf(Kind.WIRE))))
                .divide(HUNDRED, 6, RoundingMode.CEILING)
                .divide(HALF, 0, RoundingMode.CEILING)
                .multiply(HALF);
        return new Need(
                thing, metres.stripTrailingZeros(), taken.subtract(metres).stripTrailingZeros());
    }

    private void add(WiringPlan plan, RunWiring planned) {
        planned.added()
                .forEach(fitted ->
                        count(Kind.MODULE, fitted.model().code(), fitted.model().name(), 1));
        for (ConnectedBoxes.Place place : plan.placesOfWork()) {
            BoxWiring before = plan.found().at(place);
            BoxWiring after = planned.at(place);
            after.bypasses()
                    .values()
                    .forEach(watts -> count(Kind.BYPASS, watts.asDecimal().toPlainString(), "bypass of " + watts, 1));
            PartsToAdd.connectors(before, after)
                    .forEach((size, number) -> count(
                            Kind.CONNECTOR, String.valueOf(size), "connector for " + size + " conductors", number));
            mechanisms(before, after);
            PartsToAdd.spacer(before, after)
                    .ifPresent(mm -> count(Kind.SPACER, mm.asDecimal().toPlainString(), "spacer of " + mm, 1));
            papers(Papers.of(plan, place, region));
        }
    }

    private void mechanisms(BoxWiring before, BoxWiring after) {
        for (Gang gang : after.box().gangs()) {
            if (gang.mechanism() != before.box().gang(gang.number()).mechanism()) {
                boolean blank = gang.mechanism() == Mechanism.FIXED_ON;
                count(
                        blank ? Kind.BLANK_PLATE : Kind.MECHANISM,
                        blank ? "" : gang.mechanism().name(),
                        blank ? "blank plate" : gang.mechanism().label() + " mechanism",
                        1);
            }
        }
    }

    private void papers(Papers papers) {
        papers.pieces()
                .forEach(piece -> count(
                        Kind.WIRE,
                        piece.colour() + " " + piece.mm2().stripTrailingZeros().toPlainString(),
                        "single core, " + piece.colour().words() + ", "
                                + piece.mm2().stripTrailingZeros().toPlainString() + "\u2009mm²",
                        piece.lengthMm()));
        papers.caps().forEach(cap -> count(Kind.CAP, "", "insulating cap", 1));
        papers.sleeves()
                .forEach(sleeve -> count(
                        Kind.SLEEVE,
                        sleeve.colour().name(),
                        "sleeve, " + sleeve.colour().words(),
                        1));
        papers.labels().forEach(label -> count(Kind.LABEL, "", "label for a core", 1));
    }

    private void count(Kind kind, String key, String words, int number) {
        counts.merge(new Thing(kind, key, words), BigDecimal.valueOf(number), BigDecimal::add);
    }
}
