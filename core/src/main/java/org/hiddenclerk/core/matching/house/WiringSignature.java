package org.hiddenclerk.core.matching.house;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.Core;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Leads;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.job.SurveyedModule;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes;
import org.hiddenclerk.core.wiring.run.HouseContext;

/**
 * What makes two runs the same for every plan: all that the wiring depends on, without what things are called, without the size of
 * boxes and without how much each load draws. A house has many switches that are wired alike; each kind is planned and proved once,
 * see {@link EquivalenceClass}.
 */
final class WiringSignature {
    private final StringBuilder key = new StringBuilder(256);
    private final StringBuilder draws = new StringBuilder(64);
    private final List<Line> phases = new ArrayList<>();
    private final HouseContext house;
    private final Map<String, Integer> boxes = new LinkedHashMap<>();
    private final Map<CircuitId, Integer> circuits = new LinkedHashMap<>();

    private WiringSignature(HouseContext house) {
        this.house = house;
    }

    /**
     * Boxes of a run in its own order.
     *
     * @param text  shared by runs of one kind
     * @param draws shared by runs whose loads draw the same too
     */
    record Key(String text, String draws, List<String> boxes) {}

    static Key of(HouseContext house, ConnectedBoxes run) {
        WiringSignature twin = new WiringSignature(house);
        run.boxes().forEach(place -> twin.boxes.put(place.id(), twin.boxes.size()));
        run.boxes().forEach(place -> twin.add(place.box()));
        return new Key(twin.key.toString(), twin.draws.toString(), new ArrayList<>(twin.boxes.keySet()));
    }

    private void add(Box box) {
        key.append("\nB ").append(box.kind()).append(box.geometry().isPresent());
        for (Gang gang : box.gangs()) {
            key.append("\nG").append(gang.number()).append(gang.mechanism());
            add(gang.circuit());
        }
        for (SurveyedLoad load : box.loads()) {
            key.append("\nX")
                    .append(load.number())
                    .append(' ')
                    .append(load.gang())
                    .append(load.drive());
            load.banks().forEach(bank -> {
                key.append(handling(bank.kind()));
                draws.append(bank.total()).append(bank.powerFactor()).append('|');
            });
            draws.append(load.continuous()).append(';');
        }
        for (SurveyedModule module : box.modules()) {
            key.append("\nM").append(module.number()).append(' ').append(module.name());
        }
        for (Cable cable : box.cables()) {
            key.append("\nC")
                    .append(cable.name())
                    .append(' ')
                    .append(cable.mm2())
                    .append(cable.assumed());
            add(cable.leads());
            for (Core core : cable.cores()) {
                key.append('|')
                        .append(core.number())
                        .append(core.colour())
                        .append(core.sleeve())
                        .append(core.role())
                        .append(core.end().key());
            }
        }
        for (Jumper jumper : box.jumpers()) {
            key.append("\nJ")
                    .append(jumper.key())
                    .append(jumper.colour())
                    .append(jumper.from().key())
                    .append(jumper.to().key());
        }
    }

    private void add(Leads leads) {
        key.append(leads.getClass().getSimpleName());
        if (leads instanceof Leads.FromSupply feed) {
            add(feed.circuit());
        } else if (leads instanceof Leads.ToLoadWithFeed loop) {
            key.append(loop.load()).append(loop.branches());
            add(loop.circuit());
        } else if (leads instanceof Leads.ToLoad load) {
            key.append(load.load()).append(load.branches());
        } else if (leads instanceof Leads.ToBox to) {
            key.append(boxes.getOrDefault(to.box(), -1)).append(to.cable());
        }
    }

    private void add(CircuitId id) {
        boolean first = !circuits.containsKey(id);
        key.append(" c").append(circuits.computeIfAbsent(id, c -> circuits.size()));
        Circuit circuit = house.circuits().get(id);
        if (first && circuit != null) {
            key.append(circuit.rating().milliamps())
                    .append(phase(circuit.phase()))
                    .append(circuit.alternativelySupplied())
                    .append(circuit.elvVolts())
                    .append(circuit.protection());
        }
    }

    /** Phases by their order of appearance: which of three it is makes no difference, whether it is the same one does. */
    private int phase(Line line) {
        if (!phases.contains(line)) {
            phases.add(line);
        }
        return line.isLive() ? phases.indexOf(line) : -1;
    }

    /** Kinds of load that the wiring and its proof treat alike; what a contact carries of each is judged apart from that. */
    private static String handling(LoadKind kind) {
        return switch (kind) {
            case LED_LAMP, LED_DRIVER, FLUORESCENT, ELECTRONIC_TRANSFORMER -> "electronic";
            case RESISTIVE, INCANDESCENT, HALOGEN, HEATER, WIRE_WOUND_TRANSFORMER -> "plain";
            case MOTOR, BLIND_MOTOR, SOCKET, COIL, ELV_STRIP, DOOR_INPUT -> kind.name();
        };
    }
}
