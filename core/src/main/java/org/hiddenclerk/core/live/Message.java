package org.hiddenclerk.core.live;

import org.hiddenclerk.core.behaviour.Cause;
import org.hiddenclerk.core.behaviour.Motion;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.RuleRunner;

/** Something that is said in a house. */
public sealed interface Message {
    /** Whether nothing changed and it is only told once more. */
    default boolean again() {
        return false;
    }

    /**
     * An output is so.
     *
     * @param percent 0 is off
     * @param motion  of a blind; STOP for others
     */
    record Level(OutputId output, int percent, Motion motion, Cause by, boolean again) implements Message {}

    /**
     * A control was used.
     *
     * @param active what it says now
     * @param leads  whether it leads by this what it is linked to; a button tells of its release too
     */
    record Gestured(ControlId control, Device.Gesture gesture, boolean active, boolean leads) implements Message {}

    /** @param value as in {@link org.hiddenclerk.core.rules.World.Sensing} */
    record Sensed(SensorId sensor, int value, boolean again) implements Message {}

    /** @param by whose order it is, in words */
    record Ordered(RuleRunner.Order order, String by) implements Message {}
}
