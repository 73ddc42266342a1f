package org.hiddenclerk.app.stage.live;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.UUID;
import org.hiddenclerk.app.stage.planning.PlannedHouses;
import org.hiddenclerk.app.testing.Person;
import org.hiddenclerk.app.testing.WithDatabase;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.electrical.operation.Installation;
import org.hiddenclerk.core.electrical.operation.Operations;
import org.hiddenclerk.core.electrical.operation.Operations.Positions;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.live.Carrier;
import org.hiddenclerk.core.live.Hand;
import org.hiddenclerk.core.live.LiveHouse;
import org.hiddenclerk.core.live.LivePlan;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.RuleRunner;
import org.hiddenclerk.core.rules.RuledHouse;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;

/**
 * Every planned wiring of the demo house, worked at random in a house that runs, does what the proof of the wiring
 * says of the same deeds.
 */
@WithDatabase
class PlannedWiringsTest {
    private static final int DEEDS = 60;
    private static final long GAP_MS = 3_000;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private PlannedHouses planned;

    @Test
    void aHouseThatRunsDoesWhatTheProofSays() {
        PlannedHouses.Planned house = planned.of(UUID.fromString(new Person(mvc).demoJob()));
        int walked = 0;
        for (LivePlan.WatchedWiring run : house.runs()) {
            Map<Positions, Map<String, Positions>> operations = Operations.of(run.wiring());
            if (!operations.isEmpty() && run.wiring().parts().stream().anyMatch(Part.FittedModule.class::isInstance)) {
                walk(house, run, operations);
                walked++;
            }
        }
        assertThat(walked).isGreaterThan(5);
    }

    private static void walk(
            PlannedHouses.Planned house,
            LivePlan.WatchedWiring run,
            Map<Positions, Map<String, Positions>> operations) {
        LivePlan plan = new LivePlan(
                new RuledHouse(house.devices(), List.of(), List.of()),
                List.of(run),
                Map.of(),
                house.worksAt(),
                Map.of(),
                Delays.USUAL,
                Optional.empty());
        LiveHouse live = new LiveHouse(plan, Instant.EPOCH, Carrier.NONE, happening -> {});
        live.pass(GAP_MS);
        Installation installation = new Installation(run.wiring());
        Map<String, Integer> state = new HashMap<>();
        operations
                .keySet()
                .forEach(positions -> positions.byElement().keySet().forEach(element -> state.put(element, 0)));
        Random random = new Random(5);
        List<String> deeds = new ArrayList<>();
        for (int i = 0; i < DEEDS; i++) {
            Map<String, Positions> possible = operations.get(own(operations, state));
            List<String> ways = possible.keySet().stream()
                    .filter(way -> !way.equals(Operations.BLINK) && canBeOrdered(live, run, way))
                    .sorted()
                    .toList();
            String way = ways.get(random.nextInt(ways.size()));
            deeds.add(way);
            work(live, run, way, state.get(way) == 1);
            live.pass(live.now() + GAP_MS);
            state.putAll(possible.get(way).byElement());
            Set<String> closed = new HashSet<>();
            state.forEach((element, position) -> {
                if (position == 1) {
                    closed.add(element);
                }
            });
            Installation.Standing expected = installation.at(closed, Set.of(), Set.of());
            run.lamps().forEach((part, lamp) -> assertThat(
                            live.lamps().get(lamp.id()).state())
                    .as("%s after %s in %s", part, deeds, run.id())
                    .isEqualTo(expected.loads().get(part).state()));
        }
    }

    /** States are listed by cluster: the one whose elements these are. */
    private static Positions own(Map<Positions, Map<String, Positions>> operations, Map<String, Integer> state) {
        return operations.keySet().stream()
                .filter(positions ->
                        state.entrySet().containsAll(positions.byElement().entrySet()))
                .findFirst()
                .orElseThrow();
    }

    /** A blind is ordered as a whole; a channel without a lamp has no output. */
    private static boolean canBeOrdered(LiveHouse live, LivePlan.WatchedWiring run, String way) {
        if (!way.contains("/")) {
            return true;
        }
        PartId module = new PartId(way.substring(0, way.indexOf('/')));
        boolean blind = run.wiring().parts().stream()
                .anyMatch(part -> part.id().equals(module)
                        && part instanceof Part.FittedModule fitted
                        && fitted.inputs().stream().anyMatch(input -> input.behaviour() == InputBehaviour.UP_DOWN));
        return !blind && live.outputs().containsKey(new OutputId(run.id() + "/" + way));
    }

    private static void work(LiveHouse live, LivePlan.WatchedWiring run, String way, boolean on) {
        if (way.contains("/")) {
            live.remote(new RuleRunner.Order.Level(new OutputId(run.id() + "/" + way), on ? 0 : 100));
        } else {
            boolean push = run.wiring().parts().stream()
                    .anyMatch(part -> part.id().value().equals(way)
                            && part instanceof Part.Switch mechanism
                            && mechanism.mechanism().isPush());
            live.hand(new Hand(run.switches().get(new PartId(way)), push ? Hand.Doing.PRESS : Hand.Doing.FLIP));
        }
    }
}
