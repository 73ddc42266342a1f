package org.hiddenclerk.core.rules;

import java.util.Set;
import org.hiddenclerk.core.identity.ControlId;
import org.hiddenclerk.core.identity.HouseId;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.identity.SensorId;
import org.hiddenclerk.core.schedule.Occurrences;
import org.hiddenclerk.core.schedule.Schedule;

/**
 * What sets a rule going. Each says itself what is known of the world when it happens, how it reads as a sentence
 * and what it takes to be possible.
 */
public sealed interface Trigger {
    /** What it names of the house. */
    default Set<HouseId> ids() {
        return Set.of();
    }

    /** What is known of the world when it happens. */
    default void happensIn(Environment world) {
        // A change of an output or a hand on a control tells nothing of it.
    }

    /** Says it within a sentence. @param at pointer of it within its rule */
    void say(Words words, String at);

    /** Looks for what cannot be. @param at pointer of it within the rules */
    default void look(RuleReferences look, String at) {
        // Most of them can be whatever they say.
    }

    /** Which change of an output. */
    enum To {
        ON,
        OFF,
        ANY
    }

    /**
     * An output changes.
     *
     * @param byHandOnly whether changes that the hub or another rule makes are left out
     */
    record Changes(OutputId output, To to, boolean byHandOnly) implements Trigger {
        @Override
        public Set<HouseId> ids() {
            return Set.of(output);
        }

        @Override
        public void say(Words words, String at) {
            words.named(output, at + "/output", SentencePart.Kind.OUTPUT);
            words.text(" ");
            words.slot(
                    switch (to) {
                        case ON -> "goes on";
                        case OFF -> "goes off";
                        case ANY -> "changes";
                    },
                    at + "/to",
                    SentencePart.Kind.TO);
            words.text(" ");
            words.slot(
                    byHandOnly ? "by a hand on the switch" : "by whatever it may be",
                    at + "/byHandOnly",
                    SentencePart.Kind.BY_HAND);
        }

        @Override
        public void look(RuleReferences look, String at) {
            look.output(at + "/output", output);
        }
    }

    /** A hand works a control. */
    record Used(ControlId control, Device.Gesture gesture) implements Trigger {
        @Override
        public Set<HouseId> ids() {
            return Set.of(control);
        }

        @Override
        public void say(Words words, String at) {
            words.named(control, at + "/control", SentencePart.Kind.CONTROL);
            words.text(" ");
            words.slot(gesture.words(), at + "/gesture", SentencePart.Kind.GESTURE);
        }

        @Override
        public void look(RuleReferences look, String at) {
            look.control(at + "/control", control);
        }
    }

    /** @param figure minutes of stillness, or the value that is passed; 0 where none is needed */
    record Sensed(SensorId sensor, Reading reading, int figure) implements Trigger {
        @Override
        public Set<HouseId> ids() {
            return Set.of(sensor);
        }

        @Override
        public void happensIn(Environment world) {
            world.sensed(this);
        }

        @Override
        public void say(Words words, String at) {
            words.sensor(sensor, reading, figure, at);
        }

        @Override
        public void look(RuleReferences look, String at) {
            look.sensor(at, sensor);
        }
    }

    record Due(Schedule schedule) implements Trigger {
        @Override
        public void happensIn(Environment world) {
            world.due(schedule);
        }

        @Override
        public void say(Words words, String at) {
            words.schedule(schedule, at + "/schedule");
        }

        @Override
        public void look(RuleReferences look, String at) {
            if (schedule instanceof Schedule.Recurring recurring) {
                Occurrences.problem(recurring.rule())
                        .ifPresent(why -> look.cannotBe(
                                at + "/schedule/rule", recurring.rule(), "a recurrence of RFC 5545: " + why));
            }
        }
    }

    /** Somebody comes home, or the last one leaves. */
    record Household(boolean comes) implements Trigger {
        @Override
        public void happensIn(Environment world) {
            world.household(comes);
        }

        @Override
        public void say(Words words, String at) {
            words.slot(comes ? "somebody comes home" : "the last one leaves", at + "/comes", SentencePart.Kind.HOME);
        }
    }

    /** What a sensor says. */
    enum Reading {
        OPENS(Device.Senses.DOOR, "opens"),
        CLOSES(Device.Senses.DOOR, "closes"),
        MOVES(Device.Senses.MOTION, "sees somebody move"),
        STILL(Device.Senses.MOTION, "has seen nobody for"),
        BRIGHTER(Device.Senses.BRIGHTNESS, "is above"),
        DARKER(Device.Senses.BRIGHTNESS, "is below"),
        WARMER(Device.Senses.TEMPERATURE, "is above"),
        COLDER(Device.Senses.TEMPERATURE, "is below"),
        DAMPER(Device.Senses.HUMIDITY, "is above"),
        DRIER(Device.Senses.HUMIDITY, "is below");

        private final Device.Senses senses;
        private final String words;

        Reading(Device.Senses senses, String words) {
            this.senses = senses;
            this.words = words;
        }

        public Device.Senses senses() {
            return senses;
        }

        public String words() {
            return words;
        }

        /** Unit of its figure; empty where it has none. */
        public String unit() {
            return switch (this) {
                case OPENS, CLOSES, MOVES -> "";
                case STILL -> "min";
                case BRIGHTER, DARKER -> "lx";
                case WARMER, COLDER -> "°C";
                case DAMPER, DRIER -> "%";
            };
        }

        /**
         * Whether a sensor says this.
         *
         * @param value  as in {@link World.Sensing}
         * @param forMs  for how long it has said so
         * @param figure of the trigger or guard
         */
        boolean holdsAt(int value, long forMs, int figure) {
            return switch (this) {
                case OPENS, MOVES -> value > 0;
                case CLOSES -> value == 0;
                case STILL -> value == 0 && forMs >= figure * 60_000L;
                case BRIGHTER, WARMER, DAMPER -> value > figure;
                case DARKER, COLDER, DRIER -> value < figure;
            };
        }

        /** A value at which a sensor says this; one beyond the figure where there is one. */
        public int valueAt(int figure) {
            return switch (this) {
                case OPENS, MOVES -> 1;
                case CLOSES, STILL -> 0;
                case BRIGHTER, WARMER, DAMPER -> figure + 1;
                case DARKER, COLDER, DRIER -> figure - 1;
            };
        }

        Reading opposite() {
            return values()[ordinal() % 2 == 0 ? ordinal() + 1 : ordinal() - 1];
        }
    }
}
