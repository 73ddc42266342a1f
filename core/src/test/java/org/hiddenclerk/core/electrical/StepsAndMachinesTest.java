package org.hiddenclerk.core.electrical;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.Event;
import org.hiddenclerk.core.behaviour.Event.Type;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Machine;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.behaviour.State;
import org.hiddenclerk.core.electrical.operation.Operations;
import org.hiddenclerk.core.electrical.operation.Operations.Positions;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** The proof of a wiring steps as the machines do that run on a clock. */
class StepsAndMachinesTest {
    private static final ModuleSupply MAINS = new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 1);
    private static final List<ContactRating> RATINGS = List.of(ContactRating.watts(LoadKind.LED_LAMP, 150));
    private static final Parameters PARAMETERS =
            new Parameters(30, Contact.OPEN, false, 10_000_000, 10_000_000, false, 20, 400, 1, PowerOn.OFF);
    private static final long GAP_MS = 200;
    private static final int DEEDS = 200;

    private final Random random = new Random(11);
    private final List<Event> events = new ArrayList<>();
    private long now;

    private static Positions next(Wiring wiring, Positions from, String what) {
        return Operations.of(wiring).get(from).get(what);
    }

    private State machineAfter(Machine machine, List<Contact> contacts) {
        return machine.run(machine.start(contacts, false, Motion.STOP), events, now + GAP_MS / 2)
                .state();
    }

    private void happen(Type deed, int input) {
        events.add(new Event(now, deed, input));
    }

    @ParameterizedTest
    @CsvSource({
        "PRESS_CHANGES,ONE_WAY",
        "PRESS_CHANGES,PUSH_MAKE",
        "POSITION_RULES,ONE_WAY",
        "POSITION_RULES,PUSH_MAKE",
        "EVERY_FLIP,ONE_WAY",
        "EVERY_FLIP,PUSH_MAKE",
        "RUN_ON,ONE_WAY",
        "RUN_ON,PUSH_MAKE",
        "REPORT_ONLY,ONE_WAY",
        "SHORT_LONG,ONE_WAY",
        "SHORT_LONG,PUSH_MAKE"
    })
    void oneInput(InputBehaviour behaviour, Mechanism mechanism) {
        Wiring wiring = Wirings.mains()
                .mechanism("S1", mechanism, "COM=l", "L1=s")
                .module(
                        "K1",
                        MAINS,
                        List.of(new Channel("1", "L", "O1", RATINGS)),
                        List.of(Input.single("1", "S1", "L", Input.Potential.MAINS, behaviour, "1")),
                        "L=l",
                        "N=n",
                        "O1=o",
                        "S1=s")
                .lamp("X1", 13, "o", "n")
                .build();
        Machine machine = new Machine(behaviour, PARAMETERS);
        Positions state = new Positions(Map.of("S1", 0, "K1/1", 0));
        for (int i = 0; i < DEEDS; i++) {
            now += GAP_MS;
            if (random.nextInt(3) > 0) {
                boolean closed = state.byElement().get("S1") == 1;
                happen(closed ? Type.OPEN : Type.CLOSE, 1);
                if (mechanism.isPush()) {
                    now += GAP_MS;
                    happen(closed ? Type.CLOSE : Type.OPEN, 1);
                }
                state = next(wiring, state, "S1");
            } else {
                happen(Type.REMOTE_TOGGLE, 1);
                state = next(wiring, state, "K1/1");
            }
            assertThat(state.byElement().get("K1/1") == 1)
                    .as("deed %d", i)
                    .isEqualTo(machineAfter(machine, List.of(Contact.OPEN)).relay());
        }
    }

    @ParameterizedTest
    @EnumSource(value = InputBehaviour.class, names = "SUPPLY_BLINK")
    void blinks(InputBehaviour behaviour) {
        Input blink = new Input(
                "1", List.of(), Optional.empty(), Input.Potential.MAINS, behaviour, Optional.of("1"), Optional.empty());
        Wiring wiring = Wirings.mains()
                .mechanism("S1", Mechanism.TWO_WAY, "COM=l", "L1=x", "L2=x")
                .module(
                        "K1",
                        MAINS,
                        List.of(new Channel("1", "L", "O1", RATINGS)),
                        List.of(blink),
                        "L=x",
                        "N=n",
                        "O1=o")
                .lamp("X1", 13, "o", "n")
                .build();
        Machine machine = new Machine(behaviour, PARAMETERS);
        Positions state = new Positions(Map.of("S1", 0, "K1/1", 0));
        for (int i = 0; i < DEEDS; i++) {
            now += GAP_MS;
            if (random.nextInt(3) > 0) {
                happen(Type.SUPPLY_LOST, 1);
                now += 50;
                happen(Type.SUPPLY_BACK, 1);
                state = next(wiring, state, random.nextBoolean() ? "S1" : Operations.BLINK);
            } else {
                happen(Type.REMOTE_TOGGLE, 1);
                state = next(wiring, state, "K1/1");
            }
            assertThat(state.byElement().get("K1/1") == 1)
                    .as("deed %d", i)
                    .isEqualTo(machineAfter(machine, List.of(Contact.OPEN)).relay());
        }
    }

    @ParameterizedTest
    @EnumSource(value = InputBehaviour.class, names = "UP_DOWN")
    void twoInputs(InputBehaviour behaviour) {
        Wiring wiring = Wirings.mains()
                .mechanism("S1", Mechanism.ONE_WAY, "COM=l", "L1=s")
                .mechanism("S2", Mechanism.ONE_WAY, "COM=l", "L1=t")
                .blindModule(
                        "K1",
                        MAINS,
                        List.of(new Channel("1", "L", "O1", RATINGS), new Channel("2", "L", "O2", RATINGS)),
                        List.of(
                                Input.single("1", "S1", "L", Input.Potential.MAINS, behaviour, "1"),
                                Input.single("2", "S2", "L", Input.Potential.MAINS, behaviour, "2")),
                        "L=l",
                        "N=n",
                        "O1=o",
                        "O2=p",
                        "S1=s",
                        "S2=t")
                .lamp("X1", 13, "o", "n")
                .lamp("X2", 13, "p", "n")
                .build();
        Machine machine = new Machine(behaviour, PARAMETERS);
        Positions state = new Positions(Map.of("S1", 0, "S2", 0, "K1/1", 0, "K1/2", 0));
        for (int i = 0; i < DEEDS; i++) {
            now += GAP_MS;
            int input = 1 + random.nextInt(2);
            if (random.nextInt(3) > 0) {
                happen(state.byElement().get("S" + input) == 1 ? Type.OPEN : Type.CLOSE, input);
                state = next(wiring, state, "S" + input);
            } else {
                boolean goes = state.byElement().get("K1/" + input) == 1;
                happen(goes ? Type.REMOTE_STOP : input == 1 ? Type.REMOTE_UP : Type.REMOTE_DOWN, 1);
                state = next(wiring, state, "K1/" + input);
            }
            Motion motion = Motion.of(
                    state.byElement().get("K1/1") == 1, state.byElement().get("K1/2") == 1);
            assertThat(motion)
                    .as("deed %d", i)
                    .isEqualTo(machineAfter(machine, List.of(Contact.OPEN, Contact.OPEN))
                            .motion());
        }
    }
}
