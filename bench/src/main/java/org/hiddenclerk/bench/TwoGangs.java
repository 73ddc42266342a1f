package org.hiddenclerk.bench;

import java.math.BigDecimal;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
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
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.CableTemplate;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.HouseContext;
import org.hiddenclerk.core.wiring.scheme.Assignment;

/** A two-gang box with a two-channel module, as the product plans it. */
final class TwoGangs {
    private static final CircuitId CIRCUIT = new CircuitId("4");
    private static final BigDecimal MM2 = new BigDecimal("2.5");

    private TwoGangs() {}

    static WiringPlan plan() {
        return plan(2);
    }

    /** A box with one or two gangs. */
    static WiringPlan plan(int gangs) {
        HouseContext house = new HouseContext(
                RegionProfile.EU_230, Map.of(CIRCUIT, new Circuit(CIRCUIT, "4", Amps.of(10), Line.L1, false)));
        Box box = box(gangs, List.of(), List.of());
        for (int cable = 0; cable <= gangs; cable++) {
            CableTemplate template = new CableTemplate(RegionProfile.EU_230, box);
            CableTemplate.Draft draft = cable == 0 ? template.feed(CIRCUIT) : template.toLoad(cable);
            List<org.hiddenclerk.core.job.Cable> cables = new java.util.ArrayList<>(box.cables());
            cables.add(draft.cable());
            List<org.hiddenclerk.core.job.Jumper> jumpers = new java.util.ArrayList<>(box.jumpers());
            jumpers.addAll(draft.jumpers());
            box = box(gangs, cables, jumpers);
        }
        return WiringPlan.of(
                house,
                box,
                List.of(new Assignment(module(), gangs == 1 ? List.of(1) : List.of(1, 2), Map.of(), Optional.empty())));
    }

    private static Box box(
            int gangs, List<org.hiddenclerk.core.job.Cable> cables, List<org.hiddenclerk.core.job.Jumper> jumpers) {
        return new Box(
                "B",
                new BoxGeometry(Millimetres.of(131), Millimetres.of(60), Millimetres.of(61), false),
                List.of(gang(1), gang(2)).subList(0, gangs),
                List.of(load(1, "3x2 LED 7"), load(2, "2 LED 7")).subList(0, gangs),
                cables,
                jumpers);
    }

    private static Gang gang(int number) {
        return new Gang(number, "gang " + number, Mechanism.ONE_WAY, Millimetres.of(22), CIRCUIT);
    }

    private static SurveyedLoad load(int number, String typed) {
        return new SurveyedLoad(
                number, "lamp " + number, typed, ((LoadText.Understood) LoadText.read(typed)).banks(), number, false);
    }

    private static ModuleModel module() {
        List<ContactRating> ratings = List.of(ContactRating.watts(LoadKind.LED_LAMP, 150));
        return new ModuleModel(
                "M",
                "Bench",
                "two channels",
                Protocol.ZIGBEE,
                Purpose.LIGHTS,
                new ModuleSupply.LineNeutral("L", "N", 90, OptionalDouble.of(265), 0.7),
                List.of(new Channel("1", "L", "O1", ratings), new Channel("2", "L", "O2", ratings)),
                List.of(
                        Input.single("1", "S1", "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "1"),
                        Input.single("2", "S2", "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "2")),
                Set.of(InputBehaviour.EVERY_FLIP),
                false,
                Optional.empty(),
                List.of(
                        new Terminal("L", 2, MM2),
                        new Terminal("N", 1, MM2),
                        new Terminal("O1", 1, MM2),
                        new Terminal("O2", 1, MM2),
                        new Terminal("S1", 1, MM2),
                        new Terminal("S2", 1, MM2)),
                Optional.of(new Body(Millimetres.of(42), Millimetres.of(38), Millimetres.of(16))),
                Set.of("EU"),
                false,
                true,
                java.util.OptionalInt.of(1),
                Optional.empty(),
                DataSheet.EMPTY);
    }
}
