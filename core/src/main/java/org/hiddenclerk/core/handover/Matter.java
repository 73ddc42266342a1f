package org.hiddenclerk.core.handover;

/** What the outcome of a test rests on. When it is no longer what it was, the test is made again. */
public enum Matter {
    WIRING("the wiring"),
    LOADS("what is fed"),
    SETTINGS("the settings"),
    LINKS("links and rules"),
    DEVICE("the module"),
    FIRMWARE("the firmware");

    private final String words;

    Matter(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
