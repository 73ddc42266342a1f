package org.hiddenclerk.core.live;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.electrical.part.Wiring;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.LampId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuledHouse;
import org.hiddenclerk.core.schedule.Location;

/**
 * What a house that runs is made from.
 *
 * @param runs     its wirings; a device without one has its contacts in its own switches
 * @param settings by control, and by output where no control commands it; what has none is set as usual
 * @param worksAt  switches at the wall that each control reads, by control; one without any is worked itself
 * @param names    what people call switches and lamps, by id; rules know the names of everything else
 * @param where    of the house; without it nothing is dark by itself and no time of a rule comes
 */
public record LivePlan(
        RuledHouse house,
        List<WatchedWiring> runs,
        Map<HouseId, Parameters> settings,
        Map<ControlId, List<SwitchId>> worksAt,
        Map<HouseId, String> names,
        Delays delays,
        Optional<Location> where) {
    public LivePlan {
        runs = List.copyOf(runs);
        settings = Map.copyOf(settings);
        worksAt = Map.copyOf(worksAt);
        names = Map.copyOf(names);
    }

    /** Where a hand works a control. */
    public List<SwitchId> handsOf(ControlId control) {
        return worksAt.getOrDefault(control, List.of(control.itself()));
    }

    public String nameOf(HouseId id) {
        return names.getOrDefault(id, house.nameOf(id instanceof SwitchId at ? at.control() : id));
    }

    /** What an output is after its supply was away. */
    public PowerOn powerOn(OutputId output) {
        HouseId setBy = house.controls().values().stream()
                .filter(control -> control.output().filter(output::equals).isPresent()
                        && control.behaviour().switchesByItself())
                .<HouseId>map(Device.Control::id)
                .findFirst()
                .orElse(output);
        return settings.getOrDefault(setBy, Parameters.USUAL).powerOn();
    }

    /** Outputs whose module a switch at the wall cuts off its supply. */
    public Set<OutputId> fedThrough(SwitchId switchId) {
        return runs.stream()
                .map(run -> run.plain().get(switchId))
                .filter(Objects::nonNull)
                .flatMap(plain -> plain.feeds().stream())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Whether a switch at the wall makes or breaks some lamp by its own contacts, whatever modules do. */
    public boolean switchesByItself(SwitchId switchId) {
        return runs.stream()
                .map(run -> run.plain().get(switchId))
                .anyMatch(plain -> plain != null && !plain.lamps().isEmpty());
    }

    /** Switches at the wall whose contacts the wirings know. */
    public Set<SwitchId> wiredSwitches() {
        return runs.stream()
                .flatMap(run -> run.plain().keySet().stream())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /**
     * A wiring with the hands and eyes at it.
     *
     * @param modules  what modules of it are in the house, by part; others are not followed
     * @param switches ids in the house by part: two wirings may hold one switch
     * @param plain    what contacts of switches do by themselves, by id in the house
     */
    public record WatchedWiring(
            String id,
            Wiring wiring,
            Map<PartId, Hung> modules,
            Map<PartId, SwitchId> switches,
            Map<PartId, Lamp> lamps,
            Map<SwitchId, Plain> plain) {
        public WatchedWiring {
            modules = Map.copyOf(modules);
            switches = Map.copyOf(switches);
            lamps = Map.copyOf(lamps);
            plain = Map.copyOf(plain);
        }
    }

    /**
     * A module in a wiring.
     *
     * @param device   it in the house
     * @param controls in the house by input
     * @param channels by output in the house
     */
    public record Hung(DeviceId device, Map<String, ControlId> controls, Map<OutputId, String> channels) {
        public Hung {
            controls = Map.copyOf(controls);
            channels = Map.copyOf(channels);
        }
    }

    /**
     * What the contacts of a switch do by themselves.
     *
     * @param lamps that they make and break
     * @param feeds outputs whose module they cut off
     */
    public record Plain(Set<LampId> lamps, Set<OutputId> feeds) {
        public Plain {
            lamps = Set.copyOf(lamps);
            feeds = Set.copyOf(feeds);
        }
    }

    /**
     * A lamp, or whatever else a load is.
     *
     * @param id     in the house: two wirings may hold one lamp
     * @param output that switches it; empty where a wiring only passes by, or no module does
     */
    public record Lamp(LampId id, Optional<OutputId> output) {}
}
