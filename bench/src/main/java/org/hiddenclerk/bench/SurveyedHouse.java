package org.hiddenclerk.bench;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.Random;
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
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CableTemplate;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.house.HouseSurvey;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** Surveyed houses and stock books of any size, the same for the same seed. */
final class SurveyedHouse {
    private static final BigDecimal MM2 = new BigDecimal("2.5");
    private static final String[] LOADS = {
        "LED 7",
        "2 LED 7",
        "3x2 LED 7",
        "LED 12",
        "4 LED 9",
        "LED 30",
        "2 LED 18",
        "halogen 50",
        "2 halogen 35",
        "LED driver 30",
        "fan 45",
        "LED 5"
    };
    private static final int[] DEPTHS = {46, 61, 66};

    private SurveyedHouse() {}

    /**
     * A house in which of ten positions four stand alone, four are in boxes for two, and two are switch loops without neutral.
     */
    static HouseSurvey of(int positions, long seed) {
        Random random = new Random(seed);
        Map<CircuitId, Circuit> circuits = new LinkedHashMap<>();
        for (int i = 1; i <= 12; i++) {
            CircuitId id = new CircuitId("" + i);
            circuits.put(
                    id, new Circuit(id, "" + i, Amps.of(10), new Line[] {Line.L1, Line.L2, Line.L3}[i % 3], false));
        }
        Map<String, Box> boxes = new LinkedHashMap<>();
        Map<String, String> rooms = new LinkedHashMap<>();
        int made = 0;
        while (made < positions) {
            int kind = made % 10;
            int gangs = kind >= 4 && kind < 8 && positions - made >= 2 ? 2 : 1;
            String id = "b" + boxes.size();
            boxes.put(
                    id,
                    box("B-" + boxes.size(), gangs, kind >= 8, new CircuitId("" + (1 + random.nextInt(12))), random));
            rooms.put(id, "r" + boxes.size() / 4);
            made += gangs;
        }
        return new HouseSurvey(new HouseContext(RegionProfile.EU_230, circuits), boxes, rooms);
    }

    private static Box box(String label, int gangs, boolean loop, CircuitId circuit, Random random) {
        int depth = DEPTHS[random.nextInt(DEPTHS.length)];
        List<Gang> all = new ArrayList<>();
        List<SurveyedLoad> loads = new ArrayList<>();
        for (int number = 1; number <= gangs; number++) {
            all.add(new Gang(number, "gang " + number, Mechanism.ONE_WAY, Millimetres.of(22), circuit));
            String typed = LOADS[random.nextInt(LOADS.length)];
            loads.add(new SurveyedLoad(
                    number,
                    "lamp " + number,
                    typed,
                    ((LoadText.Understood) LoadText.read(typed)).banks(),
                    number,
                    false));
        }
        BoxGeometry room = new BoxGeometry(
                Millimetres.of(60 + 71L * (gangs - 1)),
                Millimetres.of(60),
                Millimetres.of(depth),
                false,
                Optional.empty(),
                true);
        Box box = new Box(label, BoxKind.WALL, Optional.of(room), all, loads, List.of(), List.of());
        for (int cable = loop ? 1 : 0; cable <= gangs; cable++) {
            CableTemplate template = new CableTemplate(RegionProfile.EU_230, box);
            CableTemplate.Draft draft =
                    loop ? template.loop(cable) : cable == 0 ? template.feed(circuit) : template.toLoad(cable);
            List<Cable> cables = new ArrayList<>(box.cables());
            cables.add(draft.cable());
            List<Jumper> jumpers = new ArrayList<>(box.jumpers());
            jumpers.addAll(draft.jumpers());
            box = new Box(label, BoxKind.WALL, Optional.of(room), all, loads, cables, jumpers);
        }
        return box;
    }

    /** A stock book: half with one channel and neutral, a quarter with two, a quarter two-wire; ten ways of being wired in a hundred. */
    static List<ModuleModel> stock(int modules, long seed) {
        Random random = new Random(seed);
        List<ModuleModel> models = new ArrayList<>();
        for (int i = 0; i < modules; i++) {
            models.add(module(i, random));
        }
        return models;
    }

    private static ModuleModel module(int number, Random random) {
        int kind = number % 4;
        int channels = kind == 1 ? 2 : 1;
        boolean twoWire = kind == 3;
        int led = 60 + 30 * random.nextInt(8);
        List<ContactRating> ratings = new ArrayList<>(List.of(
                ContactRating.amps(LoadKind.RESISTIVE, 5 + random.nextInt(6)),
                ContactRating.watts(LoadKind.LED_LAMP, led),
                ContactRating.watts(LoadKind.HALOGEN, 400)));
        if (random.nextInt(3) > 0) {
            ratings.add(ContactRating.watts(LoadKind.LED_DRIVER, led));
            ratings.add(ContactRating.watts(LoadKind.MOTOR, 200));
        }
        List<Channel> contacts = new ArrayList<>();
        List<Input> inputs = new ArrayList<>();
        List<Terminal> terminals = new ArrayList<>(List.of(new Terminal("L", 1 + random.nextInt(2), MM2)));
        if (!twoWire) {
            terminals.add(new Terminal("N", 1, MM2));
        }
        for (int c = 1; c <= channels; c++) {
            contacts.add(new Channel("" + c, "L", "O" + c, ratings));
            terminals.add(new Terminal("O" + c, 1, MM2));
            terminals.add(new Terminal("S" + c, 1, MM2));
            inputs.add(
                    twoWire
                            ? Input.pair(
                                    "" + c, "S" + c, "T" + c, Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "" + c)
                            : Input.single(
                                    "" + c, "S" + c, "L", Input.Potential.MAINS, InputBehaviour.EVERY_FLIP, "" + c));
            if (twoWire) {
                terminals.add(new Terminal("T" + c, 1, MM2));
            }
        }
        double watts = 0.4 + 0.2 * random.nextInt(3);
        ModuleSupply supply = twoWire
                ? new ModuleSupply.TwoWire("L", "O1", 100, OptionalDouble.of(265), 4, 20)
                : new ModuleSupply.LineNeutral("L", "N", 100, OptionalDouble.of(265), watts);
        Protocol protocol = Protocol.values()[random.nextInt(Protocol.values().length)];
        Body body = new Body(
                Millimetres.of(40 + random.nextInt(9)),
                Millimetres.of(36 + random.nextInt(5)),
                Millimetres.of(11 + random.nextInt(9)));
        return new ModuleModel(
                "M" + number,
                "maker " + number % 5,
                "bench module",
                protocol,
                Purpose.LIGHTS,
                supply,
                contacts,
                inputs,
                Set.of(InputBehaviour.EVERY_FLIP),
                false,
                Optional.empty(),
                terminals,
                Optional.of(body),
                Set.of("EU"),
                false,
                true,
                OptionalInt.of(1_200 + random.nextInt(2_500)),
                Optional.empty(),
                DataSheet.EMPTY);
    }
}
