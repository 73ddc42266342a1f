package org.hiddenclerk.core.practice;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.LongStream;
import net.jqwik.api.Assume;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Verdict;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.matching.module.Candidate;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.SchemeChooser;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.testing.Modules;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.RunWiring;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/** What is done at a wall, and what the clerk says of it. */
class PracticeRunTest {
    private static final ModuleModel MODULE = Modules.withNeutral(1, 2, Modules.usualRatings());
    private static final List<ModuleModel> MODULES = List.of(MODULE, Modules.twoWire(20, Modules.usualRatings()));

    /** The first wall of a level with a neutral at the only switch, or with a fault. */
    private static PracticeWall wall(PracticeLevel level, boolean faulty) {
        return LongStream.range(0, 200)
                .mapToObj(seed -> PracticeWall.of(level, seed))
                .filter(wall -> wall.fault().isPresent() == faulty
                        && wall.boxes().get("A").cores().stream()
                                .anyMatch(core -> core.core().role() == Role.NEUTRAL
                                        && core.core().end().key().startsWith("j.")))
                .findFirst()
                .orElseThrow();
    }

    private static List<PracticeAction> isolated(PracticeWall wall, List<PracticeAction> deeds) {
        wall.circuits().forEach(circuit -> {
            deeds.add(new PracticeAction.Breaker(circuit.label(), false));
            deeds.add(new PracticeAction.Lock(circuit.label()));
        });
        deeds.add(new PracticeAction.ProveTester());
        wall.boxes().keySet().forEach(box -> deeds.add(new PracticeAction.ProveDead(box)));
        deeds.add(new PracticeAction.ProveTester());
        return deeds;
    }

    private static List<PracticeAction> named(PracticeWall wall, List<PracticeAction> deeds) {
        wall.truth().forEach((core, role) -> deeds.add(new PracticeAction.Name(core, role)));
        deeds.add(new PracticeAction.NamesDone());
        return deeds;
    }

    private static PracticeRun run(PracticeWall wall, List<PracticeAction> deeds) {
        return PracticeRun.of(wall, MODULES, deeds);
    }

    /** What hands do to get to the plan of the clerk. */
    private static void wired(PracticeWall wall, List<PracticeAction> deeds) {
        wired(new ModuleMatch(wall.planner("A"), Terms.USUAL).judge(List.of(1), MODULE), deeds);
    }

    private static void wired(Candidate candidate, List<PracticeAction> deeds) {
        RunWiring planned = candidate.plan().planned().orElseThrow();
        for (ConnectedBoxes.Place place : candidate.plan().placesOfWork()) {
            BoxWiring from = candidate.plan().found().at(place);
            BoxWiring to = planned.at(place);
            Map<String, String> spare = new HashMap<>();
            from.jumpers().stream()
                    .filter(j -> !to.jumpers().contains(j))
                    .forEach(j -> deeds.add(new PracticeAction.TakeOut(place.id(), j.key())));
            for (Box.CableCore core : place.box().cores()) {
                if (!from.endOf(core).equals(to.endOf(core))) {
                    deeds.add(new PracticeAction.Put(
                            place.id(),
                            core.key(),
                            false,
                            connector(from, spare, to.endOf(core).key())));
                }
            }
            for (Jumper jumper : to.jumpers()) {
                if (!from.jumpers().contains(jumper)) {
                    deeds.add(new PracticeAction.Join(
                            place.id(),
                            connector(from, spare, jumper.from().key()),
                            connector(from, spare, jumper.to().key())));
                }
            }
        }
    }

    /** A learner's own connectors go by letters. */
    private static String connector(BoxWiring found, Map<String, String> spare, String key) {
        boolean there = found.places().stream().anyMatch(end -> end.key().equals(key));
        return !key.startsWith("j.") || there
                ? key
                : spare.computeIfAbsent(key, k -> "j." + (char) ('a' + spare.size()));
    }

    /** Whatever the clerk would fit at a sound wall, done by hand end by end, is proved and accepted. */
    @Property(tries = 40)
    void theClerksWayDoneByHandIsAccepted(
            @ForAll PracticeLevel level, @ForAll @IntRange(min = 0, max = 3_000) int seed) {
        PracticeWall wall = PracticeWall.of(level, seed);
        Assume.that(wall.fault().isEmpty());
        List<ModuleModel> models = List.of(
                MODULE, Modules.withNeutral(2, 2, Modules.usualRatings()), Modules.twoWire(20, Modules.usualRatings()));
        for (String box : wall.boxes().keySet()) {
            int gang = wall.gangFor(box).orElseThrow();
            for (SchemeChooser.Offer offer :
                    new SchemeChooser(wall.planner(box), models).offers(List.of(gang), List.of())) {
                boolean work =
                        offer.toll().isPresent() && offer.best().orElseThrow().verdict() == Verdict.OK;
                if (work && offer.best().get().assignment().companion().isEmpty()) {
                    Candidate candidate = offer.best().get();
                    List<PracticeAction> deeds = named(wall, isolated(wall, new ArrayList<>()));
                    deeds.add(new PracticeAction.Choose(
                            box, offer.scheme(), candidate.assignment().model().code()));
                    candidate
                            .plan()
                            .placesOfWork()
                            .forEach(place -> deeds.add(new PracticeAction.ProveDead(place.id())));
                    deeds.add(new PracticeAction.ProveTester());
                    wired(candidate, deeds);
                    deeds.add(new PracticeAction.Finish());
                    Marks marks = PracticeRun.of(wall, models, deeds).marks();
                    assertThat(marks.isAccepted())
                            .as("%s %s from %s: %s %s", wall, offer.scheme(), box, marks.findings(), marks.unsafe())
                            .isTrue();
                }
            }
        }
    }

    @Example
    void aWallDoneRightIsAccepted() {
        PracticeWall wall = wall(PracticeLevel.ONE_SWITCH, false);
        List<PracticeAction> deeds = named(wall, isolated(wall, new ArrayList<>()));
        deeds.add(new PracticeAction.Choose("A", SchemeCode.BEHIND_SWITCH_N, MODULE.code()));
        wired(wall, deeds);
        deeds.add(new PracticeAction.Finish());
        Marks marks = run(wall, deeds).marks();

        assertThat(marks.findings())
                .filteredOn(f -> f.severity() != org.hiddenclerk.core.finding.Severity.NOTE)
                .isEmpty();
        assertThat(marks.unsafe()).isEmpty();
        assertThat(marks.isAccepted()).isTrue();
        assertThat(marks.testsUsed()).isZero();
    }

    @Example
    void aWireOnTheWrongTerminalIsFoundByTheProof() {
        PracticeWall wall = wall(PracticeLevel.ONE_SWITCH, false);
        List<PracticeAction> deeds = named(wall, isolated(wall, new ArrayList<>()));
        deeds.add(new PracticeAction.Choose("A", SchemeCode.BEHIND_SWITCH_N, MODULE.code()));
        wired(wall, deeds);
        String neutral = wall.boxes().get("A").cores().stream()
                .filter(c -> c.core().role() == Role.NEUTRAL)
                .findFirst()
                .orElseThrow()
                .key();
        deeds.add(new PracticeAction.Put("A", neutral, false, "g1.L1"));
        deeds.add(new PracticeAction.Finish());
        Marks marks = run(wall, deeds).marks();

        assertThat(marks.wiring()).hasValueSatisfying(v -> assertThat(v).isNotEqualTo(Verdict.OK));
        assertThat(marks.isAccepted()).isFalse();
    }

    @Example
    void layingHandsOnWhatIsNotProvedDeadIsMarked() {
        PracticeWall wall = wall(PracticeLevel.ONE_SWITCH, false);
        String circuit = wall.circuits().get(0).label();
        String live = wall.truth().entrySet().stream()
                .filter(e -> e.getValue() == ConductorRole.PERMANENT_LIVE)
                .findFirst()
                .orElseThrow()
                .getKey();

        assertThat(run(wall, List.of(new PracticeAction.Free(live))).unsafe())
                .extracting(UnsafeDeed::kind)
                .containsExactly(UnsafeDeed.Kind.TOUCHED_LIVE);
        assertThat(run(wall, List.of(new PracticeAction.Breaker(circuit, false), new PracticeAction.Free(live)))
                        .unsafe())
                .extracting(UnsafeDeed::kind)
                .containsExactly(UnsafeDeed.Kind.NOT_PROVED_DEAD);
        assertThat(run(
                                wall,
                                List.of(
                                        new PracticeAction.Breaker(circuit, false),
                                        new PracticeAction.Lock(circuit),
                                        new PracticeAction.ProveDead("A"),
                                        new PracticeAction.Free(live)))
                        .unsafe())
                .extracting(UnsafeDeed::kind)
                .containsExactly(UnsafeDeed.Kind.TESTER_NOT_PROVED);
        assertThat(run(
                                wall,
                                List.of(
                                        new PracticeAction.Breaker(circuit, false),
                                        new PracticeAction.ProveTester(),
                                        new PracticeAction.ProveDead("A"),
                                        new PracticeAction.ProveTester(),
                                        new PracticeAction.Free(live)))
                        .unsafe())
                .extracting(UnsafeDeed::kind)
                .containsExactly(UnsafeDeed.Kind.NOT_LOCKED);
        List<PracticeAction> right = isolated(wall, new ArrayList<>());
        right.add(new PracticeAction.Free(live));
        assertThat(run(wall, right).unsafe()).isEmpty();
    }

    /** Common practice, no source: one breaker off does not make a box dead that two circuits share. */
    @Example
    void theSecondCircuitOfABoxIsMet() {
        PracticeWall wall = wall(PracticeLevel.TWO_CIRCUITS, false);
        PracticeRun run = run(
                wall,
                List.of(
                        new PracticeAction.ProveTester(),
                        new PracticeAction.Breaker(wall.circuits().get(0).label(), false),
                        new PracticeAction.ProveDead("A")));

        assertThat(run.log().get(2).alarming()).isTrue();
        assertThat(run.log().get(2).words()).contains("not dead");
        assertThat(run.isProvedDead("A")).isFalse();
    }

    /** Common practice, no source: a borrowed neutral that is freed is live through the lamp of the other circuit. */
    @Example
    void aBorrowedNeutralIsRefusedAndReported() {
        PracticeWall wall = wall(PracticeLevel.TWO_CIRCUITS, true);
        List<PracticeAction> deeds = named(wall, isolated(wall, new ArrayList<>()));
        deeds.add(new PracticeAction.Choose("A", SchemeCode.BEHIND_SWITCH_N, MODULE.code()));
        PracticeRun refused = run(wall, deeds);
        assertThat(refused.phase()).isEqualTo(PracticeRun.Phase.CHOOSE);
        assertThat(refused.refusal()).extracting(f -> f.code()).contains(FindingCode.BORROWED_NEUTRAL);

        deeds.add(new PracticeAction.Report(FindingCode.BORROWED_NEUTRAL));
        assertThat(run(wall, deeds).marks().isAccepted()).isTrue();
        assertThat(run(wall, List.of(new PracticeAction.Report(FindingCode.EARTH_AS_NEUTRAL)))
                        .marks()
                        .isAccepted())
                .isFalse();
        PracticeWall sound = wall(PracticeLevel.TWO_CIRCUITS, false);
        assertThat(run(sound, List.of(new PracticeAction.Report(FindingCode.BORROWED_NEUTRAL)))
                        .marks()
                        .isAccepted())
                .isFalse();
    }

    /** A fact of the trade, common practice, no source: a non-contact pen beeps at a traveller that floats. */
    @Example
    void aPenBeepsAtAFloatingTravellerAndATwoPoleTesterDoesNot() {
        PracticeWall wall = wall(PracticeLevel.TWO_SWITCHES, false);
        List<String> travellers = wall.truth().entrySet().stream()
                .filter(e -> e.getValue() == ConductorRole.TRAVELLER)
                .map(Map.Entry::getKey)
                .toList();
        int floating = 0;
        for (String core : travellers) {
            for (List<PracticeAction> before :
                    List.<List<PracticeAction>>of(List.of(), List.of(new PracticeAction.Flip("B")))) {
                List<PracticeAction> deeds = new ArrayList<>(before);
                deeds.add(new PracticeAction.TestToEarth(core));
                deeds.add(new PracticeAction.Pen(core));
                List<PracticeRun.LogLine> log = run(wall, deeds).log();
                boolean dead = log.get(log.size() - 2).words().endsWith("0 V")
                        && !log.get(log.size() - 2).words().contains("230");
                floating += dead && log.get(log.size() - 1).words().endsWith("beeps") ? 1 : 0;
            }
        }
        assertThat(floating).isPositive();
    }

    @Example
    void whatCannotBeDoneIsSaid() {
        PracticeWall wall = wall(PracticeLevel.ONE_SWITCH, false);
        String circuit = wall.circuits().get(0).label();

        assertThatThrownBy(() -> run(wall, List.of(new PracticeAction.Lock(circuit))))
                .isInstanceOf(NotPossible.class)
                .hasMessageContaining("Switch it off");
        assertThatThrownBy(() -> run(wall, List.of(new PracticeAction.NamesDone())))
                .hasMessageContaining("has no name");
        assertThatThrownBy(() -> run(wall, List.of(new PracticeAction.TestContinuity("A/c1.1", "A/c2.1"))))
                .hasMessageContaining("Free");
        assertThatThrownBy(() -> run(wall, List.of(new PracticeAction.Finish())))
                .hasMessageContaining("Choose");
        assertThatThrownBy(() -> run(wall, List.of(new PracticeAction.Pen("A/c9.9"))))
                .hasMessageContaining("no core");
        List<PracticeAction> locked = List.of(
                new PracticeAction.Breaker(circuit, false),
                new PracticeAction.Lock(circuit),
                new PracticeAction.Breaker(circuit, true));
        assertThatThrownBy(() -> run(wall, locked)).hasMessageContaining("locked");
    }
}
