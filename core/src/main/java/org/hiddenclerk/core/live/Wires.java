package org.hiddenclerk.core.live;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.electrical.operation.Installation;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.LampId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;

/** The copper of a house: where its switches stand, and what that and the relays make of lamps, inputs and supplies. */
final class Wires {
    /** Rounds after which devices that keep changing each other are let be. */
    private static final int SETTLING_ROUNDS = 16;

    private static final int FULL = 100;

    private final List<LivePlan.WatchedWiring> runs;
    private final Map<String, Installation> installations = new HashMap<>();
    private final Map<DeviceId, LiveDevice> devices;
    private final Set<SwitchId> operated = new HashSet<>();
    private final Map<LampId, Lamp> lamps = new TreeMap<>();
    private final Map<String, Installation.Standing> last = new HashMap<>();
    private final Map<String, List<Object>> lastKey = new HashMap<>();
    private Set<SwitchId> moving = Set.of();

    /** @param level percent of its full light, where a module dims it */
    record Lamp(LoadState state, int level) {
        static final Lamp DARK = new Lamp(LoadState.OFF, 0);
    }

    Wires(List<LivePlan.WatchedWiring> runs, Map<DeviceId, LiveDevice> devices) {
        this.runs = runs;
        this.devices = devices;
        runs.forEach(run -> installations.put(run.id(), new Installation(run.wiring())));
    }

    boolean hasSwitch(SwitchId id) {
        return runs.stream().anyMatch(run -> run.switches().containsValue(id));
    }

    boolean isOperated(SwitchId switchId) {
        return operated.contains(switchId);
    }

    /** Lets the contacts of a switch be on their way, touching nothing. */
    void between(Set<SwitchId> switches) {
        moving = Set.copyOf(switches);
    }

    /** Whether breaking off for a moment is something that a module of its wiring listens for. */
    boolean listensForBreaks(SwitchId switchId) {
        return runs.stream()
                .filter(run -> run.switches().containsValue(switchId))
                .flatMap(run -> run.wiring().parts().stream())
                .anyMatch(part -> part instanceof Part.FittedModule module
                        && module.inputs().stream()
                                .anyMatch(input -> !input.behaviour().hasContact()));
    }

    boolean isPush(SwitchId switchId) {
        return runs.stream()
                .flatMap(run -> run.wiring().parts().stream()
                        .filter(part -> switchId.equals(run.switches().get(part.id()))))
                .anyMatch(part -> part instanceof Part.Switch mechanism
                        && mechanism.mechanism().isPush());
    }

    void operate(SwitchId switchId, boolean to) {
        if (to) {
            operated.add(switchId);
        } else {
            operated.remove(switchId);
        }
    }

    Map<LampId, Lamp> lamps() {
        return lamps;
    }

    /** Devices are put in with the switches where they stand. */
    void putIn() {
        for (LivePlan.WatchedWiring run : runs) {
            installations
                    .get(run.id())
                    .at(Set.of(), Set.of(), Set.of())
                    .modules()
                    .forEach(
                            (part, reading) -> Optional.ofNullable(run.modules().get(part))
                                    .ifPresent(hung -> {
                                        Map<ControlId, Boolean> closed = new HashMap<>();
                                        reading.inputs().forEach((input, asserted) -> Optional.ofNullable(
                                                        hung.controls().get(input))
                                                .ifPresent(control -> closed.put(control, asserted)));
                                        devices.get(hung.device()).isPutIn(closed);
                                    }));
        }
    }

    /**
     * Lets supplies, inputs and relays act on each other until nothing changes.
     *
     * @param dead   circuits that are off
     * @param broken devices that do nothing any more
     */
    void settle(long now, Set<String> dead, Set<DeviceId> broken) {
        for (int round = 0; round < SETTLING_ROUNDS && settleOnce(now, dead, broken); round++) {
            continue;
        }
    }

    private boolean settleOnce(long now, Set<String> dead, Set<DeviceId> broken) {
        boolean changed = false;
        for (LivePlan.WatchedWiring run : runs) {
            Set<String> closed = closed(run);
            Set<String> between = new HashSet<>();
            run.switches().forEach((part, id) -> {
                if (moving.contains(id)) {
                    between.add(part.value());
                }
            });
            List<Object> key = List.of(closed, between, Set.copyOf(dead));
            if (!key.equals(lastKey.put(run.id(), key))) {
                last.put(run.id(), installations.get(run.id()).at(closed, between, dead));
                changed = true;
            }
        }
        for (LivePlan.WatchedWiring run : runs) {
            tell(now, run, last.get(run.id()), broken);
        }
        see();
        return changed;
    }

    private Set<String> closed(LivePlan.WatchedWiring run) {
        Set<String> closed = new HashSet<>();
        run.switches().forEach((part, id) -> {
            if (operated.contains(id)) {
                closed.add(part.value());
            }
        });
        run.wiring().parts().stream()
                .filter(Part.FittedModule.class::isInstance)
                .map(Part.FittedModule.class::cast)
                .forEach(module -> {
                    LivePlan.Hung hung = run.modules().get(module.id());
                    if (hung != null) {
                        devices.get(hung.device()).channels().forEach((output, channel) -> channel(
                                        module, hung.channels().get(output), channel)
                                .forEach(id -> closed.add(Installation.closedContact(module.id(), id))));
                    }
                });
        return closed;
    }

    /** Channels of a module that are closed for an output: a blind has one for each direction. */
    private static List<String> channel(Part.FittedModule module, String own, LiveDevice.Channel channel) {
        if (channel.level() == 0) {
            return List.of();
        }
        List<String> directions = module.inputs().stream()
                .filter(input -> input.behaviour().movesSomething())
                .flatMap(input -> input.channel().stream())
                .toList();
        if (channel.motion() == Motion.STOP || directions.size() < 2) {
            return List.of(own);
        }
        return List.of(directions.get(channel.motion() == Motion.UP ? 0 : 1));
    }

    private void tell(long now, LivePlan.WatchedWiring run, Installation.Standing standing, Set<DeviceId> broken) {
        standing.modules().forEach((part, reading) -> {
            LivePlan.Hung hung = run.modules().get(part);
            if (hung == null) {
                return;
            }
            LiveDevice device = devices.get(hung.device());
            device.supply(
                    now, reading.powered() && !broken.contains(device.device().id()));
            if (device.isPowered()) {
                reading.inputs().forEach((input, asserted) -> Optional.ofNullable(
                                hung.controls().get(input))
                        .ifPresent(control -> device.contact(now, control, asserted)));
            }
        });
    }

    /** A lamp that hangs on several wirings as planned is as the one says that has an output for it. */
    private void see() {
        Map<LampId, Lamp> seen = new LinkedHashMap<>();
        Set<LampId> commanded = new HashSet<>();
        for (LivePlan.WatchedWiring run : runs) {
            Installation.Standing standing = last.get(run.id());
            run.lamps().forEach((part, lamp) -> {
                if (standing.loads().containsKey(part)
                        && (!seen.containsKey(lamp.id()) || lamp.output().isPresent() && commanded.add(lamp.id()))) {
                    LoadState state = standing.loads().get(part).state();
                    seen.put(
                            lamp.id(),
                            new Lamp(
                                    state,
                                    state.isLit()
                                            ? lamp.output()
                                                    .map(this::level)
                                                    .filter(level -> level > 0)
                                                    .orElse(FULL)
                                            : 0));
                }
            });
        }
        lamps.clear();
        lamps.putAll(seen);
    }

    private int level(OutputId output) {
        return devices.values().stream()
                .filter(device -> device.channels().containsKey(output))
                .mapToInt(device -> device.channels().get(output).level())
                .findFirst()
                .orElse(FULL);
    }
}
