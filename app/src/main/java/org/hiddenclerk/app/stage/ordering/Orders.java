package org.hiddenclerk.app.stage.ordering;

import com.fasterxml.jackson.annotation.JsonView;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.Clock;
import java.time.Duration;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.job.settings.HouseSettings;
import org.hiddenclerk.app.platform.access.Prices;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.app.stage.fitting.SheetTimes;
import org.hiddenclerk.app.stage.fitting.Standings;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.stock.AccessoryDocument;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.day.DayTask;
import org.hiddenclerk.core.ordering.JobCost;
import org.hiddenclerk.core.ordering.Need;
import org.hiddenclerk.core.ordering.Packs;
import org.hiddenclerk.core.ordering.PickList;
import org.hiddenclerk.core.ordering.Trade;
import org.hiddenclerk.core.planned.PlannedWork;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** What a job takes, what of it is on the shelf or has arrived, and what is left to order. */
@Service
public class Orders {
    private static final TypeReference<List<String>> SERIALS = new TypeReference<>() {};

    private final Houses houses;
    private final Boxes boxes;
    private final Plans plans;
    private final Standings standings;
    private final StockBook stock;
    private final HouseSettings settings;
    private final PlannedHouses planned;
    private final SheetTimes times;
    private final GoodsInRepository goods;
    private final JsonMapper json;
    private final Clock clock;

    Orders(
            Houses houses,
            Boxes boxes,
            Plans plans,
            Standings standings,
            StockBook stock,
            HouseSettings settings,
            PlannedHouses planned,
            SheetTimes times,
            GoodsInRepository goods,
            JsonMapper json,
            Clock clock) {
        this.houses = houses;
        this.boxes = boxes;
        this.plans = plans;
        this.standings = standings;
        this.stock = stock;
        this.settings = settings;
        this.planned = planned;
        this.times = times;
        this.goods = goods;
        this.json = json;
        this.clock = clock;
    }

    /**
     * One line of the list.
     *
     * @param code    in the stock book; empty where it has nothing of the kind
     * @param toOrder what is neither on the shelf nor arrived
     * @param packs   in which that is ordered; absent for what is bought singly or by the metre
     * @param price   of what is to be ordered; absent where a price is unknown
     */
    public record OrderLine(
            Need.Kind kind,
            String code,
            String words,
            BigDecimal needed,
            BigDecimal spare,
            String unit,
            BigDecimal onHand,
            BigDecimal arrived,
            BigDecimal toOrder,
            @MayBeAbsent Packs packs,
            String supplier,
            @JsonView(Prices.class) @MayBeAbsent BigDecimal price,
            List<String> serials) {}

    /**
     * What is ordered from one supplier; without a name what the stock book has nothing of.
     *
     * @param unpriced whether something is to be ordered whose price is unknown, and which the sum leaves out
     */
    public record SupplierView(
            String supplier,
            String currency,
            List<OrderLine> lines,
            @JsonView(Prices.class) @MayBeAbsent BigDecimal sum,
            @JsonView(Prices.class) @MayBeAbsent Boolean unpriced) {
        static SupplierView of(String supplier, String currency, List<OrderLine> lines) {
            return new SupplierView(
                    supplier,
                    currency,
                    lines,
                    lines.stream()
                            .filter(l -> l.price() != null)
                            .map(OrderLine::price)
                            .reduce(BigDecimal.ZERO, BigDecimal::add),
                    lines.stream()
                            .anyMatch(l -> l.price() == null && l.toOrder().signum() > 0));
        }
    }

    /** That every price is in, ISO 4217. */
    String currency() {
        return settings.trade().document().currency();
    }

    @Transactional(readOnly = true)
    public List<SupplierView> bySupplier(UUID job) {
        Map<String, List<OrderLine>> lines = new LinkedHashMap<>();
        lines(job).forEach(line -> lines.computeIfAbsent(line.supplier(), s -> new ArrayList<>())
                .add(line));
        String currency = currency();
        return lines.entrySet().stream()
                .map(e -> SupplierView.of(e.getKey(), currency, e.getValue()))
                .toList();
    }

    @Transactional(readOnly = true)
    public List<OrderLine> lines(UUID job) {
        HouseContext house = houses.context(job);
        List<GoodsInRow> arrived = goods.findByJobIdOrderByTakenAt(job);
        Map<String, BigDecimal> shelf = new LinkedHashMap<>();
        stock.onHand().forEach((code, count) -> shelf.put(code, BigDecimal.valueOf(count)));
        return PickList.of(takenBy(job, house), settings.trade().document().toTrade()).stream()
                .map(need -> line(need, shelf, arrived))
                .sorted(Comparator.comparing(OrderLine::supplier))
                .toList();
    }

    /**
     * What the plans of a job cost, and what the hours rest on.
     *
     * @param works    that the hours are of
     * @param measured over how many run sheets the time of one was measured; 0 where it is the usual one
     */
    public record Cost(JobCost cost, int works, int measured) {}

    /**
     * A work of a quote, also where no plan could be drawn for what was picked: it is in no sum then.
     *
     * @param opens      rooms and labels of the boxes that it opens
     * @param isPromised whether its plan may be issued: what is held may come out otherwise
     */
    public record QuotedWork(PlannedWork work, List<String> opens, boolean isPromised) {}

    /** What a quote says: what is done, and what it costs. */
    public record Quote(List<QuotedWork> works, Cost cost) {
        /** Whether all of it is known, so that somebody can be held to it. */
        public boolean isWhole() {
            return cost.cost().isWhole() && works.stream().allMatch(QuotedWork::isPromised);
        }
    }

    @Transactional(readOnly = true)
    public Quote quote(UUID job) {
        HouseContext context = houses.context(job);
        Plans.Circumstances circumstances = plans.circumstances(job);
        Map<String, BoxRow> rows = boxes.ofJob(job).stream()
                .collect(Collectors.toMap(row -> row.id().toString(), row -> row));
        PlannedHouses.Planned house = planned.of(job);
        return new Quote(
                house.house().works().stream()
                        .filter(work -> !work.modules().isEmpty())
                        .map(work -> new QuotedWork(
                                work,
                                work.plan().opens().stream()
                                        .map(box -> house.rooms().get(box).name() + " "
                                                + rows.get(box).label())
                                        .toList(),
                                standings.mayBeIssued(boxes.found(rows.get(work.lead()), job, context), circumstances)))
                        .toList(),
                cost(job));
    }

    private List<PlannedWork> worked(UUID job) {
        return planned.of(job).house().works().stream()
                .filter(work -> work.isDrawn() && !work.modules().isEmpty())
                .toList();
    }

    @Transactional(readOnly = true)
    public Cost cost(UUID job) {
        Trade trade = settings.trade().document().toTrade();
        List<Duration> took = times.tookLately();
        List<PlannedWork> works = worked(job);
        int minutes = works.stream()
                .mapToInt(work -> DayTask.Norms.USUAL.all(
                        work.plan().opens().size(), work.modules().size(), SheetTimes.medianMinutes(took)))
                .sum();
        return new Cost(
                JobCost.of(
                        PickList.of(takenBy(job, houses.context(job)), trade),
                        need -> eachOf(codeOf(need.thing())),
                        minutes,
                        trade),
                works.size(),
                took.size());
    }

    /** What a piece costs, of what comes in packs its share. */
    private Optional<BigDecimal> eachOf(String code) {
        int pieces = stock.accessories().stream()
                .filter(a -> a.code().equals(code) && a.pieces() != null)
                .findFirst()
                .map(AccessoryDocument::pieces)
                .orElse(1);
        return priceOf(code).map(price -> price.divide(BigDecimal.valueOf(pieces), 6, RoundingMode.HALF_UP));
    }

    /** What each run takes: its plan holds what is picked for all of its boxes. */
    private List<Map<Need.Thing, BigDecimal>> takenBy(UUID job, HouseContext house) {
        Plans.Circumstances circumstances = plans.circumstances(job);
        Set<String> done = new HashSet<>();
        List<Map<Need.Thing, BigDecimal>> all = new ArrayList<>();
        for (BoxRow row : boxes.ofJob(job)) {
            if (!row.picks().isEmpty() && !done.contains(row.id().toString())) {
                Boxes.Found found = boxes.found(row, job, house);
                found.run().boxes().forEach(place -> done.add(place.id()));
                all.add(standings.takes(found, circumstances));
            }
        }
        return all;
    }

    private OrderLine line(Need need, Map<String, BigDecimal> shelf, List<GoodsInRow> goodsIn) {
        String code = codeOf(need.thing());
        List<GoodsInRow> own =
                goodsIn.stream().filter(row -> row.code().equals(code)).toList();
        BigDecimal arrived =
                BigDecimal.valueOf(own.stream().mapToInt(GoodsInRow::quantity).sum());
        BigDecimal wanted = need.total().subtract(arrived).max(BigDecimal.ZERO);
        BigDecimal taken = shelf.getOrDefault(code, BigDecimal.ZERO).min(wanted);
        shelf.merge(code, taken.negate(), BigDecimal::add);
        BigDecimal toOrder = wanted.subtract(taken);
        List<String> serials = own.stream()
                .flatMap(row -> json.readValue(row.serials(), SERIALS).stream())
                .toList();
        Optional<Packs> packs = stock.accessories().stream()
                .filter(a -> a.code().equals(code) && a.pieces() != null)
                .findFirst()
                .map(a -> Packs.of(toOrder, a.pieces()));
        BigDecimal times = packs.map(each -> BigDecimal.valueOf(each.packs())).orElse(toOrder);
        return new OrderLine(
                need.thing().kind(),
                code,
                need.thing().words(),
                plain(need.needed()),
                plain(need.spare()),
                need.unit(),
                plain(taken),
                plain(arrived),
                plain(toOrder),
                packs.orElse(null),
                stock.supplierOf(code),
                priceOf(code)
                        .map(each -> each.multiply(times).setScale(2, RoundingMode.HALF_UP))
                        .orElse(null),
                serials);
    }

    private static BigDecimal plain(BigDecimal value) {
        BigDecimal stripped = value.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    /** What the stock book has for a need: the smallest that is large enough. */
    private String codeOf(Need.Thing thing) {
        return switch (thing.kind()) {
            case MODULE -> thing.key();
            case CONNECTOR ->
                first(
                        AccessoryDocument.Kind.CONNECTOR,
                        a -> a.ports() != null && a.ports() >= Integer.parseInt(thing.key()),
                        Comparator.comparing(AccessoryDocument::ports));
            case BYPASS ->
                first(
                        AccessoryDocument.Kind.BYPASS,
                        a -> a.watts() != null
                                && BigDecimal.valueOf(a.watts()).compareTo(new BigDecimal(thing.key())) >= 0,
                        Comparator.comparing(AccessoryDocument::watts));
            case WIRE ->
                first(
                        AccessoryDocument.Kind.WIRE,
                        a -> a.colour() != null
                                && a.mm2() != null
                                && thing.key()
                                        .equals(a.colour() + " "
                                                + a.mm2().stripTrailingZeros().toPlainString()),
                        Comparator.comparing(AccessoryDocument::code));
            case SLEEVE ->
                first(
                        AccessoryDocument.Kind.SLEEVE,
                        a -> a.colour() != null && a.colour().name().equals(thing.key()),
                        Comparator.comparing(AccessoryDocument::code));
            case SPACER ->
                first(
                        AccessoryDocument.Kind.SPACER,
                        a -> a.spacerMm() != null
                                && BigDecimal.valueOf(a.spacerMm()).compareTo(new BigDecimal(thing.key())) >= 0,
                        Comparator.comparing(AccessoryDocument::spacerMm));
            case CAP -> any(AccessoryDocument.Kind.CAP);
            case MECHANISM -> thing.key().startsWith("PUSH") ? any(AccessoryDocument.Kind.MECHANISM) : "";
            case BLANK_PLATE -> any(AccessoryDocument.Kind.BLANK_PLATE);
            case LABEL -> any(AccessoryDocument.Kind.LABEL);
        };
    }

    private String any(AccessoryDocument.Kind kind) {
        return first(kind, a -> true, Comparator.comparing(AccessoryDocument::code));
    }

    private String first(
            AccessoryDocument.Kind kind,
            java.util.function.Predicate<AccessoryDocument> suits,
            Comparator<AccessoryDocument> smallest) {
        return stock.accessories().stream()
                .filter(a -> a.kind() == kind && suits.test(a))
                .min(smallest)
                .map(AccessoryDocument::code)
                .orElse("");
    }

    private Optional<BigDecimal> priceOf(String code) {
        Optional<BigDecimal> accessory = stock.accessories().stream()
                .filter(a -> a.code().equals(code) && a.priceCents() != null)
                .findFirst()
                .map(a -> BigDecimal.valueOf(a.priceCents(), 2));
        return accessory.or(() -> stock.catalogue()
                .find(code)
                .filter(m -> m.priceCents().isPresent())
                .map(m -> BigDecimal.valueOf(m.priceCents().getAsInt(), 2)));
    }

    /** @throws ProblemException for a serial that was taken in before, and for more serials than pieces */
    @Transactional
    public void arrived(UUID job, String code, int quantity, List<String> serials, String who) {
        List<String> stripped =
                serials.stream().map(String::strip).filter(s -> !s.isEmpty()).toList();
        if (stripped.size() > quantity || new HashSet<>(stripped).size() < stripped.size()) {
            throw ProblemException.content(
                    "The goods cannot be taken in",
                    new FieldProblem(
                            "/serials",
                            stripped.size() + " serials, " + new HashSet<>(stripped).size() + " different",
                            "different ones, at most " + quantity));
        }
        Set<String> known = new HashSet<>();
        goods.findAll().forEach(row -> known.addAll(json.readValue(row.serials(), SERIALS)));
        stripped.stream().filter(known::contains).findFirst().ifPresent(serial -> {
            throw ProblemException.content(
                    "The goods cannot be taken in",
                    new FieldProblem("/serials", serial, "a serial that was not taken in before"));
        });
        boolean listed = lines(houses.job(job).id()).stream()
                .anyMatch(line -> line.code().equals(code) && !code.isEmpty());
        if (!listed) {
            throw ProblemException.content(
                    "The goods cannot be taken in",
                    new FieldProblem("/code", code, "a code on the pick list of this job"));
        }
        goods.saveAndFlush(new GoodsInRow(
                job,
                code,
                quantity,
                json.writeValueAsString(stripped),
                who,
                clock.instant().truncatedTo(ChronoUnit.MICROS)));
    }
}
