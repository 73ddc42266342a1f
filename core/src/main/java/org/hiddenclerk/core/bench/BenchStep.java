package org.hiddenclerk.core.bench;

/** What is done to a module on the bench, in the order of the work. */
public enum BenchStep {
    POWER_UP("Power it up", "With its own supply.", false),
    UPDATE("Update it", "The newest stable version of its line, before it joins anything.", true),
    CREDENTIAL("Keep its code", "Read the code off the module, not off the carton.", true),
    NAME("Name it", "By the convention of the job, on the device and on the hub together.", false),
    LABEL("Label it", "Where the label is seen when the box is open.", true),
    SETTINGS(
            "Set it",
            "What it is shipped as first, where that is another function: a blind controller "
                    + "that is to be two relays, the mode of each input. Then behaviour of the inputs, " + "rest "
                    + "position, what it does when the supply comes back.",
            true),
    INPUTS("Test every input", "With a button on the bench: each input is seen, and drives what it should.", true),
    CHANNELS("Test every channel", "With a lamp on the bench: each channel goes on and off.", true),
    JOIN(
            "Let it join here",
            "Its button can't be reached once it is in: it joins at the bench, and is seen in its network.",
            true),
    PACK("Pack it", "With its bypass, connectors and spacer, marked with the box it is for.", false);

    private final String title;
    private final String how;
    private final boolean skippable;

    BenchStep(String title, String how, boolean skippable) {
        this.title = title;
        this.how = how;
        this.skippable = skippable;
    }

    public String title() {
        return title;
    }

    /**
     * How it is done.
     *
     * @param powering how a module of this kind gets its power on the bench, in words
     * @param voltFree whether its contacts are apart from its supply
     */
    public String how(String powering, boolean voltFree) {
        return switch (this) {
            case POWER_UP -> powering;
            case CHANNELS ->
                voltFree
                        ? "With a meter across the contact, or a lamp of extra-low voltage: no mains on a volt-free contact at the bench."
                        : how;
            case UPDATE, CREDENTIAL, NAME, LABEL, INPUTS, SETTINGS, JOIN, PACK -> how;
        };
    }

    /** Whether it takes a module that lies on the bench: of one that is in its box already it is not asked. */
    boolean isForTheBench() {
        return switch (this) {
            case POWER_UP, INPUTS, CHANNELS, JOIN, PACK -> true;
            case UPDATE, CREDENTIAL, NAME, LABEL, SETTINGS -> false;
        };
    }

    /** Whether it may be left out with a reason. */
    public boolean isSkippable() {
        return skippable;
    }
}
