package org.hiddenclerk.core.rules;

import java.util.Set;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;

/**
 * A control that acts on an output of another device.
 *
 * @param throughGroup whether a direct binding goes through a group, as it must where a device has several endpoints
 */
public record Link(String id, ControlId control, OutputId output, Way way, Effect effect, boolean throughGroup) {
    /** How a command gets from one to the other. */
    public enum Way {
        WIRE("by wire"),
        LOCAL_GROUP("by local group"),
        DIRECT_BINDING("by direct binding"),
        HUB("by the hub"),
        CLOUD("by a cloud");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }

        public boolean isDirect() {
            return this == WIRE || this == LOCAL_GROUP || this == DIRECT_BINDING;
        }
    }

    /** What it does to the output. */
    public enum Effect {
        /** Changes it, whatever it is. */
        TOGGLE("changes"),
        /** The output becomes what the switch says. */
        FOLLOW("leads");

        private final String words;

        Effect(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What it names of the house. */
    public Set<HouseId> ids() {
        return Set.of(control, output);
    }

    public Link by(Way other) {
        return new Link(id, control, output, other, effect, throughGroup);
    }
}
