package org.hiddenclerk.core.planned;

import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.LampId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SwitchId;

/**
 * Identity of something of a planned house. What is kept or sent bears its text; it is put together and taken apart here and nowhere else.
 *
 * <p>Boxes are known by an identity of their own, which holds no slash.
 */
public sealed interface PlannedId {
    /** A box that is surveyed, to whose survey or plan this belongs. */
    String box();

    /** As it is kept and sent. */
    String text();

    /** It, as rules and whoever runs the house know it. */
    HouseId inHouse();

    /**
     * A module.
     *
     * @param box       whose picks it belongs to, which need not be where it sits
     * @param pick      number of the pick there, from 1
     * @param companion 0 for the module that was picked; from 1 for those that go with it
     */
    record Module(String box, int pick, int companion) implements PlannedId {
        @Override
        public String text() {
            return box + "/" + key();
        }

        @Override
        public DeviceId inHouse() {
            return new DeviceId(text());
        }

        /** Within the plan of its box. */
        public String key() {
            return "K" + pick + (companion == 0 ? "" : "." + companion);
        }
    }

    /** What a channel of a module switches. */
    record Output(Module module, String channel) implements PlannedId {
        @Override
        public String box() {
            return module.box();
        }

        @Override
        public String text() {
            return module.text() + "/" + channel;
        }

        @Override
        public OutputId inHouse() {
            return new OutputId(text());
        }
    }

    /** An input of a module. */
    record Input(Module module, String input) implements PlannedId {
        @Override
        public String box() {
            return module.box();
        }

        @Override
        public String text() {
            return module.text() + "/in" + input;
        }

        @Override
        public ControlId inHouse() {
            return new ControlId(text());
        }

        /** Within the plan of its box. */
        public String key() {
            return module.key() + "/" + input;
        }

        /** Reads the key of an input of a box; empty for what is none. */
        public static Optional<Input> ofKey(String box, String key) {
            int slash = key.indexOf('/');
            return slash < 0
                    ? Optional.empty()
                    : read(box + "/" + key.substring(0, slash))
                            .filter(Module.class::isInstance)
                            .map(module -> new Input((Module) module, key.substring(slash + 1)));
        }
    }

    /** A switch at the wall. */
    record Switch(String box, int gang) implements PlannedId {
        @Override
        public String text() {
            return box + "/S" + gang;
        }

        @Override
        public SwitchId inHouse() {
            return new SwitchId(text());
        }
    }

    /** A lamp, or whatever else a load is. @param bank from 0 */
    record Lamp(String box, int load, int bank) implements PlannedId {
        @Override
        public String text() {
            return box + "/X" + load + (bank == 0 ? "" : "." + (bank + 1));
        }

        @Override
        public LampId inHouse() {
            return new LampId(text());
        }
    }

    /** Reads an id; empty for what is none of a planned house, such as a sensor that somebody added. */
    static Optional<PlannedId> read(String text) {
        Matcher matcher = Text.PATTERN.matcher(text);
        return matcher.matches() ? Optional.of(Text.read(matcher)) : Optional.empty();
    }

    /** Reads an id of a house that runs; empty for what is none of a planned house. */
    static Optional<PlannedId> read(HouseId id) {
        return read(id.text());
    }

    /** The module that an id is of, or is: none for switches and lamps, and for what is none of a planned house. */
    static Optional<Module> moduleOf(HouseId id) {
        return moduleOf(id.text());
    }

    /** The module that an id is of, or is: none for switches and lamps. */
    static Optional<Module> moduleOf(String text) {
        return read(text)
                .flatMap(id -> id instanceof Module module
                        ? Optional.of(module)
                        : id instanceof Output output
                                ? Optional.of(output.module())
                                : id instanceof Input input ? Optional.of(input.module()) : Optional.empty());
    }

    /** How ids are written. */
    final class Text {
        private static final Pattern PATTERN = Pattern.compile(
                "(?<box>[^/]+)/(?:K(?<pick>\\d{1,6})(?:\\.(?<companion>\\d{1,6}))?(?:/(?:in(?<input>[^/]+)|(?<channel>[^/]+)))?"
                        + "|S(?<gang>\\d{1,6})|X(?<load>\\d{1,6})(?:\\.(?<bank>\\d{1,6}))?)");

        private Text() {}

        private static PlannedId read(Matcher matcher) {
            String box = matcher.group("box");
            if (matcher.group("gang") != null) {
                return new Switch(box, Integer.parseInt(matcher.group("gang")));
            }
            if (matcher.group("load") != null) {
                return new Lamp(box, Integer.parseInt(matcher.group("load")), number(matcher.group("bank"), 1) - 1);
            }
            Module module =
                    new Module(box, Integer.parseInt(matcher.group("pick")), number(matcher.group("companion"), 0));
            if (matcher.group("input") != null) {
                return new Input(module, matcher.group("input"));
            }
            return matcher.group("channel") == null ? module : new Output(module, matcher.group("channel"));
        }

        private static int number(String digits, int otherwise) {
            return digits == null ? otherwise : Integer.parseInt(digits);
        }
    }
}
