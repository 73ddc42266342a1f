package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.behaviour.Parameter;
import org.hiddenclerk.core.behaviour.Parameters;
import org.hiddenclerk.core.behaviour.PowerOn;
import org.hiddenclerk.core.catalogue.ModuleModel;

/**
 * What a module is set to, by key: {@code power-on} (off, on, last or as-switch), {@code works-as} (relay, dimmer or blind controller,
 * where a plan wants another function than it is shipped with), {@code input-N.behaviour} (a code of
 * {@link InputBehaviour}), {@code input-N.inverted} (yes or no), {@code input-N.rest} (open or closed), {@code input-N.press-stops}
 * (yes or no), {@code input-N.debounce} and {@code input-N.hold} (milliseconds), {@code channel-N.off-after} (seconds, 0 for never),
 * {@code channel-N.reverse-pause} (milliseconds), and {@code input-N.commands} (address and channel of another device that the input
 * switches by itself, as {@code ADDRESS/1}): that one follows from the wiring, and nobody chooses it.
 */
public final class Settings {
    private static final String POWER_ON = "power-on";
    private static final String WORKS_AS = "works-as";
    /** What a module may work as, by the words of the stock book. */
    private static final List<String> FUNCTIONS = List.of("relay", "dimmer", "blind controller");

    private static final Pattern KEY = Pattern.compile(
            "(?:input-([1-9])\\.(behaviour|inverted|rest|press-stops|debounce|hold)|channel-([1-9])\\.(off-after|reverse-pause))");
    private static final int LONGEST_SECONDS = 86_400;

    private Settings() {}

    /**
     * Something that a module may be set to.
     *
     * @param values what may be chosen, with words; empty where it is a number
     */
    public record Choice(String key, String words, Map<String, String> values) {}

    /** Everything that a module may be set to. */
    public static List<Choice> of(ModuleModel model) {
        List<Choice> choices = new ArrayList<>();
        if (!ofFunction(model, "").isEmpty()) {
            choices.add(new Choice(
                    WORKS_AS,
                    "What it works as",
                    ordered("relay", "relay", "dimmer", "dimmer", "blind controller", "blind controller")));
        }
        choices.add(new Choice(
                POWER_ON,
                "When the supply comes back",
                ordered("off", "off", "on", "on", "last", "as it was", "as-switch", "as the wall switch stands")));
        Map<String, String> behaviours = new LinkedHashMap<>();
        model.behaviours().stream().sorted().forEach(behaviour -> behaviours.put(behaviour.name(), behaviour.label()));
        for (int input = 1; input <= model.inputs().size(); input++) {
            choices.add(new Choice("input-" + input + ".behaviour", "Input " + input, behaviours));
            choices.add(new Choice(
                    "input-" + input + ".inverted", "Input " + input + " inverted", ordered("no", "no", "yes", "yes")));
        }
        for (int channel = 1; channel <= model.channels().size(); channel++) {
            choices.add(new Choice(
                    "channel-" + channel + ".off-after", "Channel " + channel + " goes off after, s", Map.of()));
        }
        return choices;
    }

    private static Map<String, String> ordered(String... pairs) {
        Map<String, String> map = new LinkedHashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put(pairs[i], pairs[i + 1]);
        }
        return map;
    }

    /** A setting that reads otherwise than it was written; what is missing on one side is empty. */
    public record Difference(String key, Optional<String> written, Optional<String> read) {
        /** What was set, beside what is wanted. */
        public String words() {
            return key + " was set to " + read.orElse("nothing") + "; " + written.orElse("nothing") + " is wanted";
        }
    }

    /** What differs between what was written and what the module says it is set to. Keys that were not written are its own affair. */
    public static List<Difference> differences(Map<String, String> written, Map<String, String> read) {
        List<Difference> differences = new ArrayList<>();
        new TreeSet<>(written.keySet()).forEach(key -> {
            if (!Objects.equals(written.get(key), read.get(key))) {
                differences.add(new Difference(key, Optional.of(written.get(key)), Optional.ofNullable(read.get(key))));
            }
        });
        return differences;
    }

    private static Optional<String> oneOf(String what, String value, String first, String second) {
        return value.equals(first) || value.equals(second)
                ? Optional.empty()
                : Optional.of("\"" + what + "\" is " + first + " or " + second + ", not \"" + value + "\".");
    }

    private static Optional<String> number(String value, int least, int most, String words, String unit) {
        return value.matches("\\d{1,5}") && Integer.parseInt(value) >= least && Integer.parseInt(value) <= most
                ? Optional.empty()
                : Optional.of(words + " " + least + " to " + most + " " + unit + ", not \"" + value + "\".");
    }

    /** What a module is set to work as, where it is shipped as something else; nothing where the maker does not state that. */
    public static Map<String, String> ofFunction(ModuleModel model, String wanted) {
        return model.sheet()
                .defaultFunction()
                .map(shipped -> shipped.toLowerCase(Locale.ROOT))
                .filter(shipped -> FUNCTIONS.contains(shipped) && !shipped.equals(wanted))
                .map(shipped -> Map.of(WORKS_AS, wanted))
                .orElse(Map.of());
    }

    /** What a module without inputs is set to, see {@link Adviser}. */
    public static Map<String, String> ofOutput(PowerOn powerOn) {
        return Map.of(POWER_ON, word(powerOn));
    }

    /** What a module is set to whose channel is a pulse. */
    public static Map<String, String> ofPulse(int channel) {
        return Map.of(
                POWER_ON,
                word(PowerOn.OFF),
                "channel-" + channel + ".off-after",
                String.valueOf(Adviser.PULSE_SECONDS));
    }

    /** Key of what an input commands by itself. */
    public static String commands(int input) {
        return "input-" + input + ".commands";
    }

    /** A channel of another device, as {@link #commands} says it. */
    public record Commanded(String address, int channel) {
        private static final Pattern FORM = Pattern.compile("(.+)/([1-9])");

        public String text() {
            return address + "/" + channel;
        }

        /** Empty for what is none. */
        public static Optional<Commanded> read(String text) {
            Matcher form = FORM.matcher(text);
            return form.matches()
                    ? Optional.of(new Commanded(form.group(1), Integer.parseInt(form.group(2))))
                    : Optional.empty();
        }
    }

    private static String yesOrNo(boolean is) {
        return is ? "yes" : "no";
    }

    private static String word(PowerOn powerOn) {
        return powerOn == PowerOn.SWITCH ? "as-switch" : powerOn.name().toLowerCase(Locale.ROOT);
    }

    /** What an input and the channel that it commands are set to for a behaviour; a default function of the firmware is never relied on. */
    public static Map<String, String> of(int input, int channel, InputBehaviour behaviour, Parameters parameters) {
        Map<String, String> settings = new LinkedHashMap<>();
        String at = "input-" + input + ".";
        settings.put(POWER_ON, word(parameters.powerOn()));
        settings.put(at + "behaviour", behaviour.name());
        for (Parameter parameter : behaviour.parameters()) {
            switch (parameter) {
                case DEBOUNCE -> settings.put(at + "debounce", String.valueOf(parameters.debounceMs()));
                case REST -> settings.put(at + "rest", parameters.rest().name().toLowerCase(Locale.ROOT));
                case INVERTED -> settings.put(at + "inverted", yesOrNo(parameters.inverted()));
                case HOLD -> settings.put(at + "hold", String.valueOf(parameters.holdMs()));
                case RUN_ON ->
                    settings.put("channel-" + channel + ".off-after", String.valueOf(parameters.runOnMs() / 1000));
                case PRESS_STOPS -> settings.put(at + "press-stops", yesOrNo(parameters.pressStops()));
                case REVERSE_PAUSE ->
                    settings.put("channel-" + channel + ".reverse-pause", String.valueOf(parameters.reversePauseMs()));
                case BLINK -> {
                    // A module has it as it was made.
                }
            }
        }
        return settings;
    }

    /** Why a module cannot be set so, in words; empty when it can. */
    public static Optional<String> refusal(ModuleModel model, String key, String value) {
        if (key.equals(POWER_ON)) {
            return List.of("off", "on", "last", "as-switch").contains(value)
                    ? Optional.empty()
                    : Optional.of(
                            "When the supply comes back it is off, on, last or as-switch, not \"" + value + "\".");
        }
        if (key.equals(WORKS_AS)) {
            return FUNCTIONS.contains(value)
                    ? Optional.empty()
                    : Optional.of("A module works as " + String.join(", ", FUNCTIONS) + ", not as \"" + value + "\".");
        }
        Matcher form = KEY.matcher(key);
        if (!form.matches()) {
            return Optional.of("No module has a setting called \"" + key + "\".");
        }
        boolean isInput = form.group(1) != null;
        int number = Integer.parseInt(isInput ? form.group(1) : form.group(3));
        int count = isInput ? model.inputs().size() : model.channels().size();
        if (number > count) {
            return Optional.of("The " + model.code() + " has " + count + (isInput ? " inputs" : " channels") + ", not "
                    + number + ".");
        }
        String what = isInput ? form.group(2) : form.group(4);
        return switch (what) {
            case "inverted", "press-stops" -> oneOf(what, value, "yes", "no");
            case "rest" -> oneOf(what, value, "open", "closed");
            case "debounce" -> number(value, 0, 1_000, "It is debounced for", "ms");
            case "hold" -> number(value, 1, 10_000, "A press is long from", "ms");
            case "reverse-pause" -> number(value, 1, 10_000, "It pauses before it turns back for", "ms");
            case "off-after" -> number(value, 0, LONGEST_SECONDS, "It goes off after", "seconds");
            default ->
                model.behaviours().stream().anyMatch(can -> can.name().equals(value))
                        ? Optional.empty()
                        : Optional.of("The " + model.code() + " does not know the behaviour " + value + ".");
        };
    }
}
