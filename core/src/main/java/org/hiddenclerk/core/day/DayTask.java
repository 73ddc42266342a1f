package org.hiddenclerk.core.day;

import java.util.List;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;

/**
 * What is to be planned. Times of day are minutes since midnight, durations minutes.
 *
 * @param works          what is to be done, each at one position
 * @param circuits       of the house, by label
 * @param crew           one to six people
 * @param from           beginning of the day
 * @param to             end of the day
 * @param daylightFrom   when one sees without the lamps
 * @param daylightTo     until when
 * @param notBefore      nothing is begun before; later than {@code from} when a day is planned anew
 * @param tryOutMinutes  for what is tried with the household present, last of all; 0 for none
 */
public record DayTask(
        List<Work> works,
        Map<String, CircuitFacts> circuits,
        List<Person> crew,
        int from,
        int to,
        int daylightFrom,
        int daylightTo,
        int notBefore,
        int tryOutMinutes,
        Norms norms) {
    private static final int MOST_PEOPLE = 6;

    public DayTask {
        works = List.copyOf(works);
        circuits = Map.copyOf(circuits);
        crew = List.copyOf(crew);
        if (crew.isEmpty() || crew.size() > MOST_PEOPLE || crew.stream().noneMatch(Person::mayWire)) {
            throw new IllegalArgumentException("A crew has one to six people, and one of them may work on wiring.");
        }
        if (from >= to || daylightFrom > daylightTo) {
            throw new IllegalArgumentException("A day ends after it begins.");
        }
    }

    /** No plan opens a circuit fewer times than this to do all of it, by circuit: a bound beside what a plan does. */
    public Map<String, Integer> fewestOpenings() {
        return Openings.fewest(this);
    }

    /**
     * Work at one position: the modules of a box, and whatever else is opened for them.
     *
     * @param circuits labels of what must be off for it
     * @param wiring   minutes of wiring
     * @param setUp    minutes of setting up, with the circuits on again
     */
    public record Work(String id, String words, Set<String> circuits, int wiring, int setUp) {
        public Work {
            circuits = Set.copyOf(circuits);
        }
    }

    /**
     * A circuit.
     *
     * @param lights              whether lamps hang on it
     * @param mostMinutesOff      as long as what hangs on it may be without supply; the largest number when it does not matter
     * @param alternativeSupplies whether another supply must be isolated too
     */
    public record CircuitFacts(boolean lights, int mostMinutesOff, boolean alternativeSupplies) {}

    public record Person(String name, boolean mayWire) {}

    /**
     * How long things take, in minutes; common practice, no source.
     *
     * @param position  one simple position, wired by somebody practised
     * @param place     more for every further box that is opened for it
     * @param setUp     to set one module up
     * @param isolation to find, switch off, lock and prove one opening
     * @param supply    more for another supply
     * @param closing   to switch on again and try
     */
    public record Norms(int position, int place, int setUp, int isolation, int supply, int closing) {
        public static final Norms USUAL = new Norms(30, 15, 3, 10, 5, 5);

        /**
         * What one work takes all in all, when nobody works beside it.
         *
         * @param places   that it opens
         * @param modules  that are set up
         * @param measured what works took so far from isolating to closing; empty where nothing was measured
         */
        public int all(int places, int modules, OptionalInt measured) {
            return measured.orElse(isolation + position + place * (places - 1) + closing) + setUp * modules;
        }
    }
}
