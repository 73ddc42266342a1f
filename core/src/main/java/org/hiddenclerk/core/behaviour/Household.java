package org.hiddenclerk.core.behaviour;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What the people of a house want of a switch.
 *
 * @param other  what others of them want of it, where they are of two schools
 * @param remote how often it is switched by something else than the hand
 * @param week   how often an occasion comes in a week; once where nobody said
 */
public record Household(Want want, Optional<Want> other, RemoteUse remote, Map<Scenario, Integer> week) {
    public Household {
        other = other.filter(each -> each != want);
        week = Map.copyOf(week);
    }

    public Household(Want want, RemoteUse remote) {
        this(want, Optional.empty(), remote, Map.of());
    }

    /** The schools in it, one or two. */
    public List<Want> schools() {
        return Stream.concat(Stream.of(want), other.stream()).toList();
    }

    /** The schools, and what children and nights ask for; weights are common practice, no source. */
    public enum Want {
        UP_MEANS_ON("Up must mean on", 1, 3, 0, 0),
        ANY_FLIP("Any flip must do something", 3, 0, 0, 0),
        PUSH_BUTTONS("Push buttons instead", 3, 0, 0, 0),
        CHILDREN("Children play with it", 2, 0, 8, 0),
        NIGHT("Nobody may be woken", 2, 1, 2, 8);

        private final String label;
        final int wasted;
        final int contradiction;
        final int leftOn;
        final int woken;

        Want(String label, int wasted, int contradiction, int leftOn, int woken) {
            this.label = label;
            this.wasted = wasted;
            this.contradiction = contradiction;
            this.leftOn = leftOn;
            this.woken = woken;
        }

        public String label() {
            return label;
        }
    }

    /** How often remote commands come. */
    public enum RemoteUse {
        NEVER("never", 0),
        SOMETIMES("sometimes", 1),
        OFTEN("often", 3);

        private final String label;
        final int weight;

        RemoteUse(String label, int weight) {
            this.label = label;
            this.weight = weight;
        }

        public String label() {
            return label;
        }
    }

    int weight(Scenario occasion) {
        return occasion.needsRemote() ? remote.weight : 1;
    }

    /** What the occasions of a week count for one school; a wish that cannot be fulfilled counts most. */
    int cost(Want school, ScenarioResult played) {
        int woken = played.occasion() == Scenario.NIGHT_CUT && played.leftOn() ? school.woken : 0;
        int left = played.occasion() == Scenario.CHILD && played.leftOn() ? school.leftOn : 0;
        int once = weight(played.occasion())
                        * (played.hands()
                                + school.wasted * played.wasted()
                                + school.contradiction * played.contradictions()
                                + 10 * played.failed())
                + woken
                + left;
        return week.getOrDefault(played.occasion(), 1) * once;
    }
}
