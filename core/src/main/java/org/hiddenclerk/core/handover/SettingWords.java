package org.hiddenclerk.core.handover;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.behaviour.Contact;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameter;
import org.hiddenclerk.core.behaviour.Parameters;

/** How a switch input is set, in words for the as-built book: only what its behaviour makes use of. */
public final class SettingWords {
    private SettingWords() {}

    public static List<String> of(InputBehaviour behaviour, Parameters parameters) {
        List<String> words = new ArrayList<>(List.of(behaviour.label()));
        behaviour.parameters().forEach(parameter -> words.addAll(of(parameter, parameters)));
        if (behaviour.switchesByItself() && !behaviour.movesSomething()) {
            words.add("after a power cut: " + parameters.powerOn().label());
        }
        return words;
    }

    private static List<String> of(Parameter parameter, Parameters set) {
        return switch (parameter) {
            case DEBOUNCE -> List.of("counts after " + set.debounceMs() + " ms");
            case REST -> set.rest() == Contact.CLOSED ? List.of("closed at rest") : List.of();
            case INVERTED -> set.inverted() ? List.of("inverted") : List.of();
            case HOLD -> List.of("long from " + set.holdMs() + " ms");
            case RUN_ON -> List.of("runs on for " + duration(set.runOnMs()));
            case PRESS_STOPS -> set.pressStops() ? List.of("a press stops it") : List.of();
            case BLINK -> List.of("a blink is " + set.minimumBlinkMs() + " to " + set.holdUpMs() + " ms");
            case REVERSE_PAUSE -> List.of("pause before reversing " + set.reversePauseMs() + " ms");
        };
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
