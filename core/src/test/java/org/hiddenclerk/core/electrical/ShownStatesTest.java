package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.SwitchingState;
import org.hiddenclerk.core.testing.Depth;
import org.hiddenclerk.core.wiring.Plans;
import org.junit.jupiter.api.Test;

/** A counter-example shows what its finding says: every state of a finding, frozen and judged by itself, shows it again. */
class ShownStatesTest {
    private static final long SEED = 31_337;
    private static final int MUTANTS = Depth.of(200, 5_000);
    /** Codes that one row shows; those of pairs of rows and of whole tables have no row to freeze. */
    private static final Set<FindingCode> OF_A_ROW = EnumSet.of(
            FindingCode.SHORT_LIVE_NEUTRAL,
            FindingCode.SHORT_LIVE_EARTH,
            FindingCode.PHASES_JOINED,
            FindingCode.MAINS_ON_ELV,
            FindingCode.OVER_VOLTAGE,
            FindingCode.REVERSED_POLARITY,
            FindingCode.EARTH_AS_NEUTRAL,
            FindingCode.BORROWED_NEUTRAL,
            FindingCode.LIVE_END_OPEN,
            FindingCode.CONDUCTOR_OVERLOAD,
            FindingCode.CIRCUIT_OVERLOAD,
            FindingCode.BOTH_DIRECTIONS_ON,
            FindingCode.SECOND_FEED,
            FindingCode.EARTH_MISSING,
            FindingCode.LIVE_ON_EARTH_PIN,
            FindingCode.SUPPLY_ON_INPUT,
            FindingCode.LOADS_IN_SERIES,
            FindingCode.GHOST_GLOW,
            FindingCode.TWO_CIRCUITS);

    @Test
    void everyStateShowsWhatItsFindingSays() {
        Random random = new Random(SEED);
        List<Map.Entry<String, Wiring>> plans = List.copyOf(Plans.ofEveryKind().entrySet());
        int replayed = 0;
        for (int i = 0; i < MUTANTS; i++) {
            Map.Entry<String, Wiring> plan = plans.get(random.nextInt(plans.size()));
            Mutants.Mutant mutant = Mutants.of(plan.getValue(), random);
            for (Finding finding : WiringCheck.of(mutant.wiring()).findings()) {
                for (SwitchingState state :
                        OF_A_ROW.contains(finding.code()) ? finding.states() : List.<SwitchingState>of()) {
                    replayed++;
                    List<Finding> alone =
                            WiringCheck.of(frozen(mutant.wiring(), state)).findings();
                    assertThat(alone)
                            .as(plan.getKey() + ", " + mutant.words() + ": " + finding.reason() + " in " + state)
                            .anyMatch(f ->
                                    f.code() == finding.code() && f.subject().equals(finding.subject()));
                }
            }
        }
        assertThat(replayed).isGreaterThan(500);
        System.out.println("states of findings frozen and judged again: " + replayed);
    }

    /** The wiring with everything that moves where the state has it, for good. */
    private static Wiring frozen(Wiring wiring, SwitchingState state) {
        List<Part> parts = new ArrayList<>();
        for (Part part : wiring.parts()) {
            Integer position = state.switches().get(part.id().value());
            if (part instanceof Part.Switch mechanism && position != null) {
                join(mechanism, mechanism.mechanism().contacts(position), parts);
            } else if (part instanceof Part.FittedModule module) {
                parts.add(new Part.FittedModule(
                        module.id(),
                        module.supply(),
                        module.channels().stream()
                                .map(c -> new Channel(c.id(), c.from(), c.to(), c.ratings()))
                                .toList(),
                        module.inputs(),
                        true,
                        module.pins()));
                module.channels().stream()
                        .filter(c -> state.channels().getOrDefault(module.id() + "/" + c.id(), 0) == 1)
                        .forEach(c -> parts.add(new Part.Link(
                                new PartId("closed " + module.id() + "/" + c.id()),
                                Map.of(
                                        "a",
                                        module.pins().get(c.from()),
                                        "b",
                                        module.pins().get(c.to())))));
            } else {
                parts.add(part);
            }
        }
        return new Wiring(wiring.supply(), parts, wiring.intents());
    }

    private static void join(Part.Switch mechanism, List<Mechanism.Contact> contacts, List<Part> parts) {
        for (Mechanism.Contact contact : contacts) {
            if (mechanism.pins().containsKey(contact.from()) && mechanism.pins().containsKey(contact.to())) {
                parts.add(new Part.Link(
                        new PartId("closed " + mechanism.id() + contact),
                        Map.of(
                                "a",
                                mechanism.pins().get(contact.from()),
                                "b",
                                mechanism.pins().get(contact.to()))));
            }
        }
        // What the mechanism touches stays touched, so that no end becomes a bare one.
        mechanism
                .pins()
                .forEach((pin, node) -> parts.add(new Part.Switch(
                        new PartId("rest " + mechanism.id() + pin), Mechanism.ONE_WAY, Map.of("COM", node))));
    }
}
