package org.hiddenclerk.core.matching.house;

import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.matching.room.BoxHeat;
import org.hiddenclerk.core.matching.room.Placement;
import org.hiddenclerk.core.matching.room.RoomInBox;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * What was judged before for one stock book, region and set of terms, by content and not by house: whoever changes one box of a
 * house has only that kind of box judged anew. Grows with the kinds of boxes it has seen; when the stock book changes, go on with
 * {@link #under}. Used by one match at a time.
 */
public final class HouseMemory {
    private final List<ModuleModel> models;
    private final Terms terms;
    private final RegionProfile region;
    private final Shapes shapes;
    private final double[] standbyHeat;
    private final Map<TableKey, RuleOutcome[]> tables = new ConcurrentHashMap<>();
    private final Map<Drawing, Optional<EquivalenceClass.Case>> shared = new ConcurrentHashMap<>();
    private final AtomicInteger nextRoom = new AtomicInteger();
    private final Map<FittedPlaces.RoomKey, Integer> rooms = new ConcurrentHashMap<>();
    private final Map<Optional<Inside>, Map<List<Body>, Optional<Placement>>> placements = new ConcurrentHashMap<>();
    private final Map<String, EquivalenceClass.Facts> facts = new ConcurrentHashMap<>();

    public HouseMemory(List<ModuleModel> models, Terms terms, RegionProfile region) {
        this.models = List.copyOf(models);
        this.terms = terms;
        this.region = region;
        shapes = new Shapes(this.models);
        standbyHeat = this.models.stream()
                .mapToDouble(model ->
                        BoxHeat.standbyHeat(model, region.nominalVolts().asDouble()))
                .toArray();
    }

    /**
     * What is remembered of the plans and the room in boxes when a stock book changes, or a house has other terms: everything that none
     * of the changed modules has a part in. No plan and no proof depends on the terms.
     */
    public HouseMemory under(List<ModuleModel> changed, Terms others) {
        HouseMemory next = new HouseMemory(changed, others, region);
        Map<String, ModuleModel> now =
                next.models.stream().collect(Collectors.toMap(ModuleModel::code, model -> model));
        Set<String> kept = models.stream()
                .filter(model -> model.equals(now.get(model.code())))
                .map(ModuleModel::code)
                .collect(Collectors.toSet());
        shared.forEach((drawing, drawn) -> {
            if (drawing.modules().allMatch(kept::contains)) {
                next.shared.put(drawing, drawn);
            }
        });
        next.placements.putAll(placements);
        next.facts.putAll(facts);
        return next;
    }

    /**
     * A plan that was drawn: for which kind of run, and with which modules of the stock book.
     *
     * @param greediest the module it was drawn with
     * @param modest    the module it was drawn with at the other end
     * @param heavy     what the loads draw
     * @param light     what they draw at the other end; empty when there is none
     */
    record Drawing(
            String kind,
            SchemeCode scheme,
            List<Integer> gangs,
            List<Integer> loads,
            String greediest,
            String modest,
            Optional<String> companion,
            String heavy,
            String light,
            Optional<Watts> bypass) {
        private Stream<String> modules() {
            return Stream.concat(Stream.of(greediest, modest), companion.stream());
        }
    }

    /** One group of rules for some modules: what it found, and how bad that is. */
    record RuleOutcome(EnumSet<FindingCode> codes, Verdict verdict) {
        static final RuleOutcome NOTHING = new RuleOutcome(EnumSet.noneOf(FindingCode.class), Verdict.OK);

        static RuleOutcome of(List<Finding> findings) {
            if (findings.isEmpty()) {
                return NOTHING;
            }
            return of(FindingCode.of(findings));
        }

        static RuleOutcome of(EnumSet<FindingCode> codes) {
            return new RuleOutcome(codes, Verdict.ofCodes(codes));
        }

        /** The lower, the worse. */
        int rank() {
            return verdict.ordinal();
        }
    }

    public List<ModuleModel> models() {
        return models;
    }

    Terms terms() {
        return terms;
    }

    RegionProfile region() {
        return region;
    }

    Shapes shapes() {
        return shapes;
    }

    RuleOutcome[] table(TableKey key, int size) {
        return tables.computeIfAbsent(key, k -> new RuleOutcome[size]);
    }

    /** Watts that a module turns into heat with everything off, by its place in the stock book. */
    double standbyHeat(int model) {
        return standbyHeat[model];
    }

    /** A number for what the room in a box depends on beside the modules: the same for boxes that are alike in it. */
    int room(FittedPlaces.RoomKey key) {
        return rooms.computeIfAbsent(key, k -> nextRoom.getAndIncrement());
    }

    /** A mechanism as far as it takes room. */
    private record Behind(int gang, Millimetres depth) {
        static List<Behind> of(Box box) {
            return box.gangs().stream()
                    .map(gang -> new Behind(gang.number(), gang.depth()))
                    .toList();
        }
    }

    /** What decides where bodies may lie, beside how deep a box is. */
    private record Inside(Millimetres width, Millimetres height, boolean round, List<Behind> mechanisms) {}

    /** Finds where bodies lie in a box, which is the same in boxes that differ in their depth only. */
    RoomInBox.Placer placer(Box box) {
        Optional<Inside> inside =
                box.geometry().map(room -> new Inside(room.width(), room.height(), room.round(), Behind.of(box)));
        Map<List<Body>, Optional<Placement>> known = placements.computeIfAbsent(inside, k -> new ConcurrentHashMap<>());
        return (placed, room, where, bodies) ->
                known.computeIfAbsent(bodies, b -> Placement.of(placed, room, where, b));
    }

    static RuleOutcome entry(RuleOutcome[] table, int index, Supplier<List<Finding>> findings) {
        if (table[index] == null) {
            table[index] = RuleOutcome.of(findings.get());
        }
        return table[index];
    }

    Map<Drawing, Optional<EquivalenceClass.Case>> shared() {
        return shared;
    }

    /** By the text of a {@link WiringSignature}. */
    Map<String, EquivalenceClass.Facts> facts() {
        return facts;
    }

    /** How many plans are remembered. */
    public int size() {
        return shared.size();
    }
}
