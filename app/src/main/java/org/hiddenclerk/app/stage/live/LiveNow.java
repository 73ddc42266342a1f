package org.hiddenclerk.app.stage.live;

import java.time.LocalDateTime;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.live.LiveHouse;
import org.hiddenclerk.core.live.Parts;

/**
 * How a house that runs is at a moment: what eyes would see in it, and what the hub takes it for.
 *
 * @param atMs       on the clock of the house
 * @param clock      what the clock of the house shows, in its own zone
 * @param lamps      by lamp
 * @param operated   switches that stand in their second position, or are pressed
 * @param outputs    by output
 * @param powered    devices that have a supply
 * @param down       parts that are down, by key
 * @param slow       times as long as usual that messages take
 * @param agrees     whether the hub takes everything that it can reach for what it is
 * @param connected  whether every connection to the broker that could be there is
 * @param sensors    what sensors last said
 */
public record LiveNow(
        long atMs,
        LocalDateTime clock,
        Map<String, LampView> lamps,
        Set<String> operated,
        Map<String, LiveOutputView> outputs,
        Set<String> powered,
        List<String> down,
        int slow,
        boolean polling,
        boolean dark,
        boolean somebodyHome,
        Map<String, Integer> sensors,
        boolean agrees,
        boolean connected) {
    /** @param percent of its full light */
    public record LampView(LoadState state, int percent) {}

    /** @param hubKnows left out when the hub has not heard of it */
    public record LiveOutputView(int percent, Motion motion, @MayBeAbsent Integer hubKnows) {}

    static LiveNow of(LiveHouse house, boolean connected) {
        Map<String, LampView> lamps = new LinkedHashMap<>();
        house.lamps().forEach((id, lamp) -> lamps.put(id.text(), new LampView(lamp.state(), lamp.percent())));
        Map<String, LiveOutputView> outputs = new LinkedHashMap<>();
        house.outputs()
                .forEach((id, output) -> outputs.put(
                        id.text(),
                        new LiveOutputView(
                                output.percent(),
                                output.motion(),
                                output.hubKnows().orElse(null))));
        Map<String, Integer> sensors = new TreeMap<>();
        house.sensors().forEach((id, value) -> sensors.put(id.text(), value));
        Set<String> operated = new TreeSet<>();
        house.plan().runs().forEach(run -> run.switches().values().stream()
                .filter(house::isOperated)
                .map(SwitchId::text)
                .forEach(operated::add));
        return new LiveNow(
                house.now(),
                house.clock().toLocalDateTime().truncatedTo(ChronoUnit.SECONDS),
                lamps,
                operated,
                outputs,
                house.powered().stream().map(DeviceId::text).collect(Collectors.toCollection(TreeSet::new)),
                house.conditions().down().stream().sorted().map(Parts::keyOf).toList(),
                house.conditions().slow(),
                house.conditions().polling(),
                house.isDark(),
                house.isSomebodyHome(),
                sensors,
                house.agrees(),
                connected);
    }

    /** Whether anything but the time is otherwise. */
    boolean differsFrom(LiveNow other) {
        return !withTimeOf(other).equals(other);
    }

    private LiveNow withTimeOf(LiveNow other) {
        return new LiveNow(
                other.atMs,
                other.clock,
                lamps,
                operated,
                outputs,
                powered,
                down,
                slow,
                polling,
                dark,
                somebodyHome,
                sensors,
                agrees,
                connected);
    }
}
