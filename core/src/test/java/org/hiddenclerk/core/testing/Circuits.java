package org.hiddenclerk.core.testing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Drive;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;

/** Builds runs of several boxes for tests; a box is named by a letter. */
public final class Circuits {
    private static final BigDecimal MM2 = new BigDecimal("1.5");

    private final RegionProfile region;
    private final Map<String, Draft> boxes = new LinkedHashMap<>();

    private static final class Draft {
        private final BoxKind kind;
        private final List<Gang> gangs = new ArrayList<>();
        private final List<SurveyedLoad> loads = new ArrayList<>();
        private final List<Cable> cables = new ArrayList<>();
        private final List<Jumper> jumpers = new ArrayList<>();

        private Draft(BoxKind kind) {
            this.kind = kind;
        }
    }

    /** A core with its ends in two boxes. */
    public record Wire(Role role, String atA, String atB) {}

    public Circuits(RegionProfile region) {
        this.region = region;
    }

    public Circuits box(String name, BoxKind kind) {
        boxes.put(name, new Draft(kind));
        return this;
    }

    public Circuits gang(String box, Mechanism mechanism, String circuit) {
        List<Gang> gangs = boxes.get(box).gangs;
        gangs.add(new Gang(
                gangs.size() + 1,
                "switch " + box + (gangs.isEmpty() ? "" : gangs.size() + 1),
                mechanism,
                Millimetres.of(22),
                new CircuitId(circuit)));
        return this;
    }

    /** A load that hangs in a box (gang 0), or that a cable leads to from there. */
    public Circuits load(String box, String typed, int gang) {
        return load(box, typed, gang, Optional.empty());
    }

    public Circuits load(String box, String typed, int gang, Optional<Drive> drive) {
        List<SurveyedLoad> loads = boxes.get(box).loads;
        int number = loads.size() + 1;
        LoadText.Understood text = (LoadText.Understood) LoadText.read(typed);
        loads.add(new SurveyedLoad(number, "load " + box + number, typed, text.banks(), gang, false, drive));
        return this;
    }

    /** A cable between two boxes. Colours are given out by role: neutral and earth get theirs, the rest what comes. */
    public Circuits cable(String a, String b, Wire... wires) {
        String atA = nextName(a);
        String atB = nextName(b);
        boxes.get(a).cables.add(cable(atA, new Leads.ToBox(b, atB), true, wires));
        boxes.get(b).cables.add(cable(atB, new Leads.ToBox(a, atA), false, wires));
        return this;
    }

    /** A cable from the board, or to a load. */
    public Circuits cable(String box, Leads leads, Wire... wires) {
        boxes.get(box).cables.add(cable(nextName(box), leads, true, wires));
        return this;
    }

    public Circuits feed(String box, String circuit, String live, String neutral) {
        return cable(
                box,
                new Leads.FromSupply(new CircuitId(circuit)),
                wire(Role.PERMANENT_LIVE, live),
                wire(Role.NEUTRAL, neutral),
                wire(Role.EARTH, "j.earth"));
    }

    public Circuits jumper(String box, String from, String to) {
        List<Jumper> jumpers = boxes.get(box).jumpers;
        jumpers.add(new Jumper("j" + (jumpers.size() + 1), region.liveColour(), end(from), end(to)));
        return this;
    }

    /** Gives the jumpers of a box other names: w1, w2 … are what a plan would call its own. */
    public Circuits renamedJumpers(String box, String stem) {
        List<Jumper> jumpers = boxes.get(box).jumpers;
        for (int i = 0; i < jumpers.size(); i++) {
            Jumper old = jumpers.get(i);
            jumpers.set(i, new Jumper(stem + (i + 1), old.colour(), old.from(), old.to()));
        }
        return this;
    }

    public static Wire wire(Role role, String at) {
        return new Wire(role, at, "");
    }

    public static Wire wire(Role role, String atA, String atB) {
        return new Wire(role, atA, atB);
    }

    /** The run seen from a box. */
    public ConnectedBoxes from(String lead) {
        Map<String, Box> built = new LinkedHashMap<>();
        boxes.forEach((name, draft) -> built.put(
                name,
                new Box(
                        name,
                        draft.kind,
                        Optional.of(
                                new BoxGeometry(Millimetres.of(131), Millimetres.of(80), Millimetres.of(66), false)),
                        draft.gangs,
                        draft.loads,
                        draft.cables,
                        draft.jumpers)));
        return ConnectedBoxes.of(built, lead, region);
    }

    private String nextName(String box) {
        return "c" + (boxes.get(box).cables.size() + 1);
    }

    private Cable cable(String name, Leads leads, boolean first, Wire... wires) {
        List<CoreColour> others = new ArrayList<>(
                region == RegionProfile.US_120
                        ? List.of(CoreColour.BLACK, CoreColour.RED, CoreColour.BLUE, CoreColour.YELLOW)
                        : List.of(CoreColour.BROWN, CoreColour.BLACK, CoreColour.GREY, CoreColour.VIOLET));
        List<Core> cores = new ArrayList<>();
        for (Wire wire : wires) {
            CoreColour colour =
                    switch (wire.role()) {
                        case NEUTRAL, ELV_MINUS -> region.neutralColour();
                        case EARTH -> region.earthColour();
                        default -> others.remove(0);
                    };
            cores.add(new Core(
                    cores.size() + 1, colour, Optional.empty(), wire.role(), end(first ? wire.atA() : wire.atB())));
        }
        return new Cable(name, leads, MM2, cores);
    }

    /** "1.COM" a terminal of gang 1, "x1.L" of load 1, "j.name" a connector, "cap" or "loose". */
    private static End end(String text) {
        if (text.equals("cap")) {
            return new End.Capped();
        }
        if (text.equals("loose")) {
            return new End.Loose();
        }
        String[] parts = text.split("\\.", 2);
        if (parts[0].equals("j")) {
            return new End.InConnector(parts[1]);
        }
        return parts[0].startsWith("x")
                ? new End.AtLoad(Integer.parseInt(parts[0].substring(1)), parts[1])
                : new End.AtMechanism(Integer.parseInt(parts[0]), parts[1]);
    }
}
