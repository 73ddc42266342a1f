package org.hiddenclerk.core.wiring.drawing;

import org.hiddenclerk.core.job.CoreColour;

/** What something is drawn with; who shows a drawing has a colour for each. */
public enum Ink {
    /** Nothing: one looks through. */
    NONE,
    TEXT,
    SOFT,
    PAPER,
    BODY,
    /** Edge of what can be operated, where it can. */
    OPERABLE,
    /** Edge of the letters of a conductor that stays, and of one that the plan moves. */
    TAG,
    CHANGED,
    /** A load that is on or dim, and lines within one that is on. */
    LIT,
    GLOW,
    WITHIN_LIT,
    /** Edge of a white insulation, that it is seen on paper. */
    WHITE_EDGE,
    BROWN,
    BLACK,
    GREY,
    BLUE,
    GREEN,
    YELLOW,
    RED,
    WHITE,
    ORANGE,
    VIOLET,
    BARE;

    /** Of an insulation; of green-yellow what its yellow stripes are drawn on. */
    static Ink of(CoreColour colour) {
        return switch (colour) {
            case BROWN -> BROWN;
            case BLACK -> BLACK;
            case GREY -> GREY;
            case BLUE -> BLUE;
            case GREEN, GREEN_YELLOW -> GREEN;
            case YELLOW -> YELLOW;
            case RED -> RED;
            case WHITE -> WHITE;
            case ORANGE -> ORANGE;
            case VIOLET -> VIOLET;
            case BARE -> BARE;
        };
    }
}
