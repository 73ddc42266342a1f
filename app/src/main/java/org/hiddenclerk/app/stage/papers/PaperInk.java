package org.hiddenclerk.app.stage.papers;

import org.hiddenclerk.core.wiring.drawing.Ink;

/** Inks of paper, as the screen has them by day. */
final class PaperInk {
    private PaperInk() {}

    /** @return {@code #rrggbb}; what is not drawn on paper has the ink of text */
    static String of(Ink ink) {
        return switch (ink) {
            case NONE, TEXT, OPERABLE, CHANGED, LIT, GLOW, WITHIN_LIT -> "#1c1a17";
            case SOFT, WHITE_EDGE -> "#4b4740";
            case PAPER -> "#ffffff";
            case BODY -> "#f3f1ec";
            case TAG -> "#9a958c";
            case YELLOW -> "#d9b31c";
            case BROWN -> "#6e3f1c";
            case BLACK -> "#322e29";
            case GREY -> "#7e7a74";
            case BLUE -> "#1f66b3";
            case GREEN -> "#2f7a45";
            case RED -> "#b3261e";
            case WHITE -> "#f2efe8";
            case ORANGE -> "#d9782b";
            case VIOLET -> "#6d3f9c";
            case BARE -> "#b07a3a";
        };
    }
}
