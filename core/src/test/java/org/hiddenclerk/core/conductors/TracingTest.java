package org.hiddenclerk.core.conductors;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.lang.management.ManagementFactory;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import net.jqwik.api.Example;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.hiddenclerk.core.electrical.WiringCheck;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.NodeId;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.job.RegionProfile;

/** Circuits that nobody has seen, found out by following the next test. */
class TracingTest {
    private static final int MOST_TESTS = 30;

    @Property(tries = 150)
    void truthfulAnswersAlwaysSolveIt(@ForAll Random random) {
        HiddenCircuit hidden = HiddenCircuit.any(random, 1);
        List<Reading.Answered> readings = new ArrayList<>();
        Traced traced = trace(hidden, readings);
        while (traced.nextTest().isPresent()) {
            assertThat(readings).as(() -> hidden.topology() + readings).hasSizeLessThan(MOST_TESTS);
            Traced.NextTest next = traced.nextTest().get();
            boolean answer = hidden.answer(next.reading());
            readings.add(new Reading.Answered(next.reading(), answer));
            int foretold = answer ? next.leavesIfTrue() : next.leavesIfFalse();
            traced = trace(hidden, readings);
            assertThat(traced.possible()).as("as many as foretold").hasSize(foretold);
        }
        if (!traced.done()) {
            int open = traced.possible().size();
            for (Reading reading : YardstickTest.everyReading(hidden.board())) {
                List<Reading.Answered> more = new ArrayList<>(readings);
                more.add(new Reading.Answered(reading, hidden.answer(reading)));
                assertThat(trace(hidden, more).possible())
                        .as("no reading tells these apart: %s", reading)
                        .hasSize(open);
            }
        }
    }

    private static Traced trace(HiddenCircuit hidden, List<Reading.Answered> readings) {
        Traced traced = Tracing.of(hidden.board(), RegionProfile.EU_230, readings);
        assertThat(traced.possible())
                .as("the truth is never dropped: %s after %s", hidden.topology(), readings)
                .anySatisfy(p -> {
                    assertThat(p.topology()).isEqualTo(hidden.topology());
                    assertThat(p.roles()).isEqualTo(hidden.roles());
                });
        traced.certain().forEach((core, role) -> assertThat(role)
                .as("certain of %s", core)
                .isEqualTo(hidden.roles().get(core)));
        return traced;
    }

    /** A false answer among many is found out, or does no harm; where nothing is read twice over it cannot be. */
    @Property(tries = 40)
    void oneFalseAnswerAmongManyIsFoundOut(@ForAll Random random) {
        HiddenCircuit hidden = HiddenCircuit.any(random, 0);
        List<Reading.Answered> readings = new ArrayList<>();
        for (Reading reading : YardstickTest.everyReading(hidden.board())) {
            if (!(reading instanceof Reading.Continuous) || random.nextInt(4) == 0) {
                readings.add(new Reading.Answered(reading, hidden.answer(reading)));
            }
        }
        int lie = random.nextInt(readings.size());
        readings.set(
                lie,
                new Reading.Answered(
                        readings.get(lie).reading(), !readings.get(lie).value()));
        Traced traced = Tracing.of(hidden.board(), RegionProfile.EU_230, readings);

        assertThat(traced.contradictions())
                .as("every set that cannot hold together has the false answer in it")
                .allSatisfy(set -> assertThat(set).contains(lie));
        if (traced.contradictions().isEmpty()) {
            traced.certain().forEach((core, role) -> assertThat(role)
                    .as("%s after the false %s", core, readings.get(lie))
                    .isEqualTo(hidden.roles().get(core)));
        }
    }

    /** No second truth: what is foretold to be live is what the electrical core finds live. */
    @Property(tries = 60)
    void liveReadingsAreThoseOfTheElectricalCore(@ForAll Random random) {
        HiddenCircuit hidden = HiddenCircuit.any(random, 1);
        Map<SwitchingState, List<NodeId>> live = WiringCheck.liveNodes(hidden.wiring());
        live.forEach((state, nodes) -> {
            if (state.switches().size() == hidden.board().boxes().size()) {
                for (SeenCore core : hidden.board().cores()) {
                    boolean floating = core.at().isAlone();
                    if (!floating) {
                        assertThat(hidden.answer(new Reading.Live(core.id(), state.switches())))
                                .as(core + " " + state)
                                .isEqualTo(nodes.contains(hidden.node(core.id())));
                    }
                }
            }
        });
    }

    private static OpenedBox box(String id, Mechanism mechanism, boolean removed, String... cores) {
        List<SeenCore> seen = new ArrayList<>();
        for (String core : cores) {
            String[] words = core.split(" ");
            seen.add(new SeenCore(id + "#" + (seen.size() + 1), words[0], words[1], Termination.read(words[2])));
        }
        return new OpenedBox(id, Optional.ofNullable(mechanism), removed, seen);
    }

    private static Traced trace(OpenedBox... boxes) {
        return Tracing.of(new Board(List.of(boxes)), RegionProfile.EU_230, List.of());
    }

    private static Set<String> topologies(Traced traced) {
        return traced.possible().stream().map(Traced.Possibility::topology).collect(Collectors.toSet());
    }

    /** A fact of the trade, common practice, no source: a third core of a switch loop may be an unused neutral. */
    @Example
    void aNeutralHiddenBehindTheSwitchIsFound() {
        OpenedBox box = box("A", Mechanism.ONE_WAY, false, "c1 brown COM", "c1 black L1", "c1 blue capped");
        Traced traced = trace(box);

        assertThat(topologies(traced)).containsExactly("ONE_WAY_SWITCH_LOOP");
        assertThat(traced.possible())
                .extracting(p -> p.roles().get("A#3"))
                .contains(ConductorRole.NEUTRAL, ConductorRole.SPARE);
        Reading back = new Reading.Returns("A#3", Map.of("A", 0));
        assertThat(Tracing.of(new Board(List.of(box)), RegionProfile.EU_230, List.of(new Reading.Answered(back, true)))
                        .certain())
                .containsEntry("A#3", ConductorRole.NEUTRAL);
    }

    @Example
    void coresOfASwitchThatIsOffMayBeWhatStoodOnIt() {
        Traced traced = trace(box("A", null, true, "c1 brown loose", "c1 black loose", "c1 green-yellow loose"));

        assertThat(topologies(traced)).containsExactly("ONE_WAY_SWITCH_LOOP");
        assertThat(traced.possible()).hasSize(2);
        assertThat(traced.certain()).containsEntry("A#3", ConductorRole.EARTH);
    }

    @Example
    void anOpenedLampPlaceSaysWhereTheCablesGo() {
        Traced traced = trace(
                box("A", Mechanism.ONE_WAY, false, "c1 brown COM", "c2 brown L1", "c1 blue joint:1", "c2 blue joint:1"),
                box("L", null, false, "c1 brown lamp:L", "c1 blue lamp:N"));

        assertThat(topologies(traced)).containsExactly("ONE_WAY_FEED_AT_SWITCH");
        assertThat(traced.certain())
                .containsEntry("L#1", ConductorRole.SWITCHED_LIVE)
                .containsEntry("L#2", ConductorRole.NEUTRAL);
    }

    @Example
    void twoGangsThatShareAFeedAreTracedTogether() {
        Traced traced = trace(
                box("A.1", Mechanism.ONE_WAY, false, "feed brown COM", "w brown COM", "lamp1 black L1"),
                box("A.2", Mechanism.ONE_WAY, false, "w brown COM", "lamp2 black L1"));

        assertThat(topologies(traced)).containsExactly("ONE_WAY_FEED_AT_SWITCH+ONE_WAY_FEED_AT_SWITCH");
        assertThat(traced.certain())
                .containsEntry("A.1#1", ConductorRole.PERMANENT_LIVE)
                .containsEntry("A.1#2", ConductorRole.PERMANENT_LIVE)
                .containsEntry("A.1#3", ConductorRole.SWITCHED_LIVE);
        assertThat(traced.possible())
                .as("the second gang may be fed on either terminal")
                .hasSize(2);
    }

    @Example
    void aBoardOfManyBoxesIsRefusedInTime() {
        OpenedBox[] boxes = new OpenedBox[12];
        for (int i = 0; i < boxes.length; i++) {
            boxes[i] = box("B" + i, Mechanism.TWO_WAY, false, "a brown COM", "b black L1", "c grey L2");
        }
        long began = ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime();

        assertThatThrownBy(() -> trace(boxes)).isInstanceOf(Tracing.TooMany.class);
        assertThat(ManagementFactory.getThreadMXBean().getCurrentThreadCpuTime() - began)
                .as("bounded work, with much room")
                .isLessThan(60_000_000_000L);
    }

    @Example
    void manyCircuitsOfOneSwitchAreNoBurden() {
        OpenedBox[] boxes = new OpenedBox[8];
        for (int i = 0; i < boxes.length; i++) {
            boxes[i] = box("B" + i, Mechanism.ONE_WAY, false, "a brown COM", "a black L1");
        }
        Traced traced = trace(boxes);

        assertThat(traced.possible()).hasSize(1 << 8);
        assertThat(traced.nextTest()).isPresent();
    }

    @Example
    void aBoardThatNothingFitsIsToldSo() {
        Traced traced = trace(box("A", Mechanism.ONE_WAY, false, "c1 brown COM"));

        assertThat(traced.possible()).isEmpty();
        assertThat(traced.contradictions()).isEmpty();
        assertThat(traced.done()).isFalse();
    }
}
