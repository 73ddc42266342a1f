package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.finding.FindingCode;

/** What stands on terminals that are not for it, for the {@link SlowJudge}: earths, pair inputs, dimmers, contacts of two circuits. */
record SlowTerminals(List<Part> region, Set<FindingCode> found) {

    void add(SlowState state) {
        for (Part part : region) {
            earth(part, state);
            if (part instanceof Part.FittedModule module) {
                pairs(part, module.inputs(), state);
                twoCircuits(module, state);
            } else if (part instanceof Part.Sender sender) {
                pairs(part, sender.inputs(), state);
            }
        }
    }

    private void earth(Part part, SlowState state) {
        boolean asked = part instanceof Part.Load load && load.earthRequired();
        if (!part.pins().containsKey("PE")) {
            if (asked) {
                found.add(FindingCode.EARTH_MISSING);
            }
            return;
        }
        List<Line> lines = state.suppliesOf(SlowJudge.node(part, "PE")).stream()
                .map(Part.Supply::line)
                .toList();
        if (lines.stream().anyMatch(Line::isLive)) {
            found.add(FindingCode.LIVE_ON_EARTH_PIN);
        }
        if (!lines.contains(Line.PE)) {
            found.add(FindingCode.EARTH_MISSING);
            if (lines.contains(Line.N)) {
                found.add(FindingCode.EARTH_AS_NEUTRAL);
            }
        }
    }

    private void pairs(Part part, List<Input> inputs, SlowState state) {
        for (Input input : inputs) {
            for (String pin : input.pins().size() == 2 ? input.pins() : List.<String>of()) {
                String net = state.net(SlowJudge.node(part, pin));
                boolean meant = input.commonWith()
                        .filter(common ->
                                state.net(SlowJudge.node(part, common)).equals(net))
                        .isPresent();
                if (!meant && !state.suppliesOf(SlowJudge.node(part, pin)).isEmpty()) {
                    found.add(FindingCode.SUPPLY_ON_INPUT);
                }
            }
        }
    }

    private void twoCircuits(Part.FittedModule module, SlowState state) {
        Set<String> lives = new TreeSet<>();
        Set<String> poles = new TreeSet<>();
        for (String pin : List.of(module.supply().livePin(), module.supply().returnPin())) {
            for (Part.Supply supply : state.suppliesOf(SlowJudge.node(module, pin))) {
                if (supply.line().isLive()) {
                    lives.add(supply.circuit());
                } else if (supply.line() == Line.ELV_PLUS) {
                    poles.add(supply.circuit());
                }
            }
        }
        Set<String> own = lives.isEmpty() ? poles : lives;
        for (Channel channel : module.channels()) {
            for (String pin : List.of(channel.from(), channel.to())) {
                boolean other = state.suppliesOf(SlowJudge.node(module, pin)).stream()
                        .anyMatch(s -> s.line().isLive() && !own.contains(s.circuit()));
                if (!own.isEmpty() && other) {
                    found.add(FindingCode.TWO_CIRCUITS);
                }
            }
        }
    }

    /** Pairs of states in which a dimmer alone is open and closed. */
    void dimmers(List<SlowState> sound) {
        for (Part part : region) {
            if (part instanceof Part.Switch dimmer && dimmer.mechanism() == Mechanism.DIMMER) {
                for (SlowState open : sound) {
                    for (SlowState closed : sound) {
                        if (open.positions.get(part.id().value()) == 0
                                && closed.positions.get(part.id().value()) == 1
                                && open.differsInOneFrom(closed)) {
                            before(part, open, closed);
                        }
                    }
                }
            }
        }
    }

    private void before(Part dimmer, SlowState open, SlowState closed) {
        for (Part part : region) {
            Set<String> pins = new LinkedHashSet<>();
            if (part instanceof Part.Switch other && other.mechanism() == Mechanism.DIMMER && other != dimmer) {
                pins.addAll(List.of("COM", "L1"));
            }
            List<Input> inputs = new ArrayList<>(
                    part instanceof Part.FittedModule module
                            ? module.inputs()
                            : part instanceof Part.Sender sender ? sender.inputs() : List.of());
            inputs.forEach(input -> pins.addAll(input.pins()));
            if (pins.stream()
                    .map(pin -> SlowJudge.node(part, pin))
                    .anyMatch(node -> !closed.suppliesOf(node).isEmpty()
                            && open.suppliesOf(node).isEmpty())) {
                found.add(FindingCode.DIMMER_IN_SERIES);
            }
        }
        for (int r = 0; r < closed.resistances.size(); r++) {
            SlowState.Resistance one = closed.resistances.get(r);
            boolean cared = one.part() instanceof Part.FittedModule
                    || one.part() instanceof Part.Load load
                            && (load.motor().isPresent() || load.kind().name().contains("MOTOR"));
            if (cared
                    && closed.flow(one) > 0.001
                    && open.volts(one.a(), one.b()) < 0.5 * closed.volts(one.a(), one.b())) {
                found.add(FindingCode.DIMMER_IN_SERIES);
            }
        }
    }
}
