package org.hiddenclerk.core.matching.allocation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
import java.util.Set;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.house.HouseMatch;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.matching.house.Unit;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.radio.FloorPlan;
import org.hiddenclerk.core.radio.Material;
import org.hiddenclerk.core.radio.RadioPlan;
import org.hiddenclerk.core.radio.RoomShape;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Modules;
import org.junit.jupiter.api.Test;

class AllocatorTest {
    private static final Body USUAL = new Body(Millimetres.of(42), Millimetres.of(37), Millimetres.of(16));
    private static final Body SLIM = new Body(Millimetres.of(38), Millimetres.of(32), Millimetres.of(12));
    private static final ModuleModel ONE =
            Modules.as(Modules.withNeutral(1, 2, Modules.generous()), "ONE", 2_000, USUAL);
    private static final ModuleModel CHEAP =
            Modules.as(Modules.withNeutral(1, 2, Modules.usualRatings()), "CHEAP", 1_700, USUAL);
    private static final ModuleModel TWO =
            Modules.as(Modules.withNeutral(2, 2, Modules.generous()), "TWO", 2_600, USUAL);
    private static final ModuleModel SMALL =
            Modules.as(Modules.withNeutral(1, 2, Modules.generous()), "SMALL", 3_000, SLIM);
    private static final ModuleModel SILENT =
            Modules.as(Modules.withNeutral(1, 2, Modules.generous()), "LISTENS", 1_000, SLIM);

    /** The programme against trying every choice, on random small houses with random weights, shelves and rooms. */
    @Property(tries = 40)
    void noChoiceIsBetterThanTheBest(@ForAll("seeds") long seed) {
        Random random = new Random(seed);
        AllocationTask task = randomTask(random);
        double best = bestByTryingAll(task);

        Allocation found = Allocator.solve(task).orElseThrow();

        assertThat(found.isOptimal()).isTrue();
        assertThat((double) found.totalCents())
                .as("seed " + seed)
                .isCloseTo(best, org.assertj.core.api.Assertions.within(6.0));
        assertThat(new Together(task).passes(found.chosen())).isTrue();
    }

    @net.jqwik.api.Provide
    net.jqwik.api.Arbitrary<Long> seeds() {
        return net.jqwik.api.Arbitraries.longs().between(1, 1_000_000);
    }

    private static AllocationTask randomTask(Random random) {
        Map<String, Box> boxes = new LinkedHashMap<>();
        Map<String, String> rooms = new LinkedHashMap<>();
        int units = 0;
        while (units < 4) {
            String id = "b" + boxes.size();
            int depth = random.nextBoolean() ? 61 : 44;
            boolean two = units < 3 && random.nextBoolean();
            String load = random.nextInt(4) == 0 ? "fan 45" : "LED " + (5 + random.nextInt(100));
            Boxes box = Boxes.box().depth(depth).gang("4", load);
            box = two
                    ? box.gang("4", "LED 9")
                            .feed("4", common(1))
                            .lamp(1, throwOf(1), "4")
                            .jumper(common(1), common(2))
                            .lamp(2, throwOf(2), "4")
                    : box.feed("4", common(1)).lamp(1, throwOf(1), "4");
            boxes.put(id, box.build());
            rooms.put(id, "R" + (1 + random.nextInt(4)));
            units += two ? 2 : 1;
        }
        List<ModuleModel> models =
                new ArrayList<>(List.of(ONE, CHEAP, TWO, routing(SMALL, random.nextBoolean()), SILENT));
        models.remove(random.nextInt(models.size()));
        Weights weights = new Weights(
                100,
                random.nextInt(3_000),
                random.nextInt(2_000),
                random.nextInt(900),
                random.nextInt(80),
                500,
                random.nextInt(5_000),
                random.nextInt(5_000),
                0,
                600,
                random.nextBoolean() ? 50 : 0,
                100_000);
        HouseSurvey survey = new HouseSurvey(Boxes.house(), boxes, rooms);
        RadioPlan radio = random.nextBoolean() ? noRadio() : row(Material.BRICK);
        return task(
                survey, models, weights, Map.of("ONE", random.nextInt(3), "TWO", random.nextInt(2)), List.of(), radio);
    }

    private static double bestByTryingAll(AllocationTask task) {
        Together together = new Together(task);
        double[] best = {Double.MAX_VALUE};
        tryAll(task, together, 0, new ArrayList<>(), best);
        return best[0];
    }

    private static void tryAll(
            AllocationTask task, Together together, int unit, List<HouseOption> chosen, double[] best) {
        List<Unit> units = task.units();
        if (unit == units.size()) {
            long done = chosen.stream().mapToLong(o -> o.units().size()).sum();
            double cost = Allocator.termsOf(chosen, (int) (units.size() - done), task).values().stream()
                    .mapToLong(l -> l)
                    .sum();
            if (cost < best[0] && together.passes(chosen)) {
                best[0] = cost;
            }
            return;
        }
        boolean taken = chosen.stream().anyMatch(o -> o.units().contains(units.get(unit)));
        tryAll(task, together, unit + 1, chosen, best);
        if (!taken) {
            for (HouseOption option : task.optionsFor(units.get(unit))) {
                boolean free = option.units().stream()
                        .allMatch(u -> units.indexOf(u) >= unit
                                && chosen.stream().noneMatch(o -> o.units().contains(u)));
                if (free) {
                    chosen.add(option);
                    tryAll(task, together, unit + 1, chosen, best);
                    chosen.remove(chosen.size() - 1);
                }
            }
        }
    }

    @Test
    void twoGangsShareAModuleWhenThatIsCheaper() {
        AllocationTask task =
                task(survey(twoGangs(61)), List.of(ONE, TWO), Weights.USUAL, Map.of(), List.of(), noRadio());

        Allocation best = Allocator.solve(task).orElseThrow();

        assertThat(best.modules()).containsExactly(Map.entry("TWO", 1));
        assertThat(best.gapCents()).isZero();
        Allocator.WhyNot why = Allocator.whyNot(
                        task, best, best.chosen().get(0).units().get(0).id(), "ONE")
                .orElseThrow();
        // Two at 20.00 instead of one at 26.00, and 30 minutes more at 0.50 each: 14.00 + 15.00.
        assertThat(why.moreCents()).isEqualTo(2_900);
        assertThat(why.differences()).hasSize(2);
    }

    @Test
    void theShelfComesFirst() {
        AllocationTask task =
                task(survey(oneGang(61)), List.of(ONE, CHEAP), Weights.USUAL, Map.of("ONE", 1), List.of(), noRadio());

        Allocation best = Allocator.solve(task).orElseThrow();

        assertThat(best.modules()).containsKey("ONE");
        assertThat(best.terms()).containsEntry(Allocation.Term.SHELF, -1_000L);
    }

    @Test
    void aPinIsKeptAndOneThatCannotBeIsNamed() {
        AllocationTask free =
                task(survey(oneGang(61)), List.of(ONE, CHEAP), Weights.USUAL, Map.of(), List.of(), noRadio());
        String unit = free.units().get(0).id();

        assertThat(Allocator.solve(free).orElseThrow().modules()).containsKey("CHEAP");
        assertThat(Allocator.solve(free.pinned(new AllocationTask.Pin(unit, "ONE")))
                        .orElseThrow()
                        .modules())
                .containsKey("ONE");
        AllocationTask.Pin wrong = new AllocationTask.Pin(unit, "NOWHERE");
        assertThat(Allocator.solve(free.pinned(wrong)).orElseThrow().brokenPins())
                .containsExactly(wrong);
    }

    /** 46 mm hold one module of 16 behind a mechanism of 22; two of them only side by side, and a slim one more is no help. */
    @Test
    void modulesThatDoNotGoInTogetherAreNotChosenTogether() {
        ModuleModel wide = Modules.as(
                Modules.withNeutral(1, 2, Modules.generous()),
                "WIDE",
                1_000,
                new Body(Millimetres.of(58), Millimetres.of(56), Millimetres.of(16)));
        ModuleModel wider = Modules.as(
                Modules.withNeutral(1, 2, Modules.generous()),
                "WIDER",
                1_100,
                new Body(Millimetres.of(72), Millimetres.of(58), Millimetres.of(16)));
        AllocationTask task = task(survey(twoGangs(46)), List.of(wider), Weights.USUAL, Map.of(), List.of(), noRadio());

        Allocation one = Allocator.solve(task).orElseThrow();
        assertThat(one.open()).hasSize(1);
        assertThat(one.rounds()).isGreaterThan(1);
        Allocation both = Allocator.solve(
                        task(survey(twoGangs(46)), List.of(wider, wide), Weights.USUAL, Map.of(), List.of(), noRadio()))
                .orElseThrow();
        assertThat(both.open()).isEmpty();
    }

    @Test
    void aRouterIsChosenInBetweenThoughItCostsMore() {
        Map<String, Box> boxes = new LinkedHashMap<>();
        Map<String, String> rooms = new LinkedHashMap<>();
        for (int i : new int[] {3, 5}) {
            boxes.put("b" + i, oneGang(61));
            rooms.put("b" + i, "R" + i);
        }
        HouseSurvey survey = new HouseSurvey(Boxes.house(), boxes, rooms);
        List<ModuleModel> models = List.of(SILENT, routing(SMALL, true));

        Allocation best = Allocator.solve(task(survey, models, Weights.USUAL, Map.of(), List.of(), row(Material.BRICK)))
                .orElseThrow();

        assertThat(best.choiceFor("b3.1").orElseThrow().model().code()).isEqualTo("SMALL");
        assertThat(best.radio()).extracting(Finding::code).doesNotContain(FindingCode.NO_ROUTER_IN_REACH);
        Allocation without = Allocator.solve(
                        task(survey, List.of(SILENT), Weights.USUAL, Map.of(), List.of(), row(Material.BRICK)))
                .orElseThrow();
        assertThat(without.open()).extracting(Unit::id).containsExactly("b5.1");
    }

    /** Both makers would be cheapest; with one only, the dearer module of the other place is taken. */
    @Test
    void oneMakerForTheWholeHouse() {
        ModuleModel other = new ModuleModel(
                "OTHER",
                "Another",
                "for tests",
                CHEAP.protocol(),
                CHEAP.purpose(),
                CHEAP.supply(),
                CHEAP.channels(),
                CHEAP.inputs(),
                CHEAP.behaviours(),
                false,
                CHEAP.totalAmps(),
                CHEAP.terminals(),
                CHEAP.body(),
                CHEAP.markets(),
                false,
                true,
                OptionalInt.of(100),
                CHEAP.blink(),
                CHEAP.sheet());
        Map<String, Box> boxes = new LinkedHashMap<>();
        boxes.put("led", oneGang(61));
        boxes.put(
                "fan",
                Boxes.box()
                        .gang("4", "fan 45")
                        .feed("4", common(1))
                        .lamp(1, throwOf(1), "4")
                        .build());
        Weights free = new Weights(100, 0, 0, 0, 0, 0, 5_000, 5_000, 0, 0, 0, 100_000);
        AllocationTask any = task(
                new HouseSurvey(Boxes.house(), boxes, Map.of()),
                List.of(ONE, other),
                free,
                Map.of(),
                List.of(),
                noRadio());
        AllocationTask one = new AllocationTask(
                any.survey(),
                any.units(),
                any.options(),
                any.terms(),
                free,
                Map.of(),
                OptionalInt.empty(),
                List.of(),
                true,
                any.radio(),
                any.limit());

        assertThat(Allocator.solve(any).orElseThrow().modules()).containsOnlyKeys("ONE", "OTHER");
        assertThat(Allocator.solve(one).orElseThrow().modules()).containsExactly(Map.entry("ONE", 2));
    }

    /** Two pins on modules of two makers, and one maker only: nothing keeps both. */
    @Test
    void pinsThatContradictEachOtherHaveNoChoice() {
        ModuleModel other = new ModuleModel(
                "OTHER",
                "Another",
                "for tests",
                ONE.protocol(),
                ONE.purpose(),
                ONE.supply(),
                ONE.channels(),
                ONE.inputs(),
                ONE.behaviours(),
                false,
                ONE.totalAmps(),
                ONE.terminals(),
                ONE.body(),
                ONE.markets(),
                false,
                true,
                OptionalInt.of(100),
                ONE.blink(),
                ONE.sheet());
        Map<String, Box> boxes = new LinkedHashMap<>(Map.of("a", oneGang(61), "b", oneGang(61)));
        AllocationTask any = task(
                new HouseSurvey(Boxes.house(), boxes, Map.of()),
                List.of(ONE, other),
                Weights.USUAL,
                Map.of(),
                List.of(new AllocationTask.Pin("a.1", "ONE"), new AllocationTask.Pin("b.1", "OTHER")),
                noRadio());
        AllocationTask one = new AllocationTask(
                any.survey(),
                any.units(),
                any.options(),
                any.terms(),
                any.weights(),
                Map.of(),
                OptionalInt.empty(),
                any.pins(),
                true,
                any.radio(),
                any.limit());

        assertThat(Allocator.solve(any).orElseThrow().modules()).containsOnlyKeys("ONE", "OTHER");
        assertThat(Allocator.solve(one)).isEmpty();
        assertThat(Allocator.attempt(one, Allocator.Watch.NOBODY))
                .as("either rule given up would do")
                .isEqualTo(new Attempt.Impossible(Set.of(Attempt.Rule.ONE_MAKER, Attempt.Rule.PINS)));
        AllocationTask pinned = new AllocationTask(
                any.survey(),
                any.units(),
                any.options(),
                any.terms(),
                any.weights(),
                Map.of(),
                OptionalInt.empty(),
                any.pins().subList(0, 1),
                true,
                any.radio(),
                any.limit());
        assertThat(Allocator.with(pinned, "b.1", "OTHER"))
                .as("what a person asks why not")
                .isInstanceOf(Attempt.Impossible.class);
        assertThat(Allocator.with(any, "b.1", "ONE").made()).isPresent();
    }

    /** Without any time none is found: that is no proof that there is none, and it is not told as one. */
    @Test
    void whatIsNotFoundInTimeIsNotToldAsImpossible() {
        AllocationTask any =
                task(survey(oneGang(61)), List.of(ONE, SMALL, CHEAP), Weights.USUAL, Map.of(), List.of(), noRadio());
        AllocationTask hurried = new AllocationTask(
                any.survey(),
                any.units(),
                any.options(),
                any.terms(),
                any.weights(),
                any.onHand(),
                any.bypassCents(),
                any.pins(),
                any.oneMaker(),
                any.radio(),
                Duration.ZERO);

        assertThat(Allocator.attempt(any, Allocator.Watch.NOBODY)).isInstanceOf(Attempt.Made.class);
        assertThat(Allocator.attempt(hurried, Allocator.Watch.NOBODY)).isEqualTo(new Attempt.NotInTime());
    }

    /** A price that nobody knows is taken for the dearest that is known, never for nothing. */
    @Test
    void anUnknownPriceIsNotCheap() {
        ModuleModel unpriced = new ModuleModel(
                "A-FREE",
                "Test",
                "for tests",
                ONE.protocol(),
                ONE.purpose(),
                ONE.supply(),
                ONE.channels(),
                ONE.inputs(),
                ONE.behaviours(),
                false,
                ONE.totalAmps(),
                ONE.terminals(),
                ONE.body(),
                ONE.markets(),
                false,
                true,
                OptionalInt.empty(),
                ONE.blink(),
                ONE.sheet());

        AllocationTask task = task(
                survey(oneGang(61)), List.of(unpriced, SMALL, CHEAP), Weights.USUAL, Map.of(), List.of(), noRadio());
        assertThat(Allocator.solve(task).orElseThrow().modules()).containsOnlyKeys("CHEAP");
    }

    @Test
    void stoppingLeavesNothing() {
        Allocator.Watch stop = new Allocator.Watch() {
            @Override
            public void reached(String words) {
                throw new AssertionError("nothing is solved after a stop");
            }

            @Override
            public boolean wantsToStop() {
                return true;
            }
        };
        assertThat(Allocator.solve(
                        task(survey(oneGang(61)), List.of(ONE), Weights.USUAL, Map.of(), List.of(), noRadio()), stop))
                .isEmpty();
    }

    private static ModuleModel routing(ModuleModel model, boolean routes) {
        return Modules.with(
                model,
                new DataSheet(
                        Optional.empty(),
                        OptionalInt.empty(),
                        Optional.of(routes ? DataSheet.MeshRole.PASSES_ON : DataSheet.MeshRole.LISTENS_ONLY),
                        OptionalDouble.empty(),
                        false,
                        List.of(),
                        List.of(),
                        List.of(),
                        Optional.empty(),
                        List.of(),
                        Set.of()));
    }

    private static AllocationTask task(
            HouseSurvey survey,
            List<ModuleModel> models,
            Weights weights,
            Map<String, Integer> onHand,
            List<AllocationTask.Pin> pins,
            RadioPlan radio) {
        HouseMatch.Result matched = new HouseMatch(survey, models, Terms.USUAL).match();
        return new AllocationTask(
                survey,
                matched.units(),
                matched.options(),
                Terms.USUAL,
                weights,
                onHand,
                OptionalInt.of(450),
                pins,
                false,
                radio,
                Duration.ofSeconds(20));
    }

    private static RadioPlan noRadio() {
        return new RadioPlan(FloorPlan.notDrawn(), RegionProfile.EU_230, List.of());
    }

    /** Six rooms of 4 by 4 m in a row, the coordinator in the first. */
    private static RadioPlan row(Material walls) {
        Map<String, RoomShape> shapes = new LinkedHashMap<>();
        for (int i = 1; i <= 6; i++) {
            shapes.put("R" + i, new RoomShape("R" + i, 0, 4.0 * (i - 1), 0, 4, 4, walls));
        }
        return new RadioPlan(
                new FloorPlan(shapes, 2.8, Material.CONCRETE),
                RegionProfile.EU_230,
                List.of(new RadioPlan.Anchor("coordinator", Protocol.ZIGBEE, "R1", OptionalInt.empty())));
    }

    private static HouseSurvey survey(Box box) {
        return new HouseSurvey(Boxes.house(), Map.of("b", box), Map.of());
    }

    private static Box oneGang(int depth) {
        return Boxes.box()
                .depth(depth)
                .gang("4", "LED 9")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
    }

    private static Box twoGangs(int depth) {
        return Boxes.box()
                .depth(depth)
                .gang("4", "LED 9")
                .gang("4", "LED 9")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .jumper(common(1), common(2))
                .lamp(2, throwOf(2), "4")
                .build();
    }
}
