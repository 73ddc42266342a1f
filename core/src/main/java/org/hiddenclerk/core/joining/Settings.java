package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.hiddenclerk.core.behaviour.InputBehaviour;
import org.hiddenclerk.core.catalogue.ModuleModel;

/**
 * What a module is set to, by key: {@code power-on} (off, on, last or as-switch), {@code input-N.behaviour} (a code of
 * {@link InputBehaviour}), {@code input-N.inverted} (yes or no), {@code channel-N.off-after} (seconds, 0 for never).
 */
public final class Settings {
    private static final Pattern KEY = Pattern.compile("(input|channel)-([1-9])\\.(behaviour|inverted|off-after)");
    private static final int LONGEST_SECONDS = 86_400;

    private Settings() {
    }

    /**
     * Something that a module may be set to.
     *
     * @param values what may be chosen, with words; empty where it is a number
     */
    public record Choice(String key, String words, Map<String, String> values) {
    }

    /** Everything that a module may be set to. */
    public static List<Choice> of(ModuleModel model) {
        List<Choice> choices = new ArrayList<>();
        choices.add(new Choice("power-on", "When the supply comes back", ordered("off", "off", "on", "on", "last", "as it was", "as-switch", "as the wall switch stands")));
        Map<String, String> behaviours = new LinkedHashMap<>();
        model.behaviours().stream().sorted().forEach(behaviour -> behaviours.put(behaviour.name(), behaviour.label()));
        for (int input = 1; input <= model.inputs().size(); input++) {
            choices.add(new Choice("input-" + input + ".behaviour", "Input " + input, behaviours));
            choices.add(new Choice("input-" + input + ".inverted", "Input " + input + " inverted", ordered("no", "no", "yes", "yes")));
        }
        for (int channel = 1; channel <= model.channels().size(); channel++) {
            choices.add(new Choice("channel-" + channel + ".off-after", "Channel " + channel + " goes off after, s", Map.of()));
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

    /** Why a module cannot be set so, in words; empty when it can. */
    public static Optional<String> refusal(ModuleModel model, String key, String value) {
        if (key.equals("power-on")) {
            return List.of("off", "on", "last", "as-switch").contains(value) ? Optional.empty()
                    : Optional.of("When the supply comes back it is off, on, last or as-switch, not \"" + value + "\".");
        }
        Matcher form = KEY.matcher(key);
        if (!form.matches() || form.group(1).equals("channel") != form.group(3).equals("off-after")) {
            return Optional.of("No module has a setting called \"" + key + "\".");
        }
        int number = Integer.parseInt(form.group(2));
        int count = form.group(1).equals("input") ? model.inputs().size() : model.channels().size();
        if (number > count) {
            return Optional.of("The " + model.code() + " has " + count + " " + form.group(1) + "s, not " + number + ".");
        }
        return switch (form.group(3)) {
            case "inverted" -> value.equals("yes") || value.equals("no") ? Optional.empty() : Optional.of("Inverted is yes or no, not \"" + value + "\".");
            case "off-after" -> value.matches("\\d{1,5}") && Integer.parseInt(value) <= LONGEST_SECONDS ? Optional.empty()
                    : Optional.of("It goes off after 0 to " + LONGEST_SECONDS + " seconds, not \"" + value + "\".");
            default -> model.behaviours().stream().anyMatch(can -> can.name().equals(value)) ? Optional.empty()
                    : Optional.of("The " + model.code() + " does not know the behaviour " + value + ".");
        };
    }
}
