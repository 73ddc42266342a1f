package org.hiddenclerk.core.testing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;

/** Modules for tests, of which only what matters is stated. */
public final class Modules {
    private static final BigDecimal MM2 = new BigDecimal("4");
    private static final Body BODY = new Body(Millimetres.of(42), Millimetres.of(37), Millimetres.of(16));

    private Modules() {}

    /** With neutral; single-pin inputs read against the live. */
    public static ModuleModel withNeutral(int channels, int liveTakes, ContactRating... ratings) {
        List<Terminal> terminals =
                new ArrayList<>(List.of(new Terminal("L", liveTakes, MM2), new Terminal("N", 1, MM2)));
        List<Input> inputs = new ArrayList<>();
        for (int i = 1; i <= channels; i++) {
            terminals.add(new Terminal("O" + i, 1, MM2));
            terminals.add(new Terminal("S" + i, 1, MM2));
            inputs.add(Input.single("" + i, "S" + i, "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "" + i));
        }
        return model(
                "N" + channels,
                new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 0.6),
                channels,
                inputs,
                terminals,
                ratings);
    }

    /** With neutral; every switch across a pair of extra-low-voltage pins with one common. */
    public static ModuleModel withElvInputs(int channels, ContactRating... ratings) {
        List<Terminal> terminals = new ArrayList<>(
                List.of(new Terminal("L", 1, MM2), new Terminal("N", 1, MM2), new Terminal("SC", 2, MM2)));
        List<Input> inputs = new ArrayList<>();
        for (int i = 1; i <= channels; i++) {
            terminals.add(new Terminal("O" + i, 1, MM2));
            terminals.add(new Terminal("S" + i, 1, MM2));
            inputs.add(Input.pair("" + i, "S" + i, "SC", Input.Potential.ELV, InputBehaviour.EVERY_FLIP, "" + i));
        }
        return model(
                "E" + channels,
                new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 1.2),
                channels,
                inputs,
                terminals,
                ratings);
    }

    /** Without neutral, one channel, the switch across a pair. */
    public static ModuleModel twoWire(double minimumLoadWatts, ContactRating... ratings) {
        return twoWire(1, minimumLoadWatts, ratings);
    }

    /** Without neutral; the supply goes over the first output. */
    public static ModuleModel twoWire(int channels, double minimumLoadWatts, ContactRating... ratings) {
        List<Terminal> terminals = new ArrayList<>(List.of(new Terminal("L", channels, MM2)));
        List<Input> inputs = new ArrayList<>();
        for (int i = 1; i <= channels; i++) {
            terminals.add(new Terminal("O" + i, 1, MM2));
            String first = "S" + (2 * i - 1);
            String second = "S" + 2 * i;
            terminals.add(new Terminal(first, 1, MM2));
            terminals.add(new Terminal(second, 1, MM2));
            inputs.add(Input.pair("" + i, first, second, Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "" + i));
        }
        return model(
                "T" + channels,
                new ModuleSupply.TwoWire("L", "O1", 90, OptionalDouble.of(265), 4, minimumLoadWatts),
                channels,
                inputs,
                terminals,
                ratings);
    }

    /** A rating of 150 W for LED lamps and 10 A for resistive loads. */
    public static ContactRating[] usualRatings() {
        return new ContactRating[] {
            ContactRating.watts(LoadKind.LED_LAMP, 150), ContactRating.amps(LoadKind.RESISTIVE, 10)
        };
    }

    /** One channel with neutral and an input for each of several switches. */
    public static ModuleModel withInputs(int inputs) {
        ModuleModel one = withNeutral(1, 2, generous());
        List<Terminal> terminals = new ArrayList<>(one.terminals());
        List<Input> all = new ArrayList<>(one.inputs());
        for (int i = 2; i <= inputs; i++) {
            terminals.add(new Terminal("S" + i, 1, MM2));
            all.add(Input.single("" + i, "S" + i, "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "1"));
        }
        return model("N1x" + inputs, one.supply(), Purpose.LIGHTS, one.channels(), all, terminals);
    }

    /** One channel with neutral that counts breaks of its supply. */
    public static ModuleModel blinking() {
        ModuleModel one = withNeutral(1, 2, generous());
        return model("NB", one.supply(), Purpose.LIGHTS, one.channels(), one.inputs(), one.terminals());
    }

    /** The lamp end of a split pair: no inputs. */
    public static ModuleModel receiver() {
        ModuleModel one = withNeutral(1, 2, generous());
        return model(
                "RL",
                one.supply(),
                Purpose.RECEIVER,
                one.channels(),
                List.of(),
                one.terminals().stream().filter(t -> !t.name().startsWith("S")).toList());
    }

    public static ModuleModel sender() {
        return sender(1);
    }

    /** A sender with a pair of pins for each switch. */
    public static ModuleModel sender(int inputs) {
        List<Input> pairs = new ArrayList<>();
        List<Terminal> terminals = new ArrayList<>(List.of(new Terminal("COM", 1, MM2), new Terminal("L1", 1, MM2)));
        for (int i = 1; i <= inputs; i++) {
            List<String> pins = List.of("S" + (2 * i - 1), "S" + 2 * i);
            pairs.add(new Input(
                    String.valueOf(i),
                    pins,
                    Optional.empty(),
                    Input.Potential.MAINS,
                    InputBehaviour.EVERY_FLIP,
                    Optional.empty(),
                    Optional.empty()));
            pins.forEach(pin -> terminals.add(new Terminal(pin, 1, MM2)));
        }
        return model(
                inputs == 1 ? "SE" : "SE" + inputs,
                new ModuleSupply.TwoWire("COM", "L1", 0, OptionalDouble.of(265), 1, 0),
                Purpose.SENDER,
                List.of(),
                pairs,
                terminals);
    }

    public static ModuleModel heavy() {
        ModuleModel one = withNeutral(
                1,
                2,
                ContactRating.amps(LoadKind.RESISTIVE, 25),
                ContactRating.amps(LoadKind.HEATER, 25),
                ContactRating.amps(LoadKind.SOCKET, 16));
        return model("NH", one.supply(), Purpose.HEAVY_LOADS, one.channels(), one.inputs(), one.terminals());
    }

    public static ModuleModel blind() {
        ModuleModel two = withNeutral(2, 2, generous());
        List<Input> inputs = two.inputs().stream()
                .map(i -> new Input(
                        i.id(),
                        i.pins(),
                        i.activeWith(),
                        i.potential(),
                        InputBehaviour.UP_DOWN,
                        i.channel(),
                        i.target()))
                .toList();
        return new ModuleModel(
                "BL",
                "Test",
                "for tests",
                Protocol.ZIGBEE,
                Purpose.BLINDS,
                two.supply(),
                two.channels(),
                inputs,
                Set.of(InputBehaviour.UP_DOWN),
                true,
                Optional.empty(),
                two.terminals(),
                two.body(),
                two.markets(),
                false,
                true,
                OptionalInt.of(2000),
                Optional.empty(),
                DataSheet.EMPTY);
    }

    public static ModuleModel fanAndLight() {
        ModuleModel two = withNeutral(2, 2, generous());
        return model("FL", two.supply(), Purpose.FAN_AND_LIGHT, two.channels(), two.inputs(), two.terminals());
    }

    public static ModuleModel voltFree() {
        ModuleModel one = withNeutral(1, 2, generous());
        List<Terminal> terminals = new ArrayList<>(one.terminals());
        terminals.add(new Terminal("C", 1, MM2));
        return model(
                "VF",
                one.supply(),
                Purpose.VOLT_FREE,
                List.of(new Channel("1", "C", "O1", List.of(ContactRating.watts(LoadKind.DOOR_INPUT, 50)))),
                one.inputs(),
                terminals);
    }

    public static ModuleModel direct(double minVolts, double maxVolts) {
        return model(
                "DC",
                new ModuleSupply.DirectCurrent("+", "-", minVolts, OptionalDouble.of(maxVolts), 0.6),
                Purpose.EXTRA_LOW_VOLTAGE,
                List.of(new Channel("1", "+", "O1", List.of(generous()))),
                List.of(Input.single("1", "S1", "-", Input.Potential.ELV, InputBehaviour.EVERY_FLIP, "1")),
                List.of(
                        new Terminal("+", 2, MM2),
                        new Terminal("-", 2, MM2),
                        new Terminal("O1", 1, MM2),
                        new Terminal("S1", 1, MM2)));
    }

    /** Ratings for every kind of load that the runs of the tests have. */
    public static ContactRating[] generous() {
        return new ContactRating[] {
            ContactRating.watts(LoadKind.LED_LAMP, 150),
            ContactRating.amps(LoadKind.RESISTIVE, 10),
            ContactRating.watts(LoadKind.MOTOR, 300),
            ContactRating.watts(LoadKind.BLIND_MOTOR, 300),
            ContactRating.watts(LoadKind.ELV_STRIP, 100),
            ContactRating.watts(LoadKind.LED_DRIVER, 100)
        };
    }

    private static ModuleModel model(
            String code,
            ModuleSupply supply,
            Purpose purpose,
            List<Channel> contacts,
            List<Input> inputs,
            List<Terminal> terminals) {
        return new ModuleModel(
                code,
                "Test",
                "for tests",
                Protocol.ZIGBEE,
                purpose,
                supply,
                contacts,
                inputs,
                Set.of(
                        InputBehaviour.EVERY_FLIP,
                        InputBehaviour.POSITION_RULES,
                        InputBehaviour.PRESS_CHANGES,
                        InputBehaviour.SUPPLY_BLINK),
                false,
                Optional.empty(),
                terminals,
                Optional.of(BODY),
                Set.of("EU", "UK", "US"),
                false,
                true,
                OptionalInt.of(2000),
                Optional.empty(),
                DataSheet.EMPTY);
    }

    private static ModuleModel model(
            String code,
            ModuleSupply supply,
            int channels,
            List<Input> inputs,
            List<Terminal> terminals,
            ContactRating... ratings) {
        List<Channel> contacts = new ArrayList<>();
        for (int i = 1; i <= channels; i++) {
            contacts.add(new Channel("" + i, "L", "O" + i, List.of(ratings)));
        }
        return new ModuleModel(
                code,
                "Test",
                "for tests",
                Protocol.ZIGBEE,
                Purpose.LIGHTS,
                supply,
                contacts,
                inputs,
                Set.of(InputBehaviour.EVERY_FLIP, InputBehaviour.POSITION_RULES, InputBehaviour.PRESS_CHANGES),
                false,
                Optional.empty(),
                terminals,
                Optional.of(BODY),
                Set.of("EU", "UK", "US"),
                false,
                true,
                OptionalInt.of(2000),
                Optional.empty(),
                DataSheet.EMPTY);
    }

    /** The same with another data sheet. */
    public static ModuleModel with(ModuleModel m, DataSheet sheet) {
        return new ModuleModel(
                m.code(),
                m.maker(),
                m.name(),
                m.protocol(),
                m.purpose(),
                m.supply(),
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
                sheet);
    }

    /** The same with another code, price and size. */
    public static ModuleModel as(ModuleModel m, String code, int priceCents, Body body) {
        return new ModuleModel(
                code,
                m.maker(),
                m.name(),
                m.protocol(),
                m.purpose(),
                m.supply(),
                m.channels(),
                m.inputs(),
                m.behaviours(),
                m.interlocked(),
                m.totalAmps(),
                m.terminals(),
                Optional.of(body),
                m.markets(),
                m.metering(),
                m.worksWithoutInternet(),
                OptionalInt.of(priceCents),
                m.blink(),
                m.sheet());
    }

    /** The same with a limit to what all its channels carry together. */
    public static ModuleModel limited(ModuleModel m, Amps total) {
        return new ModuleModel(
                m.code(),
                m.maker(),
                m.name(),
                m.protocol(),
                m.purpose(),
                m.supply(),
                m.channels(),
                m.inputs(),
                m.behaviours(),
                m.interlocked(),
                Optional.of(total),
                m.terminals(),
                m.body(),
                m.markets(),
                m.metering(),
                m.worksWithoutInternet(),
                m.priceCents(),
                m.blink(),
                m.sheet());
    }
}
