package org.hiddenclerk.core.handover;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameters;

/** How a switch input is set, in words for the as-built book: only what its behaviour makes use of. */
public final class SettingWords {
    private SettingWords() {}

    public static List<String> of(InputBehaviour behaviour, Parameters parameters) {
        List<String> words = new ArrayList<>(List.of(behaviour.label()));
        if (behaviour.isLedByPosition() && parameters.inverted()) {
            words.add("inverted");
        }
        if (behaviour.hasContact()) {
            words.add("counts after " + parameters.debounceMs() + " ms");
            if (parameters.rest() == Contact.CLOSED) {
                words.add("closed at rest");
            }
        }
        switch (behaviour) {
            case RUN_ON ->
                words.add("runs on for " + duration(parameters.runOnMs())
                        + (parameters.pressStops() ? ", a press stops it" : ""));
            case SHORT_LONG -> words.add("long from " + parameters.holdMs() + " ms");
            case UP_DOWN -> words.add("pause before reversing " + parameters.reversePauseMs() + " ms");
            case SUPPLY_BLINK ->
                words.add("a blink is " + parameters.minimumBlinkMs() + " to " + parameters.holdUpMs() + " ms");
            default -> {}
        }
        if (behaviour.switchesByItself() && !behaviour.movesSomething()) {
            words.add("after a power cut: " + parameters.powerOn().label());
        }
        return words;
    }

    /** Whole minutes where it comes out even, seconds otherwise. */
    static String duration(long ms) {
        if (ms % 60_000 == 0) {
            long minutes = ms / 60_000;
            return minutes + (minutes == 1 ? " minute" : " minutes");
        }
        return BigDecimal.valueOf(ms, 3).stripTrailingZeros().toPlainString() + " seconds";
    }
}
