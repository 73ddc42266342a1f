package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.BiPredicate;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.hiddenclerk.core.electrical.operation.Installation;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.electrical.solving.Neighbourhood;
import org.hiddenclerk.core.electrical.solving.TruthTable;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.wiring.Plans;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** A wiring in use, and what is asked of its truth table, beside the rows of that table one by one. */
class InUseTest {
    static Stream<Map.Entry<String, Wiring>> plans() {
        return Plans.ofUsualBoxes(RegionProfile.EU_230).entrySet().stream();
    }

    @ParameterizedTest
    @MethodSource("plans")
    void standsAsItsRowSays(Map.Entry<String, Wiring> plan) {
        Installation installation = new Installation(plan.getValue());
        for (TruthTable.Row row : WiringCheck.of(plan.getValue()).truthTable()) {
            Installation.Standing standing = installation.at(closed(row.state()), Set.of(), Set.of());
            row.loads().forEach((load, reading) -> assertThat(standing.loads().get(new PartId(load)))
                    .as("%s in %s", load, row.state())
                    .isEqualTo(reading));
            row.modules()
                    .forEach((module, reading) -> assertThat(standing.modules().get(new PartId(module)))
                            .as("%s in %s", module, row.state())
                            .isEqualTo(reading));
            assertThat(standing.tripped())
                    .as("%s", row.state())
                    .isEqualTo(!row.shorts().isEmpty());
        }
    }

    /** With every circuit off no lamp burns and no module runs, and what was off comes back as it was. */
    @ParameterizedTest
    @MethodSource("plans")
    void nothingRunsWithItsCircuitsOff(Map.Entry<String, Wiring> plan) {
        Installation installation = new Installation(plan.getValue());
        Set<String> circuits = plan.getValue().parts().stream()
                .flatMap(part -> part instanceof Part.Supply supply ? Stream.of(supply.circuit()) : Stream.empty())
                .collect(Collectors.toSet());
        Set<String> all = everything(plan.getValue());
        Installation.Standing before = installation.at(all, Set.of(), Set.of());
        Installation.Standing off = installation.at(all, Set.of(), circuits);
        assertThat(off.loads().values())
                .allSatisfy(reading -> assertThat(reading).isEqualTo(new TruthTable.LoadReading(0, LoadState.OFF)));
        assertThat(off.modules().values()).allSatisfy(reading -> {
            assertThat(reading.powered()).isFalse();
            assertThat(reading.inputs().values()).doesNotContain(true);
        });
        assertThat(off.tripped()).isFalse();
        assertThat(installation.at(all, Set.of(), Set.of())).isEqualTo(before);
    }

    @Test
    void aSwitchOnItsWayTouchesNeitherSide() {
        Installation installation = new Installation(Wirings.mains()
                .mechanism("S1", Mechanism.TWO_WAY, "COM=l", "L1=a", "L2=b")
                .lamp("X1", 9, "a", "n")
                .lamp("X2", 9, "b", "n")
                .build());
        assertThat(lit(installation.at(Set.of(), Set.of(), Set.of()))).containsExactly("X1");
        assertThat(lit(installation.at(Set.of("S1"), Set.of(), Set.of()))).containsExactly("X2");
        assertThat(lit(installation.at(Set.of("S1"), Set.of("S1"), Set.of()))).isEmpty();
        assertThat(lit(installation.at(Set.of(), Set.of("S1"), Set.of()))).isEmpty();
    }

    @Test
    void aLiveThatIsLedOntoNeutralTrips() {
        Installation installation = new Installation(Wirings.mains()
                .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=n")
                .lamp("X1", 9, "l", "n")
                .build());
        assertThat(installation.at(Set.of(), Set.of(), Set.of()).tripped()).isFalse();
        Installation.Standing shorted = installation.at(Set.of("S1"), Set.of(), Set.of());
        assertThat(shorted.tripped()).isTrue();
        assertThat(lit(shorted)).isEmpty();
    }

    @ParameterizedTest
    @MethodSource("plans")
    void theTableNamesWhatOneSwitchOrChannelAloneChanges(Map.Entry<String, Wiring> plan) {
        TruthTable table = WiringCheck.of(plan.getValue()).truthTable();
        assertThat(plan.getValue().parts())
                .as("a switch or a channel of every plan turns a lamp on and off")
                .anyMatch(part -> part instanceof Part.Load
                                && !table.controlsOf(part.id()).isEmpty()
                        || part instanceof Part.FittedModule module
                                && !table.loadsOf(
                                                part.id(),
                                                module.channels().get(0).id())
                                        .isEmpty());
        for (Part part : plan.getValue().parts()) {
            String id = part.id().value();
            if (part instanceof Part.Load) {
                assertThat(table.controlsOf(part.id()))
                        .extracting(PartId::value)
                        .as("controls of %s", id)
                        .containsExactlyInAnyOrderElementsOf(
                                changers(table, SwitchingState::switches, (one, other) -> turns(one, other, id)));
            }
            if (part instanceof Part.FittedModule module) {
                assertThat(table.suppliedThrough(part.id()))
                        .extracting(PartId::value)
                        .as("supply of %s", id)
                        .containsExactlyInAnyOrderElementsOf(changers(
                                table,
                                SwitchingState::switches,
                                (one, other) -> isSupplied(one, id) != isSupplied(other, id)));
                module.inputs().forEach(input -> assertThat(table.readBy(part.id(), input.id()))
                        .extracting(PartId::value)
                        .as("read by %s of %s", input.id(), id)
                        .containsExactlyInAnyOrderElementsOf(changers(
                                table, SwitchingState::switches, (one, other) -> reads(one, other, id, input.id()))));
                module.channels().forEach(channel -> {
                    Set<String> loads = new TreeSet<>();
                    plan.getValue().parts().stream()
                            .filter(Part.Load.class::isInstance)
                            .map(load -> load.id().value())
                            .filter(load -> changers(
                                            table, SwitchingState::channels, (one, other) -> turns(one, other, load))
                                    .contains(id + "/" + channel.id()))
                            .forEach(loads::add);
                    assertThat(table.loadsOf(part.id(), channel.id()))
                            .extracting(PartId::value)
                            .as("loads of %s", channel.id())
                            .containsExactlyInAnyOrderElementsOf(loads);
                });
            }
        }
    }

    /** Two lamps with a switch each on one circuit: each is judged alone, and stands as it does in the whole. */
    @Test
    void whatMeetsOnlyAtASupplyIsLeftOut() {
        Wiring whole = Wirings.mains()
                .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=a")
                .conductor("c1", "a", "a2")
                .lamp("X1", 9, "a2", "n")
                .mechanism("S2", Mechanism.ONE_WAY, "COM=l", "L1=b")
                .lamp("X2", 9, "b", "n")
                .intent("X1", false, "S1")
                .intent("X2", false, "S2")
                .build();
        Wiring near = Neighbourhood.of(whole, 1, id -> id.value().equals("X1"));
        assertThat(near.parts())
                .extracting(part -> part.id().value())
                .contains("F1", "N1", "S1", "c1", "X1")
                .doesNotContain("S2", "X2");
        assertThat(near.intents()).extracting(intent -> intent.load().value()).containsExactly("X1");
        assertThat(readings(near, "X1"))
                .isEqualTo(Map.of(
                        Map.of("S1", 0), new TruthTable.LoadReading(0, LoadState.OFF),
                        Map.of("S1", 1), new TruthTable.LoadReading(230, LoadState.ON)));
        assertThat(Neighbourhood.of(whole, 2, id -> id.value().equals("X1")))
                .as("small enough to be judged whole")
                .isEqualTo(whole);
        assertThat(codes(near)).as("no end in the air").isEqualTo(codes(whole));
    }

    /** Lamps behind a switch of both, and in series: what can change the other stays. */
    @Test
    void whatCanChangeTheOtherStays() {
        Wiring whole = Wirings.mains()
                .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=a")
                .mechanism("S2", Mechanism.ONE_WAY, "COM=a", "L1=b")
                .lamp("X1", 9, "a", "n")
                .lamp("X2", 9, "b", "m")
                .bypass("B1", 20, "m", "n")
                .build();
        assertThat(Neighbourhood.of(whole, 0, id -> id.value().equals("X1")).parts())
                .containsExactlyElementsOf(whole.parts());
    }

    private static Map<Map<String, Integer>, TruthTable.LoadReading> readings(Wiring wiring, String load) {
        Map<Map<String, Integer>, TruthTable.LoadReading> readings = new HashMap<>();
        WiringCheck.of(wiring)
                .truthTable()
                .forEach(row -> readings.put(row.state().switches(), row.loads().get(load)));
        return readings;
    }

    private static Set<String> codes(Wiring wiring) {
        return WiringCheck.of(wiring).findings().stream()
                .map(finding -> finding.code().name())
                .collect(Collectors.toSet());
    }

    private static boolean isSupplied(TruthTable.Row row, String module) {
        return row.modules().containsKey(module) && row.modules().get(module).powered();
    }

    private static boolean turns(TruthTable.Row one, TruthTable.Row other, String load) {
        if (!one.loads().containsKey(load)) {
            return false;
        }
        LoadState before = one.loads().get(load).state();
        LoadState after = other.loads().get(load).state();
        return before.isLit() && after == LoadState.OFF || after.isLit() && before == LoadState.OFF;
    }

    private static boolean reads(TruthTable.Row one, TruthTable.Row other, String module, String input) {
        if (!one.modules().containsKey(module)) {
            return false;
        }
        TruthTable.ModuleReading before = one.modules().get(module);
        TruthTable.ModuleReading after = other.modules().get(module);
        return before.powered()
                && after.powered()
                && !before.inputs().get(input).equals(after.inputs().get(input));
    }

    /** What makes a difference somewhere when it alone is put over; in a state that is shorted nothing is read. */
    private static Set<String> changers(
            TruthTable table,
            Function<SwitchingState, Map<String, Integer>> what,
            BiPredicate<TruthTable.Row, TruthTable.Row> differ) {
        Set<String> changers = new TreeSet<>();
        for (TruthTable.Row one : table) {
            for (TruthTable.Row other : table) {
                Set<String> moved = moved(one.state(), other.state());
                if (moved.size() == 1
                        && !one.loads().isEmpty()
                        && !other.loads().isEmpty()) {
                    String id = moved.iterator().next();
                    if (what.apply(one.state()).containsKey(id)
                            && one.loads().keySet().equals(other.loads().keySet())
                            && one.modules().keySet().equals(other.modules().keySet())
                            && differ.test(one, other)) {
                        changers.add(id);
                    }
                }
            }
        }
        return changers;
    }

    private static Set<String> moved(SwitchingState one, SwitchingState other) {
        Map<String, Integer> before = positions(one);
        Map<String, Integer> after = positions(other);
        if (!before.keySet().equals(after.keySet())) {
            return Set.of();
        }
        return before.keySet().stream()
                .filter(id -> !before.get(id).equals(after.get(id)))
                .collect(Collectors.toSet());
    }

    private static Map<String, Integer> positions(SwitchingState state) {
        Map<String, Integer> positions = new LinkedHashMap<>(state.switches());
        positions.putAll(state.channels());
        return positions;
    }

    private static Set<String> closed(SwitchingState state) {
        return positions(state).entrySet().stream()
                .filter(position -> position.getValue() == 1)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    private static Set<String> everything(Wiring wiring) {
        Set<String> all = new HashSet<>();
        WiringCheck.of(wiring)
                .truthTable()
                .forEach(row -> all.addAll(positions(row.state()).keySet()));
        return all;
    }

    private static List<String> lit(Installation.Standing standing) {
        return standing.loads().entrySet().stream()
                .filter(load -> load.getValue().state() == LoadState.ON)
                .map(load -> load.getKey().value())
                .toList();
    }
}
