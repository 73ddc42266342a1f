package org.hiddenclerk.core.matching.house;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.SoftAssertions.assertSoftly;
import static org.hiddenclerk.core.testing.Boxes.common;
import static org.hiddenclerk.core.testing.Boxes.throwOf;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.IntStream;
import org.assertj.core.api.SoftAssertions;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.matching.module.Candidate;
import org.hiddenclerk.core.matching.module.Estimates;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.matching.module.Wish;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.testing.Boxes;
import org.hiddenclerk.core.testing.Depth;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.testing.Topologies;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.paper.PartsToAdd;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;
import org.hiddenclerk.core.wiring.scheme.SpecialRuns;
import org.junit.jupiter.api.Test;

class HouseMatchTest {
    private static final List<ModuleModel> MODELS = List.of(
            Modules.withNeutral(1, 2, Modules.generous()),
            Modules.withNeutral(2, 2, Modules.usualRatings()),
            Modules.as(
                    Modules.withNeutral(1, 2, Modules.usualRatings()),
                    "THICK",
                    900,
                    new Body(Millimetres.of(50), Millimetres.of(48), Millimetres.of(30))),
            Modules.twoWire(20, Modules.generous()),
            Modules.twoWire(2, 20, Modules.generous()),
            Modules.withInputs(3),
            Modules.blinking(),
            Modules.receiver(),
            Modules.sender(),
            Modules.sender(2),
            Modules.heavy(),
            Modules.blind(),
            Modules.fanAndLight(),
            Modules.voltFree(),
            cool(),
            greedy(Modules.heavy(), 11.5),
            greedy(Modules.withNeutral(1, 2, Modules.generous()), 0.2));
    private static final Terms TERMS = new Terms(
            Estimates.USUAL,
            List.of(new Wish(Wish.Kind.KEEP_PLATES, false, ""), new Wish(Wish.Kind.UNNOTICED, true, "")));

    private static ModuleModel greedy(ModuleModel m, double watts) {
        return new ModuleModel(
                m.code() + watts,
                m.maker(),
                m.name(),
                m.protocol(),
                m.purpose(),
                new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), watts),
                m.channels(),
                m.inputs(),
                m.behaviours(),
                m.interlocked(),
                m.totalAmps(),
                m.terminals(),
                m.body(),
                m.markets(),
                m.metering(),
                m.worksWithoutInternet(),
                m.priceCents(),
                m.blink(),
                m.sheet());
    }

    private static ModuleModel cool() {
        return Modules.as(
                Modules.with(
                        Modules.withNeutral(1, 2, Modules.generous()),
                        new DataSheet(
                                Optional.of(new DataSheet.Temperatures(0, 35)),
                                OptionalInt.of(20),
                                Optional.empty(),
                                OptionalDouble.of(1.4),
                                false,
                                List.of(),
                                List.of(),
                                List.of(),
                                Optional.empty(),
                                List.of(),
                                Set.of())),
                "COOL",
                1500,
                new Body(Millimetres.of(40), Millimetres.of(38), Millimetres.of(14)));
    }

    /** The house's short cuts against the box's own judgement: verdict and codes of every cell, in every topology. */
    @Test
    void everyCellHasTheVerdictThatTheBoxWouldGive() {
        int compared = 0;
        for (RegionProfile region : Depth.isDeep() ? List.of(RegionProfile.values()) : List.of(RegionProfile.EU_230)) {
            for (Map.Entry<String, ConnectedBoxes> topology :
                    Depth.each(2, Topologies.all(region)).entrySet()) {
                Map<String, Box> boxes = new LinkedHashMap<>();
                topology.getValue().boxes().forEach(place -> boxes.put(place.id(), place.box()));
                compared += compare(topology.getKey(), Boxes.house(region), boxes);
            }
        }
        assertThat(compared).isGreaterThan(200);
    }

    /** Boxes that are wired alike and differ in what is in them already are no twins in their room and their warmth. */
    @Test
    void whatIsInABoxAlreadyCountsInAHouse() {
        Map<String, Box> boxes = new LinkedHashMap<>();
        for (int thick : new int[] {0, 10, 25}) {
            Box empty = Boxes.box()
                    .gang("4", "LED 7")
                    .feed("4", common(1))
                    .lamp(1, throwOf(1), "4")
                    .build();
            boxes.put(
                    "b" + thick,
                    new Box(
                            empty.label(),
                            empty.kind(),
                            empty.geometry(),
                            empty.gangs(),
                            empty.loads(),
                            empty.cables(),
                            empty.jumpers(),
                            thick == 0
                                    ? List.of()
                                    : List.of(new SurveyedModule(
                                            "OLD",
                                            Optional.of(new SurveyedModule.Size(
                                                    Millimetres.of(40), Millimetres.of(38), Millimetres.of(thick))),
                                            Optional.of(Watts.of(thick / 10)),
                                            0))));
        }
        assertThat(compare("in place", Boxes.house(), boxes)).isGreaterThan(20);
    }

    /** Heavy loads, four gangs, a canopy, a gate and a strip: schemes that no plain switch has. */
    @Test
    void everyCellOfTheSpecialRunsHasTheVerdictThatTheBoxWouldGive() {
        RegionProfile region = RegionProfile.EU_230;
        for (ConnectedBoxes run : List.of(
                SpecialRuns.heater(region, Mechanism.DOUBLE_POLE),
                SpecialRuns.fourGangs(region),
                SpecialRuns.canopy(region, true),
                SpecialRuns.canopy(region, false),
                SpecialRuns.gate(region),
                SpecialRuns.strip(region))) {
            Map<String, Box> boxes = new LinkedHashMap<>();
            run.boxes().forEach(place -> boxes.put(place.id(), place.box()));
            compare(run.lead().label(), SpecialRuns.house(region), boxes);
        }
    }

    /** Boxes wired alike whose loads differ: what is shared must not hide a load that is too much or too little. */
    @Test
    void loadsThatDifferAreJudgedEachByItself() {
        for (String[] loads : new String[][] {
            {"LED 3", "LED 12", "LED 140", "LED 25"},
            {"LED 3", "LED 2400", "LED 160", "LED 1"},
            {"heater 2290", "heater 2299.5", "heater 100", "heater 2301"},
            {"fan 40", "fan 2000", "fan 290", "fan 301"}
        }) {
            for (boolean neutral : new boolean[] {true, false}) {
                Map<String, Box> boxes = new LinkedHashMap<>();
                for (String load : loads) {
                    Boxes box = Boxes.box().depth(40 + 7 * boxes.size()).gang(boxes.size() % 2 == 0 ? "4" : "6", load);
                    String circuit = boxes.size() % 2 == 0 ? "4" : "6";
                    boxes.put(
                            "b" + boxes.size(),
                            neutral
                                    ? box.feed(circuit, common(1))
                                            .lamp(1, throwOf(1), circuit)
                                            .build()
                                    : box.loop(1, circuit, common(1), throwOf(1))
                                            .build());
                }
                assertThat(compare(String.join(" ", loads), Boxes.house(), boxes))
                        .isPositive();
            }
        }
    }

    /** Heaviest of both boxes no lamp would need a bypass; in each of them one does. */
    @Test
    void aBypassIsThatOfTheBoxAndNotOfTheHeaviestLoads() {
        Map<String, Box> boxes = new LinkedHashMap<>();
        for (String[] loads : new String[][] {{"LED 3", "LED 30"}, {"LED 30", "LED 3"}}) {
            boxes.put(
                    "b" + boxes.size(),
                    Boxes.box()
                            .gang("4", loads[0])
                            .gang("4", loads[1])
                            .feed("4", common(1))
                            .lamp(1, throwOf(1), "4")
                            .jumper(common(1), common(2))
                            .lamp(2, throwOf(2), "4")
                            .build());
        }
        assertThat(compare("swapped loads", Boxes.house(), boxes)).isPositive();
        HouseMatch.Result result =
                new HouseMatch(new HouseSurvey(Boxes.house(), boxes, Map.of()), MODELS, TERMS).match();
        assertThat(result.cells())
                .filteredOn(c -> c.units().size() == 2 && c.scheme() == SchemeCode.BEHIND_SWITCH_NO_N)
                .isNotEmpty()
                .allSatisfy(c -> assertThat(c.codes()).contains(FindingCode.BYPASS_NEEDED));
    }

    /** Cells lie in rows, some of them without a module: by number, in order and in one thread they are the same. */
    @Test
    void everyCellIsFoundByItsNumber() {
        Map<String, Box> boxes = new LinkedHashMap<>();
        for (String load : List.of("LED 7", "halogen 50", "fan 45")) {
            boxes.put(
                    "b" + boxes.size(),
                    Boxes.box()
                            .gang("4", load)
                            .feed("4", common(1))
                            .lamp(1, throwOf(1), "4")
                            .build());
        }
        HouseSurvey survey = new HouseSurvey(Boxes.house(), boxes, Map.of());
        List<HouseMatch.Cell> cells =
                new HouseMatch(survey, MODELS, TERMS).match().cells();
        List<String> inOrder = new ArrayList<>();
        cells.iterator().forEachRemaining(cell -> inOrder.add(cell.toString()));
        assertThat(inOrder).hasSize(cells.size()).doesNotHaveDuplicates();
        assertThat(IntStream.range(0, cells.size()).mapToObj(i -> cells.get(i).toString()))
                .isEqualTo(inOrder);
        assertThatThrownBy(() -> cells.get(cells.size())).isInstanceOf(IndexOutOfBoundsException.class);
        assertThatThrownBy(() -> cells.get(-1)).isInstanceOf(IndexOutOfBoundsException.class);
        assertThat(new HouseMatch(survey, MODELS, TERMS).matchBehind().cells())
                .map(HouseMatch.Cell::toString)
                .isEqualTo(inOrder);
    }

    /** What is counted by itself of a plan is what its list of parts says, and what hands find at a place. */
    private static void requireCounts(SoftAssertions softly, String name, WiringPlan plan) {
        List<PartsToAdd.Item> items = PartsToAdd.of(plan);
        softly.assertThat(PartsToAdd.connectors(plan).values().stream()
                        .mapToInt(n -> n)
                        .sum())
                .as(name)
                .isEqualTo(items.stream()
                        .filter(item -> item.what().startsWith("connector for"))
                        .mapToInt(PartsToAdd.Item::count)
                        .sum());
        softly.assertThat(PartsToAdd.mechanisms(plan))
                .as(name)
                .isEqualTo(items.stream()
                        .filter(item -> item.what().contains("mechanism for")
                                || item.what().startsWith("blank plate"))
                        .mapToInt(PartsToAdd.Item::count)
                        .sum());
        plan.planned().ifPresent(planned -> planned.boxes()
                .forEach((place, box) -> box.places().forEach(end -> softly.assertThat(box.heldAt(end))
                        .as(name + " " + end)
                        .isEqualTo(box.attachedAt(end).size()))));
    }

    /** A cable that was filled in as usual holds every plan that rests on it; a twin whose cables were looked at goes on. */
    @Test
    void whatNobodyLookedAtHoldsInAHouse() {
        Box seen = Boxes.box()
                .gang("4", "LED 10")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();
        Box assumed = new Box(
                seen.label(),
                seen.kind(),
                seen.geometry(),
                seen.gangs(),
                seen.loads(),
                seen.cables().stream()
                        .map(cable -> new Cable(cable.name(), cable.leads(), cable.mm2(), cable.cores(), true))
                        .toList(),
                seen.jumpers());
        Map<String, Box> boxes = new LinkedHashMap<>();
        boxes.put("seen", seen);
        boxes.put("assumed", assumed);

        assertThat(compare("assumed", Boxes.house(), boxes)).isPositive();
        HouseMatch.Result result =
                new HouseMatch(new HouseSurvey(Boxes.house(), boxes, Map.of()), MODELS, Terms.USUAL).match();
        assertThat(result.options()).isNotEmpty().allMatch(option -> option.lead()
                .equals("seen"));
    }

    private static int compare(String name, HouseContext house, Map<String, Box> boxes) {
        HouseMatch.Result result = new HouseMatch(new HouseSurvey(house, boxes, Map.of()), MODELS, TERMS).match();
        Map<String, ModuleMatch> matches = new LinkedHashMap<>();
        boxes.keySet()
                .forEach(id -> matches.put(
                        id, new ModuleMatch(new Planner(house, ConnectedBoxes.of(boxes, id, house.region())), TERMS)));
        int[] compared = {0};
        assertSoftly(softly -> {
            for (HouseMatch.Cell cell : result.cells()) {
                List<Integer> gangs = cell.units().stream()
                        .flatMap(u -> u.gangs().stream())
                        .filter(at -> at.box().equals(cell.lead()))
                        .map(Unit.At::number)
                        .distinct()
                        .limit(cell.units().size())
                        .toList();
                if (gangs.size() != cell.units().size()) {
                    continue;
                }
                compared[0]++;
                Candidate judged =
                        matches.get(cell.lead()).judge(cell.scheme(), gangs, List.of(), cell.model(), cell.companion());
                softly.assertThat(cell.verdict()).as(name + " " + cell).isEqualTo(judged.verdict());
                requireCounts(softly, name + " " + cell.scheme(), judged.plan());
                Set<FindingCode> codes = EnumSet.noneOf(FindingCode.class);
                judged.findings().forEach(f -> codes.add(f.code()));
                softly.assertThat(cell.codes())
                        .as(name + " " + cell.scheme() + " " + cell.model().code())
                        .isEqualTo(codes);
            }
        });
        return compared[0];
    }

    @Test
    void boxesThatAreWiredAlikeHaveTheSameOptions() {
        Map<String, Box> boxes = new LinkedHashMap<>();
        for (int i = 1; i <= 5; i++) {
            boxes.put(
                    "b" + i,
                    Boxes.box()
                            .gang("4", "LED " + 10)
                            .feed("4", common(1))
                            .lamp(1, throwOf(1), "4")
                            .build());
        }

        HouseMatch.Result result =
                new HouseMatch(new HouseSurvey(Boxes.house(), boxes, Map.of()), MODELS, Terms.USUAL).match();

        assertThat(result.units()).hasSize(5);
        List<List<String>> codes = result.units().stream()
                .map(unit -> result.options().stream()
                        .filter(o -> o.units().contains(unit))
                        .map(o -> o.scheme() + o.model().code())
                        .toList())
                .distinct()
                .toList();
        assertThat(codes).hasSize(1);
        assertThat(codes.get(0)).isNotEmpty();
    }

    @Test
    void twoGangsOnOneCircuitMayShareAModuleAndTwoCircuitsMayNot() {
        assertThat(shared(twoGangs("4", "4"))).isNotEmpty();
        assertThat(shared(twoGangs("4", "6"))).isEmpty();
    }

    /** All switches of a two-way lamp are one unit, settled by one choice from either box. */
    @Test
    void switchesOfOneLampAreOneUnit() {
        ConnectedBoxes run = Topologies.all(RegionProfile.EU_230).entrySet().stream()
                .filter(e -> e.getValue().gangs().size() == 2)
                .findFirst()
                .orElseThrow()
                .getValue();
        Map<String, Box> boxes = new LinkedHashMap<>();
        run.boxes().forEach(place -> boxes.put(place.id(), place.box()));

        HouseMatch.Result result =
                new HouseMatch(new HouseSurvey(Boxes.house(), boxes, Map.of()), MODELS, Terms.USUAL).match();

        assertThat(result.units()).hasSize(1);
        assertThat(result.units().get(0).gangs()).hasSize(2);
    }

    private static List<HouseOption> shared(Box box) {
        HouseMatch.Result result =
                new HouseMatch(new HouseSurvey(Boxes.house(), Map.of("b", box), Map.of()), MODELS, Terms.USUAL).match();
        return new ArrayList<>(
                result.options().stream().filter(o -> o.units().size() == 2).toList());
    }

    private static Box twoGangs(String first, String second) {
        Boxes box = Boxes.box()
                .gang(first, "LED 13")
                .gang(second, "LED 13")
                .feed(first, common(1))
                .lamp(1, throwOf(1), first);
        return first.equals(second)
                ? box.jumper(common(1), common(2)).lamp(2, throwOf(2), second).build()
                : box.feed(second, common(2)).lamp(2, throwOf(2), second).build();
    }

    /** What is carried over to a changed stock book is what would be judged anew. */
    @Test
    void aChangedStockBookForgetsOnlyWhatTheChangedModulesHaveAPartIn() {
        HouseSurvey survey =
                new HouseSurvey(Boxes.house(), Map.of("a", twoGangs("4", "4"), "b", twoGangs("4", "6")), Map.of());
        HouseMemory before = new HouseMemory(MODELS, TERMS, RegionProfile.EU_230);
        new HouseMatch(survey, before).match();
        List<ModuleModel> changed = new ArrayList<>(MODELS.subList(1, MODELS.size()));
        changed.replaceAll(model -> model.code().equals(Modules.receiver().code())
                ? Modules.as(
                        Modules.withNeutral(1, 2, Modules.generous()),
                        model.code(),
                        700,
                        MODELS.get(2).body().orElseThrow())
                : model);

        HouseMemory after = before.under(changed, TERMS);

        assertThat(after.size()).isPositive().isLessThan(before.size());
        assertThat(new HouseMatch(survey, after).match().cells())
                .map(HouseMatch.Cell::toString)
                .isEqualTo(new HouseMatch(survey, changed, TERMS)
                        .match().cells().stream().map(HouseMatch.Cell::toString).toList());
    }

    /** No plan and no proof depends on what a household wishes. */
    @Test
    void otherTermsKeepEveryPlanAndJudgeTheRestAnew() {
        HouseSurvey survey =
                new HouseSurvey(Boxes.house(), Map.of("a", twoGangs("4", "4"), "b", twoGangs("4", "6")), Map.of());
        HouseMemory before = new HouseMemory(MODELS, Terms.USUAL, RegionProfile.EU_230);
        new HouseMatch(survey, before).match();

        HouseMemory after = before.under(MODELS, TERMS);

        assertThat(after.size()).isEqualTo(before.size());
        List<String> judged = new HouseMatch(survey, after)
                .match().cells().stream().map(HouseMatch.Cell::toString).toList();
        assertThat(judged)
                .isEqualTo(new HouseMatch(survey, MODELS, TERMS)
                        .match().cells().stream().map(HouseMatch.Cell::toString).toList());
        assertThat(judged)
                .isNotEqualTo(new HouseMatch(survey, before)
                        .match().cells().stream().map(HouseMatch.Cell::toString).toList());
    }

    @Test
    void aRefusedCellSaysWhy() {
        Box box = Boxes.box()
                .gang("4", "LED 288")
                .feed("4", common(1))
                .lamp(1, throwOf(1), "4")
                .build();

        HouseMatch.Result result =
                new HouseMatch(new HouseSurvey(Boxes.house(), Map.of("b", box), Map.of()), MODELS, Terms.USUAL).match();

        assertThat(result.options()).isEmpty();
        assertThat(result.cells())
                .filteredOn(c -> c.scheme() == SchemeCode.BEHIND_SWITCH_N
                        && c.model().code().equals("N1"))
                .singleElement()
                .satisfies(c -> {
                    assertThat(c.verdict()).isEqualTo(Verdict.STOP);
                    assertThat(c.codes()).contains(FindingCode.CONTACT_OVERLOAD);
                });
    }
}
