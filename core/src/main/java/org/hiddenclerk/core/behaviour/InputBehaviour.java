package org.hiddenclerk.core.behaviour;

import java.util.Collections;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;

/**
 * How a switch input acts on the relay that it commands. Everything that differs from one behaviour to the next
 * stands in its case here; words
 * for people are exhaustive switches where they are said.
 */
public enum InputBehaviour {
    /** Every press (rest to active) toggles; release does nothing. */
    PRESS_CHANGES("Each press changes it") {
        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.TOGGLE : Reaction.NONE;
        }
    },
    /** The relay takes the contact's state at every change. */
    POSITION_RULES("Position rules") {
        @Override
        Set<Parameter> ownParameters() {
            return EnumSet.of(Parameter.INVERTED);
        }

        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.SWITCH_ON : Reaction.SWITCH_OFF;
        }

        @Override
        public boolean isLedByPosition() {
            return true;
        }

        @Override
        Optional<String> unsuited(Wall wall) {
            return wall.kind() == Wall.Kind.PUSH
                    ? Optional.of("a push button would light only while it is held")
                    : super.unsuited(wall);
        }

        @Override
        Adviser.PowerOnAdvice powerOn() {
            return new Adviser.PowerOnAdvice(
                    PowerOn.SWITCH, "switch and lamp agree again, whatever was commanded before");
        }
    },
    /** Every contact change toggles, whichever way. */
    EVERY_FLIP("Every flip changes it") {
        @Override
        public Reaction onChange(boolean active) {
            return Reaction.TOGGLE;
        }

        @Override
        boolean isReadWithoutUp() {
            return true;
        }

        @Override
        Optional<String> unsuited(Wall wall) {
            return wall.kind() == Wall.Kind.PUSH
                    ? Optional.of("press and release would change it twice")
                    : super.unsuited(wall);
        }

        @Override
        String handsWord() {
            return "flip";
        }
    },
    /** Becoming active turns on; the timer's end is not a step of the hand. */
    RUN_ON("Runs, then stops") {
        @Override
        Set<Parameter> ownParameters() {
            return EnumSet.of(Parameter.RUN_ON, Parameter.PRESS_STOPS);
        }

        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.SWITCH_ON : Reaction.NONE;
        }

        @Override
        public boolean endsByItself() {
            return true;
        }

        @Override
        void counted(Tick instant, boolean active) {
            if (active && instant.isOn() && instant.parameters().pressStops()) {
                instant.stopRunOn(Cause.HAND);
                return;
            }
            super.counted(instant, active);
            if (active) {
                instant.runOn();
            }
        }

        @Override
        void ordered(Tick instant, boolean on) {
            if (on) {
                instant.turn(true, Cause.REMOTE);
                instant.runOn();
            } else {
                instant.stopRunOn(Cause.REMOTE);
            }
        }

        @Override
        void timerEnded(Tick instant) {
            instant.turn(false, Cause.TIMER);
        }

        @Override
        void supplyBack(Tick instant, boolean before) {
            super.supplyBack(instant, before);
            if (instant.isOn()) {
                instant.runOn();
            }
        }

        @Override
        Adviser.PowerOnAdvice powerOn() {
            return new Adviser.PowerOnAdvice(PowerOn.OFF, "nothing runs that nobody asked for");
        }
    },
    /** The relay is left alone. */
    REPORT_ONLY("Reports only") {
        @Override
        public Reaction onChange(boolean active) {
            return Reaction.NONE;
        }

        @Override
        public boolean switchesByItself() {
            return false;
        }

        @Override
        boolean isReadWithoutUp() {
            return true;
        }

        @Override
        void counted(Tick instant, boolean active) {
            instant.tell(active ? Output.Report.ACTIVE : Output.Report.INACTIVE);
        }
    },
    /** A short press toggles at its release; in steps every press is short. */
    SHORT_LONG("Short and long") {
        @Override
        Set<Parameter> ownParameters() {
            return EnumSet.of(Parameter.HOLD);
        }

        @Override
        public Reaction onChange(boolean active) {
            return active ? Reaction.NONE : Reaction.TOGGLE;
        }

        @Override
        public boolean tellsPresses() {
            return true;
        }

        @Override
        void counted(Tick instant, boolean active) {
            instant.press(active);
        }

        @Override
        Optional<String> unsuited(Wall wall) {
            return super.unsuited(wall)
                    .or(() -> wall.kind() == Wall.Kind.ROCKER
                            ? Optional.of("a rocker stays pressed: there is no short press")
                            : Optional.empty());
        }
    },
    /** Two inputs command two interlocked channels; see {@link Reaction#DIRECTION}. */
    UP_DOWN("Up and down") {
        @Override
        Set<Parameter> ownParameters() {
            return EnumSet.of(Parameter.REVERSE_PAUSE);
        }

        @Override
        public Reaction onChange(boolean active) {
            return Reaction.DIRECTION;
        }

        @Override
        public boolean movesSomething() {
            return true;
        }

        @Override
        void supplyBack(Tick instant, boolean before) {
            if (instant.parameters().powerOn() == PowerOn.SWITCH) {
                instant.command(instant.asked(), Cause.SUPPLY);
            }
        }

        @Override
        Optional<String> unsuited(Wall wall) {
            return switch (wall.kind()) {
                case UP_DOWN -> Optional.empty();
                case SUPPLY -> super.unsuited(wall);
                case PUSH, ROCKER -> Optional.of("it takes two contacts and two channels");
            };
        }

        @Override
        Adviser.PowerOnAdvice powerOn() {
            return new Adviser.PowerOnAdvice(PowerOn.OFF, "a blind that starts by itself may catch somebody");
        }
    },
    /** A short break of the module's own supply counts as one flip. Such an input has no contact. */
    SUPPLY_BLINK("Blink of the supply") {
        @Override
        Set<Parameter> ownParameters() {
            return EnumSet.of(Parameter.BLINK);
        }

        @Override
        public Reaction onChange(boolean active) {
            return Reaction.NONE;
        }

        @Override
        public boolean hasContact() {
            return false;
        }

        @Override
        public boolean changesOver() {
            return true;
        }

        @Override
        void missed(Tick instant, long missingMs) {
            if (missingMs >= instant.parameters().minimumBlinkMs()) {
                instant.turn(!instant.isOn(), Cause.HAND);
            }
        }

        @Override
        Optional<String> unsuited(Wall wall) {
            return wall.kind() == Wall.Kind.SUPPLY
                    ? Optional.empty()
                    : Optional.of("the switch does not sit in the way of the supply");
        }

        @Override
        String handsWord() {
            return "flip";
        }
    };

    private final String label;

    InputBehaviour(String label) {
        this.label = label;
    }

    /** What a counted contact change does in the step form, without clocks; {@code active} is the state after it. */
    public abstract Reaction onChange(boolean active);

    /** The words for the household and the settings sheet. */
    public String label() {
        return label;
    }

    /** Whether it reads a contact: breaks of the supply need none. */
    public boolean hasContact() {
        return true;
    }

    /** Whether the relay is as its switch stands. */
    public boolean isLedByPosition() {
        return false;
    }

    /** Whether a hand on the switch changes the own relay, whatever hubs make of it. */
    public boolean switchesByItself() {
        return true;
    }

    /** Whether it goes up and down in place of on and off, read by two inputs. */
    public boolean movesSomething() {
        return false;
    }

    /** Whether what it switches on goes off after a time. */
    public boolean endsByItself() {
        return false;
    }

    /** Whether it tells short presses from long ones, so that a press ends where it began. */
    public boolean tellsPresses() {
        return false;
    }

    /** Whether it turns what it commands over, whichever way that is, rather than on or off. */
    public boolean changesOver() {
        return onChange(true) == Reaction.TOGGLE || onChange(false) == Reaction.TOGGLE;
    }

    /** Whether all that it does is done at the press, and letting go is nothing to it. */
    public boolean actsAtPress() {
        return onChange(true) != Reaction.NONE && onChange(false) == Reaction.NONE;
    }

    /** What can be set of it, in the order in which people are asked. */
    public final Set<Parameter> parameters() {
        EnumSet<Parameter> all = EnumSet.noneOf(Parameter.class);
        all.addAll(ownParameters());
        if (hasContact()) {
            all.addAll(EnumSet.of(Parameter.DEBOUNCE, Parameter.REST));
        }
        return Collections.unmodifiableSet(all);
    }

    /** Of those what a contact alone does not have. */
    Set<Parameter> ownParameters() {
        return Set.of();
    }

    /** Inputs that it reads. */
    int inputs() {
        return movesSomething() ? 2 : 1;
    }

    /** Whether it is the same to it which way the contact stands. */
    boolean isReadWithoutUp() {
        return false;
    }

    /** What a hand does to change it over. */
    String handsWord() {
        return "press";
    }

    /** A change of the contact was counted. */
    void counted(Tick instant, boolean active) {
        instant.react(onChange(active));
    }

    /** It was switched by remote. */
    void ordered(Tick instant, boolean on) {
        instant.turn(on, Cause.REMOTE);
    }

    /** The time of the one timer is over: a press was held for long. */
    void timerEnded(Tick instant) {
        instant.heldLong();
    }

    /** The supply is there again after the module had fallen. @param before whether the relay was on when it went */
    void supplyBack(Tick instant, boolean before) {
        instant.turn(
                switch (instant.parameters().powerOn()) {
                    case OFF -> false;
                    case ON -> true;
                    case LAST -> before;
                    case SWITCH ->
                        instant.isClosedAsActive()
                                != (isLedByPosition() && instant.parameters().inverted());
                },
                Cause.SUPPLY);
    }

    /** The supply was missing for too short a time for the module to fall. */
    void missed(Tick instant, long missingMs) {
        // Most do not notice.
    }

    /** Why a wall does not suit it; empty when it does. */
    Optional<String> unsuited(Wall wall) {
        return switch (wall.kind()) {
            case SUPPLY -> Optional.of("the switch sits in the way of the supply and is read by its blinks");
            case UP_DOWN -> Optional.of("two contacts command the two directions of one motor");
            case PUSH -> Optional.empty();
            case ROCKER ->
                wall.ends() > 1 && !isReadWithoutUp()
                        ? Optional.of("two change-overs read as one input have no up: every flip must count")
                        : Optional.empty();
        };
    }

    /** What the relay should be when the supply comes back, with the reason. Common practice, no source. */
    Adviser.PowerOnAdvice powerOn() {
        return new Adviser.PowerOnAdvice(
                PowerOn.OFF, "a failure at night lights nothing; the next " + handsWord() + " does");
    }

    /** What happens to the commanded relay. */
    public enum Reaction {
        NONE,
        TOGGLE,
        SWITCH_ON,
        SWITCH_OFF,
        /** The channels of all UP_DOWN inputs of the module follow: the one active input's channel closes, else none. */
        DIRECTION
    }
}
