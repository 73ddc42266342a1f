package org.hiddenclerk.core.finding;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.UnaryOperator;

/**
 * Whom a finding concerns. Findings are merged, taken on and mended by it, never by its name: two subjects are one exactly
 * when they are equal. Nothing takes a key apart.
 */
public sealed interface Subject extends Comparable<Subject> {

    /** By key, so that two runs give the same order. */
    Comparator<Subject> ORDER = Comparator.comparing(Subject::key)
            .thenComparing(subject -> subject.getClass().getSimpleName());

    /** The same text for equal subjects, another one for others: for storing, comparing and the wire. */
    String key();

    /** What sort of thing it is. */
    default String kind() {
        return getClass().getSimpleName();
    }

    /** Whether it is the other, or speaks of it among others. */
    default boolean involves(Subject other) {
        return equals(other);
    }

    /** The module of the stock book that it is about, if it is about one. */
    default Optional<String> model() {
        return Optional.empty();
    }

    /** The same subject in a plan in which fitted modules bear other ids. */
    default Subject withModules(UnaryOperator<String> ids) {
        return this;
    }

    @Override
    default int compareTo(Subject other) {
        return ORDER.compare(this, other);
    }

    // Parts of a wiring, by their ids there

    /** A supply of a wiring: a line, neutral, earth or pole. */
    record Supply(String key) implements Subject {}

    /** Something that uses power. */
    record Load(String key) implements Subject {}

    /** A parallel load at a lamp. */
    record Bypass(String key) implements Subject {}

    /** A switch mechanism. */
    record Switch(String key) implements Subject {}

    /** A module or sender as it is fitted. */
    record Module(String key) implements Subject {
        @Override
        public Subject withModules(UnaryOperator<String> ids) {
            return new Module(ids.apply(key));
        }
    }

    /** A contact of a fitted module. */
    record Channel(String module, String channel) implements Subject {
        @Override
        public String key() {
            return module + "/" + channel;
        }

        @Override
        public Channel withModules(UnaryOperator<String> ids) {
            return new Channel(ids.apply(module), channel);
        }
    }

    /** Loads of one kind on a contact. */
    record LoadsOnChannel(Channel channel, String loads) implements Subject {
        @Override
        public String key() {
            return channel.key() + " " + loads;
        }

        @Override
        public boolean involves(Subject other) {
            return equals(other) || channel.equals(other);
        }

        @Override
        public Subject withModules(UnaryOperator<String> ids) {
            return new LoadsOnChannel(channel.withModules(ids), loads);
        }
    }

    /** A switch input of a fitted module or sender. */
    record Input(String module, String input) implements Subject {
        @Override
        public String key() {
            return module + "." + input;
        }

        @Override
        public Subject withModules(UnaryOperator<String> ids) {
            return new Input(ids.apply(module), input);
        }
    }

    /** A core of a cable. */
    record Core(String key) implements Subject {}

    /** One end of a core. */
    record CoreEnd(String core, String end) implements Subject {
        @Override
        public String key() {
            return core + "." + end;
        }
    }

    /** A motor with a winding for each direction. */
    record Motor(String key) implements Subject {}

    /** A line of a circuit in a wiring. */
    record CircuitLine(String circuit, String line) implements Subject {
        @Override
        public String key() {
            return circuit + " " + line;
        }
    }

    /** Several together, such as supplies that meet. */
    record Together(List<Subject> members) implements Subject {
        public Together {
            members = members.stream().sorted().toList();
        }

        public Together(Subject... members) {
            this(List.of(members));
        }

        @Override
        public String key() {
            return String.join("+", members.stream().map(Subject::key).toList());
        }

        @Override
        public boolean involves(Subject other) {
            return equals(other) || members.stream().anyMatch(member -> member.involves(other));
        }

        @Override
        public Optional<String> model() {
            return members.stream().flatMap(member -> member.model().stream()).findFirst();
        }

        @Override
        public Subject withModules(UnaryOperator<String> ids) {
            return new Together(
                    members.stream().map(member -> member.withModules(ids)).toList());
        }
    }

    // Things of a house

    /** The house as a whole. */
    record House() implements Subject {
        @Override
        public String key() {
            return "house";
        }
    }

    /** A circuit of a house. */
    record Circuit(String id) implements Subject {
        @Override
        public String key() {
            return "circuit " + id;
        }
    }

    /** A box, or the place of a lamp. */
    record Box(String label) implements Subject {
        @Override
        public String key() {
            return "box " + label;
        }
    }

    /** A gang of a box. */
    record Gang(String box, int number) implements Subject {
        @Override
        public String key() {
            return "box " + box + " gang " + number;
        }
    }

    /** A load as it is surveyed in a box. */
    record SurveyedLoad(String box, int number) implements Subject {
        @Override
        public String key() {
            return "box " + box + " load " + number;
        }
    }

    /** A cable of a box. */
    record Cable(String box, String cable) implements Subject {
        @Override
        public String key() {
            return "box " + box + " cable " + cable;
        }
    }

    /** A core as it is surveyed in a box. */
    record SurveyedCore(String box, String core) implements Subject {
        @Override
        public String key() {
            return "box " + box + " core " + core;
        }
    }

    /** A terminal of a mechanism, module or load in a box. */
    record Terminal(String box, String terminal) implements Subject {
        @Override
        public String key() {
            return "box " + box + " at " + terminal;
        }
    }

    /** The way between two places. */
    record Stretch(String from, String to) implements Subject {
        @Override
        public String key() {
            return "from " + from + " to " + to;
        }
    }

    /** A module of the stock book. */
    record Model(String code) implements Subject {
        @Override
        public String key() {
            return "model " + code;
        }

        @Override
        public Optional<String> model() {
            return Optional.of(code);
        }
    }

    /** One figure of a module of the stock book. */
    record ModelFigure(String code, String figure) implements Subject {
        @Override
        public String key() {
            return "model " + code + " figure " + figure;
        }

        @Override
        public Optional<String> model() {
            return Optional.of(code);
        }
    }

    /** A wish of a household. */
    record Wish(String words) implements Subject {
        @Override
        public String key() {
            return "wish " + words;
        }
    }

    /** A way to wire a module. */
    record Scheme(String code) implements Subject {
        @Override
        public String key() {
            return "scheme " + code;
        }
    }

    /** A device that has joined or will join, by its name. */
    record Device(String name) implements Subject {
        @Override
        public String key() {
            return "device " + name;
        }
    }

    /** A setting of a device. */
    record Setting(String device, String setting) implements Subject {
        @Override
        public String key() {
            return "device " + device + " setting " + setting;
        }

        @Override
        public boolean involves(Subject other) {
            return equals(other) || other.equals(new Device(device));
        }
    }

    /** A network of devices. */
    record Network(String protocol) implements Subject {
        @Override
        public String key() {
            return "network " + protocol;
        }
    }

    /** One output of a house: what links and rules switch. */
    record Output(String name) implements Subject {
        @Override
        public String key() {
            return "output " + name;
        }
    }

    /** Rules or links that work together. */
    record Rules(List<String> ids) implements Subject {
        public Rules {
            ids = List.copyOf(ids);
        }

        @Override
        public String key() {
            return "rules " + String.join(" ", ids);
        }
    }
}
