package org.hiddenclerk.core.practice;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.LoadBank;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** Makes up the wall of a level. */
final class WallMaker {
    private static final BigDecimal MM2 = new BigDecimal("1.5");
    private static final BoxGeometry INSIDE =
            new BoxGeometry(Millimetres.of(131), Millimetres.of(71), Millimetres.of(66), false);
    private static final String NEUTRALS = "j.1";
    private static final String EARTHS = "j.earth";
    /** The lamp that is to be commanded. */
    private static final String LAMP = "Lamp 1";

    private final PracticeLevel level;
    private final long seed;
    private final Random random;
    private final Map<String, Draft> boxes = new LinkedHashMap<>();
    private final Map<String, ConductorRole> truth = new LinkedHashMap<>();
    private final List<Circuit> circuits = new ArrayList<>();
    private final boolean oddColours;

    private static final class Draft {
        private final List<Gang> gangs = new ArrayList<>();
        private final List<SurveyedLoad> loads = new ArrayList<>();
        private final List<Cable> cables = new ArrayList<>();
    }

    /** A core of a cable with its ends at both places; the second is empty where it leaves the boxes. */
    private record Wire(ConductorRole role, String here, String there) {}

    WallMaker(PracticeLevel level, long seed) {
        this.level = level;
        this.seed = seed;
        random = new Random(seed * 31 + level.ordinal());
        random.nextInt();
        oddColours = level != PracticeLevel.ONE_SWITCH && (level == PracticeLevel.ODD_COLOURS || random.nextBoolean());
        List<Integer> numbers = new ArrayList<>(List.of(2, 3, 4, 5, 6, 7, 8, 9));
        Collections.shuffle(numbers, random);
        for (int i = 0; i < (level == PracticeLevel.TWO_CIRCUITS ? 2 : 1); i++) {
            String label = numbers.get(i).toString();
            Line phase = List.of(Line.L1, Line.L2, Line.L3).get(random.nextInt(3));
            circuits.add(new Circuit(new CircuitId(label), label, Amps.of(10), phase, false));
        }
    }

    PracticeWall wall() {
        switch (level) {
            case ONE_SWITCH, ODD_COLOURS -> oneWay();
            case TWO_SWITCHES -> changeOver(List.of("A", "B"));
            case THREE_SWITCHES -> changeOver(List.of("A", "B", "C"));
            case THREE_STRAPPER -> threeStrapper();
            case TWO_CIRCUITS -> twoCircuits();
        }
        Map<String, Box> built = new LinkedHashMap<>();
        boxes.forEach((id, draft) -> built.put(
                id,
                new Box(
                        "Box " + id,
                        BoxKind.WALL,
                        Optional.of(INSIDE),
                        draft.gangs,
                        draft.loads,
                        draft.cables,
                        List.of())));
        Map<CircuitId, Circuit> byId = new LinkedHashMap<>();
        circuits.forEach(circuit -> byId.put(circuit.id(), circuit));
        return new PracticeWall(level, seed, new HouseContext(RegionProfile.EU_230, byId), built, truth, LAMP);
    }

    private void oneWay() {
        box("A");
        gang("A", "Switch", Mechanism.ONE_WAY, 0);
        lamp("A", LAMP, 1);
        boolean onCommon = random.nextBoolean();
        String live = onCommon ? "g1.COM" : "g1.L1";
        String switched = onCommon ? "g1.L1" : "g1.COM";
        boolean hidden = level == PracticeLevel.ODD_COLOURS && random.nextBoolean();
        if (random.nextBoolean()) {
            feed("A", 0, live, hidden ? "capped" : NEUTRALS);
            List<Wire> lamp = new ArrayList<>(List.of(new Wire(ConductorRole.SWITCHED_LIVE, switched, "")));
            if (!hidden) {
                lamp.add(new Wire(ConductorRole.NEUTRAL, NEUTRALS, ""));
            }
            toLamp("A", 1, lamp);
        } else {
            List<Wire> loop = new ArrayList<>(List.of(
                    new Wire(ConductorRole.PERMANENT_LIVE, live, ""),
                    new Wire(ConductorRole.SWITCHED_LIVE, switched, "")));
            if (hidden) {
                loop.add(new Wire(ConductorRole.NEUTRAL, "capped", ""));
            }
            loop.add(new Wire(ConductorRole.EARTH, EARTHS, ""));
            cable("A", new Leads.ToLoadWithFeed(1, circuits.get(0).id()), loop);
        }
    }

    private void changeOver(List<String> chain) {
        for (int i = 0; i < chain.size(); i++) {
            box(chain.get(i));
            boolean end = i == 0 || i == chain.size() - 1;
            gang(chain.get(i), "Switch " + chain.get(i), end ? Mechanism.TWO_WAY : Mechanism.INTERMEDIATE, 0);
        }
        List<String> way = new ArrayList<>(chain);
        if (random.nextBoolean()) {
            Collections.reverse(way);
        }
        String first = way.get(0);
        String last = way.get(way.size() - 1);
        boolean together = random.nextBoolean();
        lamp(together ? first : last, LAMP, 1);
        boolean returning = random.nextBoolean();
        if (together) {
            feed(first, 0, returning ? "g1.COM" : "j.2", NEUTRALS);
            toLamp(
                    first,
                    1,
                    List.of(
                            new Wire(ConductorRole.SWITCHED_LIVE, returning ? "j.2" : "g1.COM", ""),
                            new Wire(ConductorRole.NEUTRAL, NEUTRALS, "")));
        } else {
            feed(first, 0, "g1.COM", NEUTRALS);
            toLamp(
                    last,
                    1,
                    List.of(
                            new Wire(ConductorRole.SWITCHED_LIVE, "g1.COM", ""),
                            new Wire(ConductorRole.NEUTRAL, NEUTRALS, "")));
        }
        for (int i = 0; i + 1 < way.size(); i++) {
            boolean near = i == 0;
            boolean far = i + 2 == way.size();
            List<Wire> wires = new ArrayList<>();
            boolean crossed = random.nextBoolean();
            wires.add(new Wire(
                    ConductorRole.TRAVELLER,
                    near ? "g1.L1" : "g1.B1",
                    far ? crossed ? "g1.L2" : "g1.L1" : crossed ? "g1.A2" : "g1.A1"));
            wires.add(new Wire(
                    ConductorRole.TRAVELLER,
                    near ? "g1.L2" : "g1.B2",
                    far ? crossed ? "g1.L1" : "g1.L2" : crossed ? "g1.A1" : "g1.A2"));
            if (together) {
                ConductorRole third = returning ? ConductorRole.SWITCHED_LIVE : ConductorRole.PERMANENT_LIVE;
                wires.add(new Wire(third, near ? "j.2" : "j.3", far ? "g1.COM" : "j.3"));
            } else {
                wires.add(new Wire(ConductorRole.NEUTRAL, NEUTRALS, NEUTRALS));
            }
            between(way.get(i), way.get(i + 1), wires);
        }
    }

    private void threeStrapper() {
        box("A");
        box("B");
        gang("A", "Switch A", Mechanism.TWO_WAY, 0);
        gang("B", "Switch B", Mechanism.TWO_WAY, 0);
        boolean feedAtA = random.nextBoolean();
        boolean lampAtA = random.nextBoolean();
        String fed = feedAtA ? "A" : "B";
        String lit = lampAtA ? "A" : "B";
        lamp(lit, LAMP, 1);
        boolean crossed = random.nextBoolean();
        int onThrow = 1 + random.nextInt(2);
        String[] atA = {"g1.L" + onThrow, "g1.L" + (3 - onThrow)};
        String[] atB = crossed ? new String[] {atA[1], atA[0]} : atA;
        feed(fed, 0, (feedAtA ? atA : atB)[0], NEUTRALS);
        toLamp(
                lit,
                1,
                List.of(
                        new Wire(ConductorRole.SWITCHED_LIVE, (lampAtA ? atA : atB)[1], ""),
                        new Wire(ConductorRole.NEUTRAL, NEUTRALS, "")));
        List<Wire> wires = new ArrayList<>(List.of(
                new Wire(ConductorRole.STRAP, "g1.COM", "g1.COM"),
                new Wire(ConductorRole.TRAVELLER, atA[0], atB[0]),
                new Wire(ConductorRole.TRAVELLER, atA[1], atB[1])));
        if (!fed.equals(lit)) {
            wires.add(new Wire(ConductorRole.NEUTRAL, NEUTRALS, NEUTRALS));
        }
        between("A", "B", wires);
    }

    private void twoCircuits() {
        box("A");
        gang("A", "Left", Mechanism.ONE_WAY, 0);
        gang("A", "Right", Mechanism.ONE_WAY, 1);
        lamp("A", LAMP, 1);
        lamp("A", "Lamp 2", 2);
        boolean borrowed = random.nextBoolean();
        feed("A", 0, "g1.COM", NEUTRALS);
        feed("A", 1, "g2.COM", borrowed ? "capped" : "j.2");
        toLamp(
                "A",
                1,
                List.of(
                        new Wire(ConductorRole.SWITCHED_LIVE, "g1.L1", ""),
                        new Wire(ConductorRole.NEUTRAL, NEUTRALS, "")));
        toLamp(
                "A",
                2,
                List.of(
                        new Wire(ConductorRole.SWITCHED_LIVE, "g2.L1", ""),
                        new Wire(ConductorRole.NEUTRAL, borrowed ? NEUTRALS : "j.2", "")));
    }

    private void box(String id) {
        boxes.put(id, new Draft());
    }

    private void gang(String box, String name, Mechanism mechanism, int circuit) {
        List<Gang> gangs = boxes.get(box).gangs;
        gangs.add(new Gang(
                gangs.size() + 1,
                name,
                mechanism,
                Millimetres.of(22),
                circuits.get(circuit).id()));
    }

    private void lamp(String box, String name, int gang) {
        List<SurveyedLoad> loads = boxes.get(box).loads;
        int watts = 24 + 4 * random.nextInt(6);
        loads.add(new SurveyedLoad(
                loads.size() + 1,
                name,
                "LED " + watts,
                List.of(new LoadBank(LoadKind.LED_LAMP, 1, Watts.of(watts), new BigDecimal("0.9"))),
                gang,
                false));
    }

    private void feed(String box, int circuit, String live, String neutral) {
        cable(
                box,
                new Leads.FromSupply(circuits.get(circuit).id()),
                List.of(
                        new Wire(ConductorRole.PERMANENT_LIVE, live, ""),
                        new Wire(ConductorRole.NEUTRAL, neutral, ""),
                        new Wire(ConductorRole.EARTH, EARTHS, "")));
    }

    private void toLamp(String box, int load, List<Wire> wires) {
        List<Wire> all = new ArrayList<>(wires);
        all.add(new Wire(ConductorRole.EARTH, EARTHS, ""));
        cable(box, new Leads.ToLoad(load), all);
    }

    private void cable(String box, Leads leads, List<Wire> wires) {
        Draft draft = boxes.get(box);
        String name = "c" + (draft.cables.size() + 1);
        draft.cables.add(new Cable(name, leads, MM2, cores(box, name, wires, colours(wires), true)));
    }

    private void between(String a, String b, List<Wire> wires) {
        List<Wire> all = new ArrayList<>(wires);
        all.add(new Wire(ConductorRole.EARTH, EARTHS, EARTHS));
        List<CoreColour> colours = colours(all);
        String atA = "c" + (boxes.get(a).cables.size() + 1);
        String atB = "c" + (boxes.get(b).cables.size() + 1);
        boxes.get(a).cables.add(new Cable(atA, new Leads.ToBox(b, atB), MM2, cores(a, atA, all, colours, true)));
        boxes.get(b).cables.add(new Cable(atB, new Leads.ToBox(a, atA), MM2, cores(b, atB, all, colours, false)));
    }

    private List<Core> cores(String box, String cable, List<Wire> wires, List<CoreColour> colours, boolean first) {
        List<Core> cores = new ArrayList<>();
        for (int i = 0; i < wires.size(); i++) {
            Wire wire = wires.get(i);
            cores.add(new Core(
                    i + 1,
                    colours.get(i),
                    Optional.empty(),
                    surveyed(wire.role()),
                    End.ofKey(first ? wire.here() : wire.there())));
            truth.put(SurveyedBoard.coreId(box, cable + "." + (i + 1)), wire.role());
        }
        return cores;
    }

    private static Role surveyed(ConductorRole role) {
        return SurveyedBoard.surveyRole(role);
    }

    /** Blue for the neutral, brown for a live; where somebody used what was on the reel, any but the earth's. */
    private List<CoreColour> colours(List<Wire> wires) {
        List<CoreColour> lives = new ArrayList<>(List.of(CoreColour.BROWN, CoreColour.BLACK, CoreColour.GREY));
        List<CoreColour> colours = new ArrayList<>();
        boolean blueSpent = wires.stream().anyMatch(w -> w.role() == ConductorRole.NEUTRAL);
        for (Wire wire : wires) {
            colours.add(
                    switch (wire.role()) {
                        case EARTH -> CoreColour.GREEN_YELLOW;
                        case NEUTRAL -> CoreColour.BLUE;
                        default ->
                            !lives.isEmpty() && !(wires.size() == 3 && !blueSpent && lives.size() < 3)
                                    ? lives.remove(0)
                                    : CoreColour.BLUE;
                    });
        }
        if (oddColours) {
            List<CoreColour> mixed = new ArrayList<>(colours.subList(0, colours.size() - 1));
            Collections.shuffle(mixed, random);
            mixed.add(CoreColour.GREEN_YELLOW);
            return mixed;
        }
        return colours;
    }
}
