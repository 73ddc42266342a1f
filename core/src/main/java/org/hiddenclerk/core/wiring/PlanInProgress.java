package org.hiddenclerk.core.wiring;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.electrical.Input;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CircuitId;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Watts;

/**
 * A plan while schemes add to it. Live and neutral of a circuit are shared by all that needs them, so schemes only say
 * what belongs on them; they are joined at the end.
 */
final class PlanInProgress {
    private final BoxWiring surveyed;
    private final RegionProfile region;
    private final List<Assignment> modules;
    private final SwitchPoles poles;
    private final Netting netting;
    private final Map<CircuitId, List<End>> onLive = new LinkedHashMap<>();
    private final Map<CircuitId, List<End>> onNeutral = new LinkedHashMap<>();
    /** Input pins that several mechanisms share, with the poles that go on them. */
    private final Map<End, List<End>> commons = new LinkedHashMap<>();
    private final Map<Integer, Watts> bypasses = new LinkedHashMap<>();
    private final Set<Integer> gangsInPlan = new LinkedHashSet<>();

    PlanInProgress(BoxWiring surveyed, RegionProfile region, List<Assignment> modules) {
        this.surveyed = surveyed;
        this.region = region;
        this.modules = modules;
        this.poles = new SwitchPoles(surveyed.box());
        this.netting = new Netting(surveyed, modules);
    }

    Box box() {
        return surveyed.box();
    }

    SwitchPoles poles() {
        return poles;
    }

    /** Puts a terminal on the permanent live of a circuit; module terminals first. */
    void onLive(CircuitId circuit, End terminal) {
        onLive.computeIfAbsent(circuit, c -> new ArrayList<>()).add(terminal);
    }

    void onNeutral(CircuitId circuit, End terminal) {
        onNeutral.computeIfAbsent(circuit, c -> new ArrayList<>()).add(terminal);
    }

    /** Moves a gang's lamp wire to a channel. */
    void output(Gang gang, End.AtModule channel) {
        netting.join("lamp " + gang.number(), region.liveColour(), channel, poles.switched(gang), List.of(channel));
    }

    /** Makes a gang's mechanism the contact of an input. */
    void input(Gang gang, int module, Input input) {
        gangsInPlan.add(gang.number());
        End.AtMechanism live = poles.livePole(gang).orElseGet(() -> terminal(gang, 0));
        End.AtMechanism other = terminal(gang, 0).equals(live) ? terminal(gang, 1) : terminal(gang, 0);
        if (input.pins().size() == 1) {
            onLive(gang.circuit(), live);
            connect(new End.AtModule(module, input.pins().get(0)), other);
        } else {
            connect(new End.AtModule(module, input.pins().get(0)), other);
            commons.computeIfAbsent(new End.AtModule(module, input.pins().get(1)), c -> new ArrayList<>()).add(live);
        }
    }

    private static End.AtMechanism terminal(Gang gang, int index) {
        return new End.AtMechanism(gang.number(), gang.mechanism().terminals().get(index));
    }

    private void connect(End from, End to) {
        netting.join("switch", CoreColour.VIOLET, from, List.of(), List.of(from, to));
    }

    void bypass(int load, Watts watts) {
        bypasses.put(load, watts);
    }

    /** Joins lives and neutrals, keeps what the plan does not touch, and closes the plan. */
    BoxWiring finish() {
        onLive.forEach((circuit, terminals) -> {
            List<End> all = new ArrayList<>(terminals);
            othersOnLive(circuit).forEach(all::add);
            netting.join("live " + circuit, region.liveColour(), all.get(0), poles.lives(circuit), all);
        });
        onNeutral.forEach((circuit, terminals) ->
                netting.join("neutral " + circuit, region.neutralColour(), terminals.get(0), poles.neutrals(circuit), terminals));
        commons.forEach((pin, poles) -> {
            List<End> all = new ArrayList<>(poles);
            all.add(0, pin);
            netting.join("common", CoreColour.VIOLET, pin, List.of(), all);
        });
        surveyed.jumpers().stream().filter(this::isUntouched).forEach(netting::keep);
        return new BoxWiring(box(), netting.ends(), netting.jumpers(), modules, bypasses);
    }

    /** Gangs of the same circuit that stay plain switches still need their live. */
    private List<End> othersOnLive(CircuitId circuit) {
        return box().gangs().stream()
                .filter(gang -> gang.circuit().equals(circuit) && !gangsInPlan.contains(gang.number()))
                .flatMap(gang -> poles.livePole(gang).stream()).map(End.class::cast).toList();
    }

    private boolean isUntouched(Jumper jumper) {
        return isUntouched(jumper.from()) && isUntouched(jumper.to());
    }

    private boolean isUntouched(End end) {
        if (!(end instanceof End.AtMechanism pole)) {
            return true;
        }
        Gang gang = box().gang(pole.gang());
        return !gangsInPlan.contains(pole.gang())
                && !(onLive.containsKey(gang.circuit()) && poles.livePole(gang).filter(end::equals).isPresent());
    }
}
