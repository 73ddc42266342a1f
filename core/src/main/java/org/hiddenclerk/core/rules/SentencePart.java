package org.hiddenclerk.core.rules;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;

/** A part of a sentence: words that stand, or a slot that can be filled otherwise. */
public record SentencePart(String words, Optional<Slot> slot) {
    /** What may be put into a slot. */
    public enum Kind {
        OUTPUT,
        OUTPUTS,
        CONTROL,
        SENSOR,
        GESTURE,
        TO,
        COMMAND,
        READING,
        MINUTES,
        SECONDS,
        MILLISECONDS,
        PERCENT,
        PERCENTS,
        FIGURE,
        TIME,
        OFFSET,
        DAYS,
        MOTION,
        HOME,
        DARK,
        ON_OFF,
        BY_HAND,
        RULE_TEXT,
        DATE_TIME,
        SEED,
        KEY,
        VALUE,
        DEVICE,
        SUN,
        SWITCH,
        DOING,
        PART
    }

    /**
     * A place in a rule that a person may change.
     *
     * @param pointer JSON pointer within the rule
     * @param unit    shown behind it; empty where it has none
     */
    public record Slot(String pointer, Kind kind, String unit) {}

    public static SentencePart text(String words) {
        return new SentencePart(words, Optional.empty());
    }

    public static SentencePart slot(String words, String pointer, Kind kind, String unit) {
        return new SentencePart(words, Optional.of(new Slot(pointer, kind, unit)));
    }

    public static SentencePart slot(String words, String pointer, Kind kind) {
        return slot(words, pointer, kind, "");
    }

    /** The sentence without its slots. */
    public static String plain(List<SentencePart> pieces) {
        return pieces.stream()
                .map(piece -> piece.words
                        + piece.slot
                                .filter(slot -> !slot.unit().isEmpty())
                                .map(slot -> " " + slot.unit())
                                .orElse(""))
                .collect(Collectors.joining());
    }
}
