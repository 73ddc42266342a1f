package org.hiddenclerk.core.live;

import java.util.Locale;
import org.hiddenclerk.core.identity.SwitchId;

/**
 * What somebody does to a switch at the wall, or to a button of a remote control.
 *
 * @param at id of the switch, or of the control
 */
public record Hand(SwitchId at, Doing doing) {
    /** What a hand does. */
    public enum Doing {
        FLIP,
        PRESS,
        HOLD,
        PRESS_TWICE;

        /** As in a sentence: is flipped, is pressed. */
        public String words() {
            return switch (this) {
                case FLIP -> "is flipped";
                case PRESS -> "is pressed";
                case HOLD -> "is held";
                case PRESS_TWICE -> "is pressed twice";
            };
        }

        public String label() {
            return name().toLowerCase(Locale.ROOT).replace('_', ' ');
        }
    }
}
