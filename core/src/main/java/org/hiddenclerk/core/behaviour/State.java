package org.hiddenclerk.core.behaviour;

import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * Everything a module remembers. Times are milliseconds on the machine's clock.
 *
 * @param contacts  where the contact of each input stands, counted or not
 * @param counted   where it stood when it last counted
 * @param counting  changes that have not stayed for long enough yet, in the order they were made
 * @param relay     whether it is on; stays off for a blind
 * @param motion    what the blind does; stays STOP for others
 * @param timerEnds end of a run-on, or the instant at which a press becomes long
 * @param pressed   whether a press may still end as a short one
 * @param supply    what is remembered of the supply
 * @param waiting   a direction that waits for the end of the pause
 * @param upEnded   when the motor last stopped going up, in case that was not long ago
 * @param downEnded the same for down
 */
public record State(
        List<Contact> contacts,
        List<Contact> counted,
        List<Counting> counting,
        boolean relay,
        Motion motion,
        OptionalLong timerEnds,
        boolean pressed,
        Supply supply,
        Optional<Waiting> waiting,
        OptionalLong upEnded,
        OptionalLong downEnded) {
    public State {
        contacts = List.copyOf(contacts);
        counted = List.copyOf(counted);
        counting = List.copyOf(counting);
    }

    /** A change that counts at an instant unless it is taken back before. */
    record Counting(int input, Contact to, long atMs) {}

    /** A direction that starts at an instant. */
    record Waiting(Motion motion, long atMs, Cause cause) {}

    /**
     * The supply of the module.
     *
     * @param lostAt      since when it is missing
     * @param fallen      whether the module has lost its strength since
     * @param relayBefore what the relay was when it was lost
     */
    public record Supply(OptionalLong lostAt, boolean fallen, boolean relayBefore) {
        static final Supply THERE = new Supply(OptionalLong.empty(), false, false);

        public boolean isThere() {
            return lostAt.isEmpty();
        }
    }

    /** How a module with one input stands at first; use {@link Machine#start} where a timer may have to begin. */
    static State of(List<Contact> contacts, boolean relay, Motion motion) {
        return new State(
                contacts,
                contacts,
                List.of(),
                relay,
                motion,
                OptionalLong.empty(),
                false,
                Supply.THERE,
                Optional.empty(),
                OptionalLong.empty(),
                OptionalLong.empty());
    }

    /** The same after something else switched the output: a run-on that was going on has ended. */
    public State withRelay(boolean on) {
        return new State(
                contacts,
                counted,
                counting,
                on,
                motion,
                pressed ? timerEnds : OptionalLong.empty(),
                pressed,
                supply,
                waiting,
                upEnded,
                downEnded);
    }

    /** The same with every contact counted where it stands, and no timer or pause running. */
    State settled() {
        return of(contacts, relay, motion);
    }
}
