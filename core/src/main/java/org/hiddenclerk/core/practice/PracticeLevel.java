package org.hiddenclerk.core.practice;

/** What a wall asks of the person in front of it, easiest first. */
public enum PracticeLevel {
    ONE_SWITCH(
            "One switch", "One lamp, one switch, fed at the switch or at the lamp. The colours are as they should be."),
    ODD_COLOURS(
            "Odd colours",
            "One switch again, but somebody used what was on the reel, and a neutral may hide behind the switch."),
    TWO_SWITCHES(
            "Two switches",
            "One lamp, two switches, feed and lamp in either box. A traveller that floats makes a pen beep."),
    TWO_CIRCUITS(
            "Two circuits in a box",
            "Two switches side by side on two circuits. Not every wall is fit to be built on."),
    THREE_SWITCHES(
            "Three switches", "One lamp, three switches, the middle one an intermediate. The colours may mislead."),
    THREE_STRAPPER("Three-strapper", "Two switches with their commons joined. Nothing is where one expects it.");

    private final String label;
    private final String words;

    PracticeLevel(String label, String words) {
        this.label = label;
        this.words = words;
    }

    public String label() {
        return label;
    }

    /** What one meets. */
    public String words() {
        return words;
    }
}
