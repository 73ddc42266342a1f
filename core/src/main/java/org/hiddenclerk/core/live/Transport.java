package org.hiddenclerk.core.live;

import java.util.Map;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Reach.Part;
import org.hiddenclerk.core.rules.RuleRunner;

/** Carries what devices, hub and cloud say to each other: by the clock of the house or by a carrier, late, or not at all. */
final class Transport {
    private final LivePlan plan;
    private final EventQueue agenda;
    private final EventLog chronicle;
    private final Carrier carrier;
    private final Map<DeviceId, LiveDevice> devices;
    private final RulePlace hub;
    private final RulePlace cloud;
    private final RulePlace.Around around;
    private final Runnable settles;
    private Conditions conditions = Conditions.WHOLE;
    private long hubSinceMs;

    /** @param settles lets the wiring act on what a device has just done */
    Transport(
            LivePlan plan,
            EventQueue agenda,
            EventLog chronicle,
            Carrier carrier,
            Map<DeviceId, LiveDevice> devices,
            RulePlace hub,
            RulePlace cloud,
            RulePlace.Around around,
            Runnable settles) {
        this.plan = plan;
        this.agenda = agenda;
        this.chronicle = chronicle;
        this.carrier = carrier;
        this.devices = devices;
        this.hub = hub;
        this.cloud = cloud;
        this.around = around;
        this.settles = settles;
    }

    void goesBy(Conditions now) {
        conditions = now;
    }

    /** The hub has started, and knows nothing of what was before. */
    void hubStarts() {
        hubSinceMs = agenda.now();
        hub.startAnew();
        cloud.startAnew();
    }

    boolean isHubThere() {
        return !conditions.isDown(Part.HUB);
    }

    boolean isCloudThere() {
        return isHubThere() && !conditions.isDown(Part.INTERNET);
    }

    /** Whether the hub would hear a device. */
    boolean isWayWhole(Device device) {
        return isHubThere()
                && !conditions.isDown(Part.of(device))
                && !conditions.isAnyDown(Part.toHub(device.protocol()));
    }

    /** A device, or the way to it, is back: it tells what it is. What its sensors say a broker has kept where one carries for it. */
    void isBack(Device device, Map<SensorId, Integer> sensors) {
        LiveDevice live = devices.get(device.id());
        if (live.isPowered()) {
            live.announce();
            if (!carrier.carries(device)) {
                device.sensors().stream()
                        .filter(sensor -> sensors.containsKey(sensor.id()))
                        .forEach(sensor ->
                                toHub(device, new Message.Sensed(sensor.id(), sensors.get(sensor.id()), true)));
            }
        }
    }

    boolean carries(Device device) {
        return carrier.carries(device);
    }

    void toHub(Device device, Message said) {
        long sent = agenda.now();
        if (carrier.carries(device)) {
            if (!carrier.toHub(device, said, sent)) {
                chronicle.lost(said, "it is cut off");
            }
        } else if (conditions.isAnyDown(Part.toHub(device.protocol()))) {
            chronicle.lost(said, "its way to the hub is down");
        } else {
            agenda.later(
                    (long) plan.delays().toHub(device.protocol()) * conditions.slow(),
                    () -> reachesHub(device, said, sent));
        }
    }

    void reachesHub(Device device, Message said, long sentMs) {
        if (!isHubThere()) {
            chronicle.lost(said, "the hub is not there");
        } else if (conditions.polling() && said instanceof Message.Gestured) {
            chronicle.lost(said, "the hub asks for states only");
        } else if (conditions.polling()) {
            agenda.later(Conditions.POLL_MS - agenda.now() % Conditions.POLL_MS, () -> hubHears(device, said, sentMs));
        } else {
            hubHears(device, said, sentMs);
        }
    }

    private void hubHears(Device from, Message said, long sentMs) {
        carrier.heardByHub(from, said, sentMs);
        if (isNews(said)) {
            chronicle.came("Hub hears: ", said, sentMs);
        }
        // What was said before the hub was there is how things are, and nothing that happens.
        Message heard = said instanceof Message.Sensed sensed && sentMs < hubSinceMs
                ? new Message.Sensed(sensed.sensor(), sensed.value(), true)
                : said;
        hub.hear(agenda.now(), heard, around);
        if (isCloudThere()) {
            cloud.hear(agenda.now(), heard, around);
        }
    }

    private boolean isNews(Message said) {
        return said instanceof Message.Level level
                ? hub.runner()
                        .known(level.output())
                        .filter(known -> known != level.percent())
                        .isPresent()
                : !said.again();
    }

    void ordersFromHub(RuleRunner.Ordered ordered) {
        Device to = plan.house().owner(ordered.order().output());
        Message.Ordered said = new Message.Ordered(ordered.order(), ordered.by());
        long sent = agenda.now();
        if (carrier.carries(to)) {
            if (!carrier.toDevice(to, said, sent)) {
                chronicle.lost(said, "the hub is cut off");
            }
        } else if (conditions.isAnyDown(Part.toHub(to.protocol()))) {
            chronicle.lost(said, "the way from the hub is down");
        } else {
            agenda.later(
                    (long) plan.delays().toHub(to.protocol()) * conditions.slow(), () -> reachesDevice(to, said, sent));
        }
    }

    /** A rule that runs in a device orders an output of its own, or one of another device. */
    void ordersFrom(LiveDevice device, RuleRunner.Ordered ordered) {
        if (device.channels().containsKey(ordered.order().output())) {
            device.order(agenda.now(), ordered.order());
        } else {
            direct(device.device(), new LiveDevice.Direct(device.wayOut(), ordered.order(), ordered.by()));
        }
    }

    void direct(Device from, LiveDevice.Direct direct) {
        Device to = plan.house().owner(direct.order().output());
        Message.Ordered said = new Message.Ordered(direct.order(), direct.by());
        if (direct.way() == Link.Way.LOCAL_GROUP && conditions.isDown(Part.WIFI)) {
            chronicle.lost(said, "the Wi-Fi is down");
        } else {
            long sent = agenda.now();
            int ms = direct.way() == Link.Way.WIRE ? 0 : plan.delays().direct(from.protocol());
            agenda.later((long) ms * conditions.slow(), () -> reachesDevice(to, said, sent));
        }
    }

    void reachesDevice(Device device, Message.Ordered said, long sentMs) {
        LiveDevice live = devices.get(device.id());
        if (!live.acts()) {
            chronicle.lost(said, device.name() + " is not there");
            return;
        }
        chronicle.came("", said, sentMs);
        live.order(agenda.now(), said.order());
        settles.run();
    }
}
