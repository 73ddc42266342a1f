package org.hiddenclerk.core.electrical;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.Line;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.finding.FindingCode;

/** Supplies that meet in one state of a region, for the {@link SlowJudge}. */
record SlowMeetings(Wiring wiring, List<Part> region, Set<FindingCode> found) {
    void add(SlowState state) {
        supplies(state);
        elv(state);
    }

    private void supplies(SlowState state) {
        for (Part.Supply a : state.supplies()) {
            for (Part.Supply b : state.supplies()) {
                if (a != b && state.net(SlowJudge.node(a, "out")).equals(state.net(SlowJudge.node(b, "out")))) {
                    meet(a, b, state.isOnLive(SlowJudge.node(a, "out")));
                }
            }
        }
        for (Part part : region) {
            boolean uses = part instanceof Part.Load
                    || part instanceof Part.Bypass
                    || part instanceof Part.FittedModule
                    || part instanceof Part.Sender;
            for (String pin : uses ? part.pinNames() : List.<String>of()) {
                if (!pin.equals("PE")
                        && state.isOn(SlowJudge.node(part, pin), Line.PE)
                        && !state.isOn(SlowJudge.node(part, pin), Line.ELV_MINUS)
                        && !state.isOnLive(SlowJudge.node(part, pin))) {
                    found.add(FindingCode.EARTH_AS_NEUTRAL);
                }
            }
        }
    }

    private void meet(Part.Supply a, Part.Supply b, boolean besideLive) {
        boolean same = a.circuit().equals(b.circuit());
        if (a.line().isElv() || b.line().isElv()) {
            meetElv(a, b);
            return;
        }
        if (a.line().isLive() && b.line().isLive()) {
            if (a.line() != b.line()) {
                found.add(FindingCode.PHASES_JOINED);
            } else if (!same) {
                found.add(FindingCode.SECOND_FEED);
            }
        } else if (a.line().isLive()) {
            found.add(b.line() == Line.PE ? FindingCode.SHORT_LIVE_EARTH : FindingCode.SHORT_LIVE_NEUTRAL);
        } else if (a.line() == Line.N && b.line() == Line.N && !same) {
            found.add(FindingCode.BORROWED_NEUTRAL);
        } else if (a.line() == Line.N && b.line() == Line.PE && !besideLive) {
            found.add(FindingCode.EARTH_AS_NEUTRAL);
        }
    }

    private void meetElv(Part.Supply a, Part.Supply b) {
        if (a.line().isElv() && b.line().isElv()) {
            if (a.line() != b.line()) {
                found.add(FindingCode.SHORT_LIVE_NEUTRAL);
            } else if (a.line() == Line.ELV_PLUS
                    && Math.abs(a.volts().orElseThrow() - b.volts().orElseThrow()) > 1e-6) {
                found.add(FindingCode.PHASES_JOINED);
            } else if (a.line() == Line.ELV_PLUS && !a.circuit().equals(b.circuit())) {
                found.add(FindingCode.SECOND_FEED);
            }
        } else if (a.line().isElv() && b.line() == Line.PE) {
            if (a.line() == Line.ELV_PLUS) {
                found.add(FindingCode.SHORT_LIVE_EARTH);
            }
        } else if (a.line().isElv()) {
            found.add(FindingCode.MAINS_ON_ELV);
        }
    }

    /** Mains that an extra-low-voltage part reaches, through resistances but not through the net of another supply. */
    private void elv(SlowState state) {
        for (Part part : region) {
            Set<String> starts = new TreeSet<>();
            if (part instanceof Part.Supply supply && supply.line().isElv()) {
                starts.add(SlowJudge.node(part, "out"));
            } else if (part instanceof Part.Load load
                    && load.volts().orElse(wiring.supply().nominalVolts()) <= 50) {
                starts.addAll(List.of(SlowJudge.node(part, "L"), SlowJudge.node(part, "N")));
            } else if (part instanceof Part.FittedModule module) {
                if (module.supply() instanceof ModuleSupply.DirectCurrent) {
                    starts.addAll(List.of(
                            SlowJudge.node(part, module.supply().livePin()),
                            SlowJudge.node(part, module.supply().returnPin())));
                }
                module.inputs().stream()
                        .filter(i -> i.potential() == Input.Potential.ELV)
                        .forEach(i -> {
                            i.pins().forEach(pin -> starts.add(SlowJudge.node(part, pin)));
                            i.activeWith().ifPresent(pin -> starts.add(SlowJudge.node(part, pin)));
                        });
            }
            if (starts.stream().anyMatch(start -> reachesMains(start, state))) {
                found.add(FindingCode.MAINS_ON_ELV);
            }
        }
    }

    private static boolean reachesMains(String start, SlowState state) {
        List<String> nets = new ArrayList<>(List.of(state.net(start)));
        for (int i = 0; i < nets.size(); i++) {
            String net = nets.get(i);
            List<Part.Supply> here = state.supplies().stream()
                    .filter(s -> state.net(SlowJudge.node(s, "out")).equals(net))
                    .toList();
            if (here.stream().anyMatch(s -> s.line().isLive() || s.line() == Line.N)) {
                return true;
            }
            if (i == 0 || here.isEmpty()) {
                for (SlowState.Resistance r : state.resistances) {
                    String a = state.net(r.a());
                    String b = state.net(r.b());
                    String next = a.equals(net) ? b : b.equals(net) ? a : net;
                    if (!nets.contains(next)) {
                        nets.add(next);
                    }
                }
            }
        }
        return false;
    }
}
