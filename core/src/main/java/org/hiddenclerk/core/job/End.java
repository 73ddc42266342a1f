package org.hiddenclerk.core.job;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Where a conductor ends inside a box. */
public sealed interface End extends Comparable<End> {

    /** A short unique key of the place, also the name of its node. */
    String key();

    /** The place in words. */
    String words();

    /**
     * The place that a key names.
     *
     * @throws IllegalArgumentException if it names none
     */
    static End ofKey(String key) {
        if (key.equals("capped")) {
            return new Capped();
        }
        if (key.equals("loose")) {
            return new Loose();
        }
        if (key.startsWith("j.") && key.length() > 2) {
            return new InConnector(key.substring(2));
        }
        Matcher terminal = Pattern.compile("([gmx])(\\d{1,4})\\.(.+)").matcher(key);
        if (!terminal.matches()) {
            throw new IllegalArgumentException(
                    "The end (" + key + ") must be a terminal, a connector, capped or loose.");
        }
        int number = Integer.parseInt(terminal.group(2));
        return switch (terminal.group(1)) {
            case "g" -> new AtMechanism(number, terminal.group(3));
            case "m" -> new AtModule(number, terminal.group(3));
            default -> new AtLoad(number, terminal.group(3));
        };
    }

    @Override
    default int compareTo(End other) {
        return key().compareTo(other.key());
    }

    /** On a terminal of a switch mechanism. */
    record AtMechanism(int gang, String terminal) implements End {
        @Override
        public String key() {
            return "g" + gang + "." + terminal;
        }

        @Override
        public String words() {
            return "gang " + gang + ", " + terminal;
        }
    }

    /** On a terminal of a module. */
    record AtModule(int module, String terminal) implements End {
        @Override
        public String key() {
            return "m" + module + "." + terminal;
        }

        @Override
        public String words() {
            return "module " + module + ", " + terminal;
        }
    }

    /** On a terminal of a load that hangs here: L, N or PE. */
    record AtLoad(int load, String terminal) implements End {
        @Override
        public String key() {
            return "x" + load + "." + terminal;
        }

        @Override
        public String words() {
            return "load " + load + ", " + terminal;
        }
    }

    /** In a connector. */
    record InConnector(String name) implements End {
        @Override
        public String key() {
            return "j." + name;
        }

        @Override
        public String words() {
            return "connector " + name;
        }
    }

    /** Insulated on its own. */
    record Capped() implements End {
        @Override
        public String key() {
            return "capped";
        }

        @Override
        public String words() {
            return "capped";
        }
    }

    /** Hanging free. */
    record Loose() implements End {
        @Override
        public String key() {
            return "loose";
        }

        @Override
        public String words() {
            return "loose";
        }
    }
}
