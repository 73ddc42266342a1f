package org.hiddenclerk.core.live;

import org.hiddenclerk.core.rules.Device;

/** Carries what devices and hub say over a network of its own; what it takes no part in goes by the clock of the house. */
public interface Carrier {
    /** Whether it carries for this device. */
    boolean carries(Device device);

    /** @return false when it is lost on the way out */
    boolean toHub(Device from, Message said, long sentMs);

    /** @return false when it is lost on the way out */
    boolean toDevice(Device to, Message.Ordered ordered, long sentMs);

    /** The hub has heard something, whoever carried it: it may pass it on. */
    default void heardByHub(Device from, Message said, long sentMs) {
        // Nobody else listens.
    }

    /** A house that nobody carries for but its own clock. */
    Carrier NONE = new Carrier() {
        @Override
        public boolean carries(Device device) {
            return false;
        }

        @Override
        public boolean toHub(Device from, Message said, long sentMs) {
            return false;
        }

        @Override
        public boolean toDevice(Device to, Message.Ordered ordered, long sentMs) {
            return false;
        }
    };
}
