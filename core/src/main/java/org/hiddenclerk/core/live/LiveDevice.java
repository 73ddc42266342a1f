package org.hiddenclerk.core.live;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Consumer;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.Cause;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.Event;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Machine;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.behaviour.Output;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.State;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.RuleRunner;

/** The electronics of one device: a behaviour for each of its inputs, and one for each output that no input commands. */
final class LiveDevice {
    private static final int FULL = 100;

    private final Device device;
    private final List<Unit> units = new ArrayList<>();
    private final Map<OutputId, Channel> channels = new LinkedHashMap<>();
    private final List<Link> links;
    private final Consumer<Message> says;
    private final Consumer<Direct> commands;
    private boolean powered = true;
    private final Watcher watcher;
    private long due = Long.MAX_VALUE;

    /** Whoever keeps account of a device. */
    interface Watcher {
        /** Its supply came or went, or it fell or started. */
        void supplyChanged();

        void dueChanged();
    }

    /** An order to another device, without a hub. */
    record Direct(Link.Way way, RuleRunner.Order order, String by) {}

    /** An output as it is. */
    static final class Channel {
        private int level;
        private int whenOn = FULL;
        private Motion motion = Motion.STOP;

        int level() {
            return level;
        }

        Motion motion() {
            return motion;
        }
    }

    /** One machine, with the controls that it reads and the output that it commands. */
    private static final class Unit {
        private final Machine machine;
        private final List<Device.Control> controls;
        private final Optional<OutputId> output;
        private State state;

        Unit(Machine machine, List<Device.Control> controls, Optional<OutputId> output) {
            this.machine = machine;
            this.controls = controls;
            this.output = output;
            state = machine.start(
                    Collections.nCopies(machine.inputs(), machine.parameters().rest()), false, Motion.STOP);
        }

        boolean isBlind() {
            return machine.behaviour().movesSomething();
        }
    }

    /**
     * A device that has just been put in: everything is off.
     *
     * @param settings of its controls, and of its outputs that no control commands; those without any are set as usual
     * @param links    from its controls that it follows itself
     */
    LiveDevice(
            Device device,
            Map<HouseId, Parameters> settings,
            List<Link> links,
            Consumer<Message> says,
            Consumer<Direct> commands,
            Watcher watcher) {
        this.device = device;
        this.links = List.copyOf(links);
        this.says = says;
        this.commands = commands;
        this.watcher = watcher;
        device.outputs().forEach(output -> channels.put(output.id(), new Channel()));
        List<Device.Control> blind = device.controls().stream()
                .filter(control -> control.behaviour().movesSomething() && control.kind() != Device.Kind.REMOTE_BUTTON)
                .limit(2)
                .toList();
        if (!blind.isEmpty()) {
            units.add(new Unit(
                    new Machine(
                            InputBehaviour.UP_DOWN,
                            settings.getOrDefault(blind.get(0).id(), Parameters.USUAL)),
                    blind,
                    blind.get(0).output()));
        }
        device.controls().stream()
                .filter(control -> !blind.contains(control) && control.kind() != Device.Kind.REMOTE_BUTTON)
                .forEach(control -> units.add(new Unit(
                        new Machine(control.behaviour(), settings.getOrDefault(control.id(), Parameters.USUAL)),
                        List.of(control),
                        control.output())));
        device.outputs().stream()
                .filter(output -> units.stream()
                        .noneMatch(
                                unit -> unit.output.filter(output.id()::equals).isPresent()))
                .forEach(output -> units.add(new Unit(
                        new Machine(
                                ofOutput(output),
                                settings.getOrDefault(output.id(), Parameters.USUAL)
                                        .withRunOn(Adviser.PULSE_SECONDS * 1_000L)),
                        List.of(),
                        Optional.of(output.id()))));
    }

    /** How an output acts that no control commands; what opens a gate goes off by itself. */
    private static InputBehaviour ofOutput(Device.Output output) {
        return switch (output.drives()) {
            case BLIND -> InputBehaviour.UP_DOWN;
            case GATE -> InputBehaviour.RUN_ON;
            case LIGHT, SOCKET, HEATER, FAN, OTHER -> InputBehaviour.REPORT_ONLY;
        };
    }

    Device device() {
        return device;
    }

    Map<OutputId, Channel> channels() {
        return channels;
    }

    boolean isPowered() {
        return powered;
    }

    /** Tells every output once more. */
    void announce() {
        channels.forEach((output, channel) ->
                says.accept(new Message.Level(output, channel.level, channel.motion, Cause.REMOTE, true)));
    }

    /**
     * It is put in where its switches stand as they do: that is what they are counted from. Whoever leads by where it stands leads at
     * once; of all others nothing changes before a hand moves one.
     *
     * @param closed whether contacts are closed, by control; those that no wire reaches rest
     */
    void isPutIn(Map<ControlId, Boolean> closed) {
        for (Unit unit : units) {
            Contact rest = unit.machine.parameters().rest();
            List<Contact> contacts = new ArrayList<>(Collections.nCopies(unit.machine.inputs(), rest));
            for (int i = 0; i < unit.controls.size(); i++) {
                Boolean at = closed.get(unit.controls.get(i).id());
                contacts.set(i, at == null ? rest : at ? Contact.CLOSED : Contact.OPEN);
            }
            boolean leads = unit.machine.behaviour().isLedByPosition()
                    && (contacts.get(0) != rest) != unit.machine.parameters().inverted();
            unit.state = unit.machine.start(contacts, leads, Motion.STOP);
            unit.output
                    .map(channels::get)
                    .filter(channel -> leads)
                    .ifPresent(channel -> channel.level = channel.whenOn);
        }
    }

    /** Its supply goes or comes. */
    void supply(long now, boolean there) {
        if (there != powered) {
            powered = there;
            watcher.supplyChanged();
            units.forEach(unit ->
                    step(now, unit, List.of(new Event(now, there ? Event.Type.SUPPLY_BACK : Event.Type.SUPPLY_LOST))));
        }
    }

    /** Whether it acts at all: some last through a short loss of supply. */
    boolean acts() {
        return powered || units.stream().anyMatch(unit -> !unit.state.supply().fallen());
    }

    /** The contact at an input closes or opens. */
    void contact(long now, ControlId control, boolean closed) {
        for (Unit unit : units) {
            for (int i = 0; i < unit.controls.size(); i++) {
                if (unit.controls.get(i).id().equals(control)
                        && (unit.state.contacts().get(i) == Contact.CLOSED) != closed) {
                    step(now, unit, List.of(new Event(now, closed ? Event.Type.CLOSE : Event.Type.OPEN, i + 1)));
                }
            }
        }
    }

    /** Whether the contact at an input is closed, counted or not. */
    boolean isClosed(ControlId control) {
        return units.stream().anyMatch(unit -> {
            int at = unit.controls.stream().map(Device.Control::id).toList().indexOf(control);
            return at >= 0 && unit.state.contacts().get(at) == Contact.CLOSED;
        });
    }

    /** A button of a remote control is used, which no machine reads. */
    void button(Device.Control control, Device.Gesture gesture) {
        gestured(control, gesture, true);
    }

    void order(long now, RuleRunner.Order order) {
        Unit unit = units.stream()
                .filter(each -> each.output.filter(order.output()::equals).isPresent())
                .findFirst()
                .orElse(null);
        Channel channel = channels.get(order.output());
        if (unit == null || channel == null) {
            return;
        }
        if (unit.isBlind()) {
            motion(order)
                    .ifPresent(motion -> step(
                            now,
                            unit,
                            List.of(new Event(
                                    now,
                                    switch (motion) {
                                        case UP -> Event.Type.REMOTE_UP;
                                        case DOWN -> Event.Type.REMOTE_DOWN;
                                        case STOP -> Event.Type.REMOTE_STOP;
                                    }))));
        } else if (order instanceof RuleRunner.Order.Level level) {
            channel.whenOn = level.percent() > 0 ? level.percent() : channel.whenOn;
            boolean dims = level.percent() > 0 && channel.level > 0 && channel.level != level.percent();
            step(
                    now,
                    unit,
                    List.of(new Event(now, level.percent() > 0 ? Event.Type.REMOTE_ON : Event.Type.REMOTE_OFF)));
            if (dims) {
                channel.level = level.percent();
                says.accept(new Message.Level(order.output(), channel.level, Motion.STOP, Cause.REMOTE, false));
            }
        } else {
            step(now, unit, List.of(new Event(now, Event.Type.REMOTE_TOGGLE)));
        }
    }

    private static Optional<Motion> motion(RuleRunner.Order order) {
        if (order instanceof RuleRunner.Order.Move move) {
            return Optional.of(move.motion());
        }
        return order instanceof RuleRunner.Order.Level level
                ? Optional.of(level.percent() > 0 ? Motion.UP : Motion.STOP)
                : Optional.empty();
    }

    /** When something happens by itself; {@link Long#MAX_VALUE} when nothing will. */
    long due() {
        return due;
    }

    /** Lets happen what is due. */
    void pass(long now) {
        if (due > now) {
            return;
        }
        for (Unit unit : units) {
            while (unit.machine.due(unit.state).orElse(Long.MAX_VALUE) <= now) {
                step(unit.machine.due(unit.state).getAsLong(), unit, List.of());
            }
        }
    }

    private void step(long now, Unit unit, List<Event> events) {
        State before = unit.state;
        Machine.Step step = unit.machine.at(unit.state, now, events);
        unit.state = step.state();
        if (before.supply().fallen() != unit.state.supply().fallen()) {
            watcher.supplyChanged();
        }
        step.outputs().forEach(output -> make(unit, output));
        for (int i = 0; i < unit.controls.size(); i++) {
            if (before.counted().get(i) != unit.state.counted().get(i)
                    && !unit.state.supply().fallen()
                    && !before.supply().fallen()) {
                counted(
                        unit,
                        unit.controls.get(i),
                        unit.machine.parameters().rest() != unit.state.counted().get(i));
            }
        }
        due = units.stream()
                .flatMapToLong(each -> each.machine.due(each.state).stream())
                .min()
                .orElse(Long.MAX_VALUE);
        watcher.dueChanged();
    }

    /** A change of a contact has counted, and what it did to the output is told already. */
    private void counted(Unit unit, Device.Control control, boolean active) {
        if (control.behaviour().tellsPresses()) {
            return;
        }
        if (control.gestures().contains(Device.Gesture.FLIP)) {
            gestured(control, Device.Gesture.FLIP, active);
        }
        if (active && control.gestures().contains(Device.Gesture.PRESS)) {
            gestured(control, Device.Gesture.PRESS, true);
        }
    }

    /** Whoever is linked to a control hears of it after what it did itself. */
    private void gestured(Device.Control control, Device.Gesture gesture, boolean active) {
        boolean leads = gesture == control.leading();
        says.accept(new Message.Gestured(control.id(), gesture, active, leads));
        if (!leads) {
            return;
        }
        boolean led = control.output()
                .map(channels::get)
                .map(channel -> channel.level > 0)
                .orElse(active);
        links.stream()
                .filter(link -> link.control().equals(control.id()))
                .forEach(link -> commands.accept(new Direct(
                        link.way(),
                        link.effect() == Link.Effect.TOGGLE
                                ? new RuleRunner.Order.Toggle(link.output())
                                : new RuleRunner.Order.Level(link.output(), led ? FULL : 0),
                        "a link " + link.way().words())));
    }

    private void make(Unit unit, Output output) {
        if (output instanceof Output.Told told) {
            told(unit.controls.get(0), told.report());
        } else if (output instanceof Output.Relay relay) {
            unit.output.ifPresent(id -> relay(unit, id, relay));
        } else if (output instanceof Output.Moves moves) {
            unit.output.ifPresent(id -> moves(id, moves));
        }
    }

    private void told(Device.Control control, Output.Report report) {
        switch (report) {
            case SHORT -> gestured(control, Device.Gesture.SHORT, true);
            case LONG -> gestured(control, Device.Gesture.LONG, true);
            case ACTIVE, INACTIVE -> {}
        }
    }

    private void relay(Unit unit, OutputId id, Output.Relay relay) {
        Channel channel = channels.get(id);
        if (channel == null) {
            if (relay.cause() == Cause.HAND || relay.cause() == Cause.TIMER) {
                commands.accept(new Direct(
                        wayOut(), other(unit, id, relay), unit.controls.get(0).name()));
            }
            return;
        }
        boolean commanding = relay.cause() != Cause.SUPPLY || unit == first(id);
        int level = relay.on() ? channel.whenOn : 0;
        if (commanding && channel.level != level) {
            channel.level = level;
            units.stream()
                    .filter(each ->
                            each != unit && each.output.filter(id::equals).isPresent())
                    .forEach(each -> each.state = each.state.withRelay(relay.on()));
            says.accept(new Message.Level(id, level, Motion.STOP, relay.cause(), false));
        }
        if (!unit.machine.behaviour().hasContact() && relay.cause() == Cause.HAND) {
            gestured(unit.controls.get(0), Device.Gesture.FLIP, relay.on());
        }
    }

    /** What changes over is changed over where the output is; what says on or off says so. */
    private static RuleRunner.Order other(Unit unit, OutputId output, Output.Relay relay) {
        return unit.machine.behaviour().changesOver()
                ? new RuleRunner.Order.Toggle(output)
                : new RuleRunner.Order.Level(output, relay.on() ? FULL : 0);
    }

    private void moves(OutputId id, Output.Moves moves) {
        Channel channel = channels.get(id);
        if (channel == null) {
            commands.accept(new Direct(wayOut(), new RuleRunner.Order.Move(id, moves.motion()), device.name()));
        } else if (channel.motion != moves.motion()) {
            channel.motion = moves.motion();
            channel.level = moves.motion() == Motion.STOP ? 0 : FULL;
            says.accept(new Message.Level(id, channel.level, moves.motion(), moves.cause(), false));
        }
    }

    /** How it commands others without a hub. */
    Link.Way wayOut() {
        return device.protocol().isMesh() ? Link.Way.DIRECT_BINDING : Link.Way.LOCAL_GROUP;
    }

    private Unit first(OutputId output) {
        return units.stream()
                .filter(unit -> unit.output.filter(output::equals).isPresent())
                .findFirst()
                .orElseThrow();
    }
}
