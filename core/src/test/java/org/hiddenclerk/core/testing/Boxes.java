package org.hiddenclerk.core.testing;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.LoadText;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.quantity.Amps;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.run.HouseContext;

/** Builds surveyed boxes for tests; what is not said is usual. */
public final class Boxes {
    private static final BigDecimal MM2 = new BigDecimal("1.5");

    private final List<Gang> gangs = new ArrayList<>();
    private final List<SurveyedLoad> loads = new ArrayList<>();
    private final List<Cable> cables = new ArrayList<>();
    private final List<Jumper> jumpers = new ArrayList<>();
    private int depthMm = 61;

    private Boxes() {}

    public static Boxes box() {
        return new Boxes();
    }

    /** A house of the region with circuits "4" on L1 and "6" on L3 (L2 where there is no L3). */
    public static HouseContext house(RegionProfile region) {
        Map<CircuitId, Circuit> circuits = new LinkedHashMap<>();
        Line other = region.phases().get(region.phases().size() - 1);
        circuits.put(new CircuitId("4"), new Circuit(new CircuitId("4"), "4", Amps.of(10), Line.L1, false));
        circuits.put(new CircuitId("6"), new Circuit(new CircuitId("6"), "6", Amps.of(10), other, false));
        return new HouseContext(region, circuits);
    }

    public static HouseContext house() {
        return house(RegionProfile.EU_230);
    }

    public Boxes depth(int mm) {
        depthMm = mm;
        return this;
    }

    public Boxes gang(String circuit, String load) {
        return gang(Mechanism.ONE_WAY, circuit, load);
    }

    /** A gang with one load, as typed; its mechanism is 22 mm deep. */
    public Boxes gang(Mechanism mechanism, String circuit, String load) {
        return gang(mechanism, circuit, load, false);
    }

    public Boxes gang(Mechanism mechanism, String circuit, String load, boolean continuous) {
        int number = gangs.size() + 1;
        gangs.add(new Gang(number, "switch " + number, mechanism, Millimetres.of(22), new CircuitId(circuit)));
        LoadText.Understood text = (LoadText.Understood) LoadText.read(load);
        loads.add(new SurveyedLoad(number, "load " + number, load, text.banks(), number, continuous));
        return this;
    }

    /** The feed with its live at an end; neutral and earth in connectors. */
    public Boxes feed(String circuit, End live) {
        cables.add(cable(
                new Leads.FromSupply(new CircuitId(circuit)),
                core(1, CoreColour.BROWN, Role.PERMANENT_LIVE, live),
                core(2, CoreColour.BLUE, Role.NEUTRAL, new End.InConnector("neutral " + circuit)),
                core(3, CoreColour.GREEN_YELLOW, Role.EARTH, new End.InConnector("earth"))));
        return this;
    }

    /** The feed without a neutral. */
    public Boxes feedWithoutNeutral(String circuit, End live) {
        cables.add(cable(
                new Leads.FromSupply(new CircuitId(circuit)),
                core(1, CoreColour.BROWN, Role.PERMANENT_LIVE, live),
                core(2, CoreColour.GREEN_YELLOW, Role.EARTH, new End.InConnector("earth"))));
        return this;
    }

    /** A lamp cable; its neutral goes to the neutrals of the circuit named. */
    public Boxes lamp(int load, End switched, String neutralOf) {
        cables.add(cable(
                new Leads.ToLoad(load),
                core(1, CoreColour.BROWN, Role.SWITCHED_LIVE, switched),
                core(2, CoreColour.BLUE, Role.NEUTRAL, new End.InConnector("neutral " + neutralOf)),
                core(3, CoreColour.GREEN_YELLOW, Role.EARTH, new End.InConnector("earth"))));
        return this;
    }

    /** A lamp cable whose neutral lies elsewhere. */
    public Boxes lampWithoutNeutral(int load, End switched) {
        cables.add(cable(new Leads.ToLoad(load), core(1, CoreColour.BLACK, Role.SWITCHED_LIVE, switched)));
        return this;
    }

    /** A switch loop: the feed is at the lamp. */
    public Boxes loop(int load, String circuit, End live, End switched) {
        cables.add(cable(
                new Leads.ToLoadWithFeed(load, new CircuitId(circuit)),
                core(1, CoreColour.BROWN, Role.PERMANENT_LIVE, live),
                core(2, CoreColour.BLUE, Role.SWITCHED_LIVE, switched)));
        return this;
    }

    public Boxes jumper(End from, End to) {
        jumpers.add(new Jumper("j" + (jumpers.size() + 1), CoreColour.BROWN, from, to));
        return this;
    }

    public Box build() {
        return new Box(
                "B-1",
                new BoxGeometry(
                        Millimetres.of(60 + 71L * (Math.max(1, gangs.size()) - 1)),
                        Millimetres.of(60),
                        Millimetres.of(depthMm),
                        false),
                gangs,
                loads,
                cables,
                jumpers);
    }

    public static End common(int gang) {
        return new End.AtMechanism(gang, "COM");
    }

    public static End throwOf(int gang) {
        return new End.AtMechanism(gang, "L1");
    }

    private Cable cable(Leads leads, Core... cores) {
        return new Cable("c" + (cables.size() + 1), leads, MM2, List.of(cores));
    }

    private static Core core(int number, CoreColour colour, Role role, End end) {
        return new Core(number, colour, Optional.empty(), role, end);
    }
}
