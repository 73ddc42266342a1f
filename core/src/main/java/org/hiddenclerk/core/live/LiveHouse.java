package org.hiddenclerk.core.live;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Consumer;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.electrical.part.LoadState;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.LampId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.rules.RuleRunner;
import org.hiddenclerk.core.rules.World;
import org.hiddenclerk.core.schedule.SunDay;

/**
 * A planned house that runs. Nothing in it looks at a clock: whoever holds it says what happens when, and lets happen what is due.
 * Not for several threads at once.
 */
public final class LiveHouse {
    private final LivePlan plan;
    private final EventQueue agenda = new EventQueue();
    private final EventLog chronicle;
    private final Transport post;
    private final Hands hands;
    private final Map<DeviceId, LiveDevice> devices = new LinkedHashMap<>();
    private final Map<DeviceId, RulePlace> inDevices = new LinkedHashMap<>();
    private final RulePlace hub;
    private final RulePlace cloud;
    private final Wires wires;
    private final List<LiveDevice> unwired;
    private final Map<SensorId, Integer> sensors = new TreeMap<>();
    private final RulePlace.Around around = new Surroundings();
    private Conditions conditions = Conditions.WHOLE;
    private Set<String> lastDead = Set.of();
    private Set<DeviceId> lastBroken = Set.of();
    private Instant start;
    private Optional<Boolean> dark = Optional.empty();
    private Optional<SunDay> sun = Optional.empty();
    private boolean somebodyHome = true;
    private int supplyChanges;
    private long devicesDue = Long.MAX_VALUE;
    private boolean devicesDueKnown;

    private final LiveDevice.Watcher account = new LiveDevice.Watcher() {
        @Override
        public void supplyChanged() {
            supplyChanges++;
        }

        @Override
        public void dueChanged() {
            devicesDueKnown = false;
        }
    };

    /**
     * A house as it is put in: everything is off, and all its parts are there.
     *
     * @param start what the clock of the house shows at 0
     */
    public LiveHouse(LivePlan plan, Instant start, Carrier carrier, Consumer<Happening> watcher) {
        this.plan = plan;
        this.start = start;
        chronicle = new EventLog(agenda, new SaidWords(plan), watcher);
        int thinks = plan.delays().hub();
        List<Link> links = plan.house().links();
        hub = new RulePlace(
                new RuleRunner(plan.house(), rule -> rule.on() == Rule.RunsOn.HUB, thinks),
                links.stream().filter(link -> link.way() == Link.Way.HUB).toList(),
                plan.where());
        cloud = new RulePlace(
                new RuleRunner(
                        plan.house(),
                        rule -> rule.on() == Rule.RunsOn.CLOUD,
                        thinks + plan.delays().cloud()),
                links.stream().filter(link -> link.way() == Link.Way.CLOUD).toList(),
                plan.where());
        for (Device device : plan.house().devices()) {
            List<Link> own = links.stream()
                    .filter(link -> link.way().isDirect()
                            && device.controls().stream()
                                    .anyMatch(control -> control.id().equals(link.control())))
                    .toList();
            devices.put(
                    device.id(),
                    new LiveDevice(
                            device,
                            plan.settings(),
                            own,
                            said -> says(device, said),
                            direct -> commands(device, direct),
                            account));
            if (plan.house().rules().stream().anyMatch(rule -> runsIn(rule, device))) {
                inDevices.put(
                        device.id(),
                        new RulePlace(
                                new RuleRunner(plan.house(), rule -> runsIn(rule, device), 0),
                                List.of(),
                                plan.where()));
            }
        }
        Set<DeviceId> wired = new HashSet<>();
        plan.runs().forEach(run -> run.modules().values().forEach(hung -> wired.add(hung.device())));
        unwired = devices.values().stream()
                .filter(device -> !wired.contains(device.device().id()))
                .toList();
        wires = new Wires(plan.runs(), devices);
        hands = new Hands(plan.house(), devices, wires, agenda);
        post = new Transport(plan, agenda, chronicle, carrier, devices, hub, cloud, around, this::settle);
        wires.putIn();
        wires.settle(0, Set.of(), Set.of());
        devices.values().forEach(LiveDevice::announce);
    }

    private void says(Device device, Message said) {
        if (said instanceof Message.Level level && !level.again()) {
            chronicle.changed(level);
        }
        Optional.ofNullable(inDevices.get(device.id())).ifPresent(place -> place.hear(agenda.now(), said, around));
        post.toHub(device, said);
    }

    private void commands(Device device, LiveDevice.Direct direct) {
        post.direct(device, direct);
    }

    private boolean runsIn(Rule rule, Device device) {
        return (rule.on() == Rule.RunsOn.DEVICE || rule.on() == Rule.RunsOn.DEVICE_TO_DEVICE)
                && plan.house().holderOf(rule).filter(device::equals).isPresent();
    }

    public LivePlan plan() {
        return plan;
    }

    /** Milliseconds since it was put in, as of what happened last. */
    public long now() {
        return agenda.now();
    }

    /** What the clock of the house shows. */
    public ZonedDateTime clock() {
        return around.instant(agenda.now()).atZone(zone());
    }

    private ZoneId zone() {
        return plan.where().map(where -> where.zone()).orElse(ZoneOffset.UTC);
    }

    public Conditions conditions() {
        return conditions;
    }

    public boolean isDark() {
        return dark.orElseGet(this::sunIsDown);
    }

    private boolean sunIsDown() {
        ZonedDateTime at = clock();
        if (plan.where().isPresent()
                && sun.filter(day -> day.noon().toLocalDate().equals(at.toLocalDate()))
                        .isEmpty()) {
            sun = Optional.of(SunDay.of(plan.where().get(), at.toLocalDate()));
        }
        return sun.filter(day -> !day.isUp(at)).isPresent();
    }

    public boolean isSomebodyHome() {
        return somebodyHome;
    }

    /** What sensors say; those that said nothing yet are left out. */
    public Map<SensorId, Integer> sensors() {
        return Map.copyOf(sensors);
    }

    /**
     * An output as it is, and as the hub takes it to be.
     *
     * @param hubKnows empty when the hub has not heard of it
     */
    public record OutputNow(int percent, Motion motion, Optional<Integer> hubKnows) {}

    public Map<OutputId, OutputNow> outputs() {
        Map<OutputId, OutputNow> outputs = new LinkedHashMap<>();
        devices.values().forEach(device -> device.channels()
                .forEach((id, channel) -> outputs.put(
                        id,
                        new OutputNow(
                                channel.level(), channel.motion(), hub.runner().known(id)))));
        return outputs;
    }

    /** A lamp as eyes see it. @param percent of its full light; 0 when it is dark */
    public record LampNow(LoadState state, int percent) {}

    public Map<LampId, LampNow> lamps() {
        Map<LampId, LampNow> lamps = new LinkedHashMap<>();
        wires.lamps().forEach((id, lamp) -> lamps.put(id, new LampNow(lamp.state(), lamp.level())));
        return lamps;
    }

    /** Whether the switch stands in its second position, or the contact of a control that hangs on no wiring is closed. */
    public boolean isOperated(SwitchId at) {
        return hands.isOperated(at);
    }

    /** Whether the contact that a control reads is closed. */
    public boolean isClosed(ControlId control) {
        return devices.get(plan.house().owner(control).id()).isClosed(control);
    }

    /** Devices that have a supply. */
    public Set<DeviceId> powered() {
        Set<DeviceId> powered = new HashSet<>();
        devices.forEach((id, device) -> {
            if (device.isPowered()) {
                powered.add(id);
            }
        });
        return powered;
    }

    /** Devices that act: some last through a short loss of supply. */
    public Set<DeviceId> acting() {
        Set<DeviceId> acting = new HashSet<>();
        devices.forEach((id, device) -> {
            if (device.acts()) {
                acting.add(id);
            }
        });
        return acting;
    }

    /** Counts up whenever {@link #powered} or {@link #acting} may have changed. */
    public int supplyChanges() {
        return supplyChanges;
    }

    /** Whether the hub is there, and takes every output of the house that it can reach for what it is. */
    public boolean agrees() {
        return devices.values().stream()
                .filter(device -> device.isPowered() && post.isWayWhole(device.device()))
                .allMatch(device -> device.channels().entrySet().stream().allMatch(channel -> hub.runner()
                        .known(channel.getKey())
                        .filter(known -> known == channel.getValue().level())
                        .isPresent()));
    }

    /** When something happens by itself next; empty when nothing will. */
    public OptionalLong due() {
        long due = next();
        return due == Long.MAX_VALUE ? OptionalLong.empty() : OptionalLong.of(due);
    }

    private long next() {
        long next = Math.min(hub.due(agenda.now(), around), cloud.due(agenda.now(), around));
        next = Math.min(next, agenda.next());
        if (!devicesDueKnown) {
            devicesDue =
                    devices.values().stream().mapToLong(LiveDevice::due).min().orElse(Long.MAX_VALUE);
            devicesDueKnown = true;
        }
        next = Math.min(next, devicesDue);
        for (RulePlace place : inDevices.values()) {
            next = Math.min(next, place.due(agenda.now(), around));
        }
        return next;
    }

    /** Lets happen everything up to an instant, in order. */
    public void pass(long untilMs) {
        for (long next = next(); next <= untilMs; next = next()) {
            agenda.comesTo(next);
            happen();
        }
        agenda.comesTo(untilMs);
    }

    private void happen() {
        long now = agenda.now();
        agenda.happen();
        if (devicesDue <= now) {
            devices.values().forEach(device -> device.pass(now));
        }
        inDevices.forEach((id, place) -> {
            List<RuleRunner.Ordered> orders = place.pass(now, around);
            if (devices.get(id).acts()) {
                place.runner().fired().forEach(this::fired);
                orders.forEach(ordered -> post.ordersFrom(devices.get(id), ordered));
            }
        });
        passes(hub, post.isHubThere());
        passes(cloud, post.isCloudThere());
        settle();
    }

    private void passes(RulePlace place, boolean isThere) {
        List<RuleRunner.Ordered> orders = place.pass(agenda.now(), around);
        List<RuleRunner.Fired> fired = place.runner().fired();
        if (isThere) {
            fired.forEach(this::fired);
            orders.forEach(post::ordersFromHub);
        }
    }

    private void fired(RuleRunner.Fired fired) {
        chronicle.tell(Happening.Kind.RULE, () -> "\"" + fired.rule().name() + "\" begins");
    }

    private void settle() {
        Set<String> dead = conditions.circuitsOff();
        Set<DeviceId> broken = conditions.broken();
        wires.settle(agenda.now(), dead, broken);
        if (!dead.equals(lastDead) || !broken.equals(lastBroken)) {
            lastDead = dead;
            lastBroken = broken;
            unwired.forEach(device -> device.supply(
                    agenda.now(),
                    !broken.contains(device.device().id())
                            && device.device().circuit().filter(dead::contains).isEmpty()));
        }
    }

    /** A hand does something. */
    public void hand(Hand hand) {
        chronicle.tell(
                Happening.Kind.HAND,
                () -> chronicle.words().nameOf(hand.at()) + " " + hand.doing().words());
        hands.work(hand);
        settle();
    }

    /** Somebody switches an output by remote: the hub is asked to. */
    public void remote(RuleRunner.Order order) {
        remote(order, "remote");
    }

    /** @param by who asks, in words */
    public void remote(RuleRunner.Order order, String by) {
        chronicle.tell(
                Happening.Kind.HAND,
                () -> chronicle.words().nameOf(order.output()) + ": "
                        + chronicle.words().of(order) + ", by " + by);
        if (!post.isHubThere()) {
            chronicle.tell(Happening.Kind.LOST, () -> "The hub is not there to be asked");
        } else {
            post.ordersFromHub(new RuleRunner.Ordered(order, by));
        }
        settle();
    }

    /** A sensor senses something. */
    public void sense(SensorId sensor, int value) {
        sensors.put(sensor, value);
        LiveDevice device = devices.get(plan.house().owner(sensor).id());
        chronicle.tell(Happening.Kind.CONDITION, () -> chronicle.words().nameOf(sensor) + " senses " + value);
        if (device.isPowered()) {
            says(device.device(), new Message.Sensed(sensor, value, false));
        }
    }

    /** Somebody comes home, or the last one leaves. */
    public void household(boolean home) {
        boolean changed = somebodyHome != home;
        somebodyHome = home;
        if (changed) {
            chronicle.tell(Happening.Kind.CONDITION, () -> home ? "Somebody comes home" : "The last one leaves");
            if (post.isHubThere()) {
                hub.household(agenda.now(), home, around);
            }
            if (post.isCloudThere()) {
                cloud.household(agenda.now(), home, around);
            }
        }
    }

    /** Lets it be dark or light whatever the sun does; empty leaves it to the sun. */
    public void dark(Optional<Boolean> isDark) {
        dark = isDark;
    }

    /** Puts the clock on to the next time that it shows this; times of rules in between do not come. */
    public void clock(LocalTime to) {
        ZonedDateTime at = clock();
        ZonedDateTime next = at.with(to);
        next = next.isBefore(at) ? at.plusDays(1).with(to) : next;
        start = start.plus(Duration.between(at, next));
        hub.clockMoved();
        cloud.clockMoved();
        inDevices.values().forEach(RulePlace::clockMoved);
    }

    /** Something fails, comes back, or is slow. */
    public void conditions(Conditions next) {
        Conditions before = conditions;
        Set<Device> cut = new HashSet<>(plan.house().devices().stream()
                .filter(device -> !post.isWayWhole(device))
                .toList());
        conditions = next;
        post.goesBy(next);
        next.down().stream()
                .filter(part -> !before.isDown(part))
                .sorted()
                .forEach(part -> chronicle.tell(Happening.Kind.CONDITION, () -> part.words() + " is down"));
        before.down().stream()
                .filter(part -> !next.isDown(part))
                .sorted()
                .forEach(part -> chronicle.tell(Happening.Kind.CONDITION, () -> part.words() + " is back"));
        if (before.isDown(Part.HUB) && !next.isDown(Part.HUB)) {
            post.hubStarts();
        }
        if (before.isDown(Part.INTERNET) && !next.isDown(Part.INTERNET)) {
            // The hub tells the cloud how things are; what happened meanwhile is over.
            plan.house().outputs().keySet().forEach(output -> hub.runner()
                    .known(output)
                    .ifPresent(level -> cloud.runner().learn(output, level)));
        }
        settle();
        cut.stream()
                .filter(device -> post.isWayWhole(device) && !post.carries(device))
                .forEach(this::isBack);
    }

    /** A device, or the way to it, is back: it tells what it is. */
    public void isBack(Device device) {
        post.isBack(device, sensors);
    }

    /** Whether the hub would hear a device, as far as networks go. */
    public boolean hears(Device device) {
        return post.isWayWhole(device);
    }

    /** Something has come to the hub. @param sentMs when it was said */
    public void reachesHub(Device device, Message said, long sentMs) {
        post.reachesHub(device, said, sentMs);
    }

    /** An order has come to a device. @param sentMs when it was given */
    public void reachesDevice(Device device, Message.Ordered said, long sentMs) {
        post.reachesDevice(device, said, sentMs);
    }

    /** What rules may ask of the world around them. */
    private final class Surroundings implements RulePlace.Around {
        @Override
        public World world(Map<SensorId, World.Sensing> heard) {
            return new World(clock().toLocalTime(), isDark(), somebodyHome, heard);
        }

        @Override
        public Instant instant(long nowMs) {
            return start.plusMillis(nowMs);
        }
    }
}
