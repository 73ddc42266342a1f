package org.hiddenclerk.core.testing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.catalogue.Protocol;
import org.hiddenclerk.core.catalogue.Purpose;
import org.hiddenclerk.core.catalogue.Terminal;
import org.hiddenclerk.core.electrical.Channel;
import org.hiddenclerk.core.electrical.ContactRating;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.electrical.LoadKind;
import org.hiddenclerk.core.electrical.ModuleSupply;
import org.hiddenclerk.core.quantity.Millimetres;

/** Modules for tests, of which only what matters is stated. */
public final class Modules {
    private static final BigDecimal MM2 = new BigDecimal("4");

    private Modules() {
    }

    /** With neutral; single-pin inputs read against the live. */
    public static ModuleModel withNeutral(int channels, int liveTakes, ContactRating... ratings) {
        List<Terminal> terminals = new ArrayList<>(List.of(new Terminal("L", liveTakes, MM2), new Terminal("N", 1, MM2)));
        List<Input> inputs = new ArrayList<>();
        for (int i = 1; i <= channels; i++) {
            terminals.add(new Terminal("O" + i, 1, MM2));
            terminals.add(new Terminal("S" + i, 1, MM2));
            inputs.add(Input.single("" + i, "S" + i, "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "" + i));
        }
        return model("N" + channels, new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 0.6), channels,
                inputs, terminals, ratings);
    }

    /** With neutral; every switch across a pair of extra-low-voltage pins with one common. */
    public static ModuleModel withElvInputs(int channels, ContactRating... ratings) {
        List<Terminal> terminals = new ArrayList<>(List.of(new Terminal("L", 1, MM2), new Terminal("N", 1, MM2),
                new Terminal("SC", 2, MM2)));
        List<Input> inputs = new ArrayList<>();
        for (int i = 1; i <= channels; i++) {
            terminals.add(new Terminal("O" + i, 1, MM2));
            terminals.add(new Terminal("S" + i, 1, MM2));
            inputs.add(Input.pair("" + i, "S" + i, "SC", Input.Potential.ELV, InputBehaviour.EVERY_FLIP, "" + i));
        }
        return model("E" + channels, new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 1.2), channels,
                inputs, terminals, ratings);
    }

    /** Without neutral, one channel, the switch across a pair. */
    public static ModuleModel twoWire(double minimumLoadWatts, ContactRating... ratings) {
        List<Terminal> terminals = List.of(new Terminal("L", 1, MM2), new Terminal("O1", 1, MM2),
                new Terminal("S1", 1, MM2), new Terminal("S2", 1, MM2));
        return model("T1", new ModuleSupply.TwoWire("L", "O1", 90, OptionalDouble.of(265), 4, minimumLoadWatts), 1,
                List.of(Input.pair("1", "S1", "S2", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "1")), terminals,
                ratings);
    }

    /** A rating of 150 W for LED lamps and 10 A for resistive loads. */
    public static ContactRating[] usualRatings() {
        return new ContactRating[] {ContactRating.watts(LoadKind.LED_LAMP, 150),
                ContactRating.amps(LoadKind.RESISTIVE, 10)};
    }

    private static ModuleModel model(String code, ModuleSupply supply, int channels, List<Input> inputs,
                                     List<Terminal> terminals, ContactRating... ratings) {
        List<Channel> contacts = new ArrayList<>();
        for (int i = 1; i <= channels; i++) {
            contacts.add(new Channel("" + i, "L", "O" + i, List.of(ratings)));
        }
        return new ModuleModel(code, "Test", "for tests", Protocol.ZIGBEE, Purpose.LIGHTS, supply, contacts, inputs,
                Set.of(InputBehaviour.EVERY_FLIP, InputBehaviour.POSITION_RULES, InputBehaviour.PRESS_CHANGES), false,
                Optional.empty(), terminals, Millimetres.of(42), Millimetres.of(37), Millimetres.of(16),
                Set.of("EU", "UK", "US"), false, true, 2000);
    }
}
