package org.hiddenclerk.core.live;

import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.SwitchId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuledHouse;

/** Hands at the switches of a house, and at the buttons of its remote controls. */
final class Hands {
    /** How long a finger stays on a button, and how long when it holds it; common practice, no source. */
    private static final long PRESS_MS = 200;

    private static final long HOLD_MS = 1_000;
    private static final long BETWEEN_PRESSES_MS = 300;
    /** How long the contacts of a switch are on their way; common practice, no source. */
    private static final long CONTACTS_MOVE_MS = 30;

    private final RuledHouse house;
    private final Map<DeviceId, LiveDevice> devices;
    private final Wires wires;
    private final EventQueue agenda;

    Hands(RuledHouse house, Map<DeviceId, LiveDevice> devices, Wires wires, EventQueue agenda) {
        this.house = house;
        this.devices = devices;
        this.wires = wires;
        this.agenda = agenda;
    }

    void work(Hand hand) {
        Device.Control control = house.controls().get(hand.at().control());
        if (control != null && control.kind() == Device.Kind.REMOTE_BUTTON) {
            LiveDevice device = deviceOf(control.id());
            if (device.isPowered()) {
                device.button(control, gesture(hand.doing()));
            }
        } else if (hand.doing() == Hand.Doing.FLIP) {
            move(hand.at(), !isOperated(hand.at()));
        } else {
            press(hand.at(), hand.doing() == Hand.Doing.HOLD ? HOLD_MS : PRESS_MS);
            if (hand.doing() == Hand.Doing.PRESS_TWICE) {
                agenda.later(PRESS_MS + BETWEEN_PRESSES_MS, () -> press(hand.at(), PRESS_MS));
            }
        }
    }

    private static Device.Gesture gesture(Hand.Doing doing) {
        return switch (doing) {
            case FLIP, PRESS -> Device.Gesture.SHORT;
            case HOLD -> Device.Gesture.LONG;
            case PRESS_TWICE -> Device.Gesture.DOUBLE;
        };
    }

    /** Whether a switch stands in its second position, or the contact of a control that hangs on no wiring is closed. */
    boolean isOperated(SwitchId at) {
        return wires.hasSwitch(at)
                ? wires.isOperated(at)
                : house.controls().containsKey(at.control())
                        && deviceOf(at.control()).isClosed(at.control());
    }

    private LiveDevice deviceOf(ControlId control) {
        return devices.get(house.owner(control).id());
    }

    private void press(SwitchId at, long ms) {
        move(at, true);
        agenda.later(ms, () -> move(at, false));
    }

    private void move(SwitchId at, boolean to) {
        if (!wires.hasSwitch(at)) {
            deviceOf(at.control()).contact(agenda.now(), at.control(), to);
        } else if (wires.listensForBreaks(at)) {
            wires.between(Set.of(at));
            agenda.later(CONTACTS_MOVE_MS, () -> {
                wires.between(Set.of());
                wires.operate(at, to);
            });
        } else {
            wires.operate(at, to);
        }
    }
}
