package org.hiddenclerk.core.job;

/** Where a conductor ends inside a box. */
public sealed interface End extends Comparable<End> {

    /** A short unique key of the place, also the name of its node. */
    String key();

    /** The place in words. */
    String words();

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
