package org.hiddenclerk.core.practice;

import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.hiddenclerk.core.job.Circuit;

/** What is off, locked and proved dead, in the order in which it was done. */
final class Isolation {
    private static final int NEVER = -1;

    private final Map<String, Boolean> on = new LinkedHashMap<>();
    private final Set<String> locked = new HashSet<>();
    /** When every core of a place was last found dead, and when the tester was proved before and after. */
    private final Map<String, Integer> foundDead = new HashMap<>();

    private int testerProved = NEVER;
    private final Map<String, Integer> provedBefore = new HashMap<>();

    Isolation(List<Circuit> circuits) {
        circuits.forEach(circuit -> on.put(circuit.label(), true));
    }

    void breaker(String circuit, boolean to) {
        known(circuit);
        if (locked.contains(circuit)) {
            throw new NotPossible("Breaker " + circuit + " is locked. Take the lock off first.");
        }
        on.put(circuit, to);
        if (to) {
            foundDead.clear();
        }
    }

    void lock(String circuit) {
        if (known(circuit)) {
            throw new NotPossible("Breaker " + circuit + " is on. Switch it off first.");
        }
        locked.add(circuit);
    }

    void unlock(String circuit) {
        known(circuit);
        locked.remove(circuit);
    }

    private boolean known(String circuit) {
        Boolean now = on.get(circuit);
        if (now == null) {
            throw new NotPossible("There is no breaker " + circuit + ".");
        }
        return now;
    }

    void testerProved(int when) {
        testerProved = when;
    }

    boolean isTesterProved() {
        return testerProved != NEVER;
    }

    /** Notes that every core of a place was tested, and whether all were dead. */
    void tested(String place, boolean dead, int when) {
        if (dead) {
            foundDead.put(place, when);
            provedBefore.put(place, testerProved);
        } else {
            foundDead.remove(place);
        }
    }

    Set<String> circuitsOn() {
        return on.entrySet().stream()
                .filter(Map.Entry::getValue)
                .map(Map.Entry::getKey)
                .collect(Collectors.toSet());
    }

    boolean isOn(String circuit) {
        return on.getOrDefault(circuit, false);
    }

    boolean isLocked(String circuit) {
        return locked.contains(circuit);
    }

    /** Whether a place was found dead by a tester that was proved before and after. */
    boolean isProvedDead(String place) {
        Integer when = foundDead.get(place);
        return when != null && provedBefore.get(place) != NEVER && testerProved > when;
    }

    /** What is wrong with laying hands on a place now; empty when nothing is. */
    Optional<UnsafeDeed> touching(String place, String what, boolean live, int when) {
        if (live) {
            return Optional.of(new UnsafeDeed(
                    UnsafeDeed.Kind.TOUCHED_LIVE, when, what + " was live. In a real wall that hurts, or worse."));
        }
        Integer dead = foundDead.get(place);
        if (dead == null) {
            return Optional.of(new UnsafeDeed(
                    UnsafeDeed.Kind.NOT_PROVED_DEAD, when, what + " was touched before the box was proved dead."));
        }
        if (provedBefore.get(place) == NEVER || testerProved <= dead) {
            return Optional.of(
                    new UnsafeDeed(
                            UnsafeDeed.Kind.TESTER_NOT_PROVED,
                            when,
                            what
                                    + " was touched, and the tester had not been proved on a known source before and after testing dead."));
        }
        List<String> open = on.entrySet().stream()
                .filter(e -> !e.getValue() && !locked.contains(e.getKey()))
                .map(Map.Entry::getKey)
                .toList();
        if (!open.isEmpty()) {
            return Optional.of(new UnsafeDeed(
                    UnsafeDeed.Kind.NOT_LOCKED,
                    when,
                    what + " was touched while breaker " + String.join(" and ", open)
                            + " was off, but not locked: anybody can switch it on."));
        }
        return Optional.empty();
    }
}
