package org.hiddenclerk.core.fitting;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.Instant;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/**
 * Two people, two boxes, one circuit, and somebody in the house who switches on whatever nobody has locked: every order of everything
 * that they can do. Three steps stand on either side of every gate.
 */
class SharedCircuitsTest {
    private static final Instant NOW = Instant.parse("2026-03-02T09:41:00Z");
    private static final List<String> PEOPLE = List.of("Ada", "Ben");
    private static final List<String> BOXES = List.of("B-01", "B-02");
    private static final String CIRCUIT = "4";

    private static final List<Step> STEPS = List.of(
            step("identify", Step.Phase.ISOLATE, true, Step.Effect.NONE),
            step("switch-off", Step.Phase.ISOLATE, true, Step.Effect.SWITCHED_OFF),
            step("test-dead", Step.Phase.ISOLATE, true, Step.Effect.NONE),
            step("prove-after", Step.Phase.ISOLATE, true, Step.Effect.PROVED_DEAD),
            step("label", Step.Phase.OPEN, true, Step.Effect.NONE),
            step("move-1", Step.Phase.WIRE, false, Step.Effect.NONE),
            step("move-2", Step.Phase.WIRE, false, Step.Effect.NONE),
            step("move-3", Step.Phase.WIRE, false, Step.Effect.NONE),
            step("check", Step.Phase.WIRE, true, Step.Effect.NONE),
            step("energise-open", Step.Phase.FUNCTION, true, Step.Effect.LIVE_WHILE_OPEN),
            step("function-test", Step.Phase.FUNCTION, true, Step.Effect.NONE),
            step("switch-off-again", Step.Phase.ISOLATE_AGAIN, true, Step.Effect.SWITCHED_OFF),
            step("prove-again", Step.Phase.ISOLATE_AGAIN, true, Step.Effect.PROVED_DEAD),
            step("close", Step.Phase.CLOSE, true, Step.Effect.NONE),
            step("energise", Step.Phase.FINAL, true, Step.Effect.LIVE_AND_CLOSED),
            step("final-tests", Step.Phase.FINAL, true, Step.Effect.NONE));

    private static Step step(String id, Step.Phase phase, boolean gate, Step.Effect effect) {
        return new Step(id, phase, id, "", gate, List.of(), List.of(), effect);
    }

    /**
     * How everything stands, packed: the number of each sheet's state, and bits for sheets set aside, for locks
     * (person, box), for whether the
     * circuit really is on, and for boxes in which it was really proved dead since it was last on. People are alike
     * and boxes are alike, so of
     * states that differ by names only one is looked at.
     */
    private record World(int first, int second, int aside, int locks, boolean on, int proved) {
        int sheet(int box) {
            return box == 0 ? first : second;
        }

        boolean isAside(int box) {
            return (aside >> box & 1) == 1;
        }

        boolean isLocked(int who, int box) {
            return (locks >> bit(who, box) & 1) == 1;
        }

        World with(int box, int sheet) {
            return box == 0
                    ? new World(sheet, second, aside, locks, on, proved)
                    : new World(first, sheet, aside, locks, on, proved);
        }

        World aside(int box) {
            return new World(first, second, aside | 1 << box, locks, on, proved);
        }

        World locked(int who, int box, boolean hangs) {
            int bit = 1 << bit(who, box);
            return new World(first, second, aside, hangs ? locks | bit : locks & ~bit, on, proved);
        }

        World switched(boolean nowOn) {
            return new World(first, second, aside, locks, nowOn, nowOn ? 0 : proved);
        }

        World proved(int box) {
            return new World(first, second, aside, locks, on, on ? proved : proved | 1 << box);
        }

        private static int bit(int who, int box) {
            return 2 * who + box;
        }

        private long packed() {
            return (long) first << 32
                    | (long) second << 16
                    | (long) aside << 8
                    | (long) locks << 4
                    | (on ? 8 : 0)
                    | proved;
        }

        /** The least of the states that differ from it by names only. */
        long key() {
            World otherBox = new World(
                    second, first, swapped(aside), swapped(locks & 3) | swapped(locks >> 2) << 2, on, swapped(proved));
            return Math.min(
                    Math.min(packed(), otherPerson().packed()),
                    Math.min(otherBox.packed(), otherBox.otherPerson().packed()));
        }

        private World otherPerson() {
            return new World(first, second, aside, locks >> 2 | (locks & 3) << 2, on, proved);
        }

        private static int swapped(int two) {
            return two >> 1 | (two & 1) << 1;
        }
    }

    /** Every state of a sheet that occurs, once; entries that lead to the same state are one. */
    private final Map<String, Integer> numbers = new HashMap<>();

    private final List<RunSheet> sheets = new ArrayList<>();
    private final List<List<Entry>> entries = new ArrayList<>();
    /** By state of a sheet what may be entered, and the state that follows. */
    private final Map<Integer, Map<Entry, Integer>> taken = new HashMap<>();

    private final List<List<Entry>> tries =
            PEOPLE.stream().map(SharedCircuitsTest::tries).toList();
    private int wired;

    private static List<Entry> tries(String who) {
        List<Entry> tries = new ArrayList<>(
                List.of(new Entry.Stopped("", "found live", who, NOW), new Entry.Resumed("put right", who, NOW)));
        STEPS.forEach(step -> tries.add(new Entry.Done(step.id(), Set.of(), Map.of(), "", who, NOW)));
        return tries;
    }

    private int sheet(List<Entry> leading) {
        RunSheet sheet = RunSheet.replay(STEPS, leading);
        StringBuilder key = new StringBuilder(
                sheet.isolation().state() + " " + sheet.stopped().isPresent());
        STEPS.forEach(step -> key.append(sheet.entryOf(step).isPresent() ? '1' : '0'));
        return numbers.computeIfAbsent(key.toString(), k -> {
            sheets.add(sheet);
            entries.add(leading);
            return sheets.size() - 1;
        });
    }

    private int with(int sheet, Entry entry) {
        List<Entry> longer = new ArrayList<>(entries.get(sheet));
        longer.add(entry);
        return sheet(longer);
    }

    /** What a sheet takes, with the state that it leads to. */
    private Map<Entry, Integer> taken(int sheet) {
        Map<Entry, Integer> known = taken.get(sheet);
        if (known == null) {
            known = new LinkedHashMap<>();
            for (List<Entry> ofPerson : tries) {
                for (Entry entry : ofPerson) {
                    if (sheets.get(sheet).judge(entry) instanceof RunSheet.Accepted) {
                        known.put(entry, with(sheet, entry));
                    }
                }
            }
            taken.put(sheet, known);
        }
        return known;
    }

    private final Map<Integer, Integer> voidedSheets = new HashMap<>();

    @Test
    void noHandIsInABoxWhileItsCircuitIsOnOrUnproved() {
        int fresh = sheet(List.of());
        World start = new World(fresh, fresh, 0, 0, true, 0);
        Set<Long> known = new HashSet<>(Set.of(start.key()));
        Deque<World> open = new ArrayDeque<>(List.of(start));
        boolean bothFinished = false;
        while (!open.isEmpty()) {
            World world = open.remove();
            check(world);
            bothFinished |= sheets.get(world.first()).isFinished()
                    && sheets.get(world.second()).isFinished();
            for (World next : next(world)) {
                if (known.add(next.key())) {
                    open.add(next);
                }
            }
        }
        System.out.println("two people, two boxes, one circuit: " + known.size() + " states of the site, "
                + sheets.size() + " of a sheet, " + wired + " times a hand in a box");
        assertThat(bothFinished).as("both boxes can be finished").isTrue();
        assertThat(wired).isGreaterThan(1_000);
    }

    /** The strip never says that a circuit is dead here and live there, nor dead while it is on. */
    private void check(World world) {
        boolean dead = false;
        boolean live = false;
        for (int b = 0; b < 2; b++) {
            if (!world.isAside(b)) {
                RunSheet.Isolation.State said = SharedCircuits.standing(
                                work(world, b), CIRCUIT, List.of(work(world, 1 - b)))
                        .state();
                dead |= said == RunSheet.Isolation.State.PROVED_DEAD;
                live |= said == RunSheet.Isolation.State.ON || said == RunSheet.Isolation.State.LIVE_WHILE_OPEN;
            }
        }
        if (dead && (live || world.on())) {
            throw new AssertionError("said to be dead in " + world);
        }
    }

    private SharedCircuits.Work work(World world, int box) {
        return works.computeIfAbsent(
                world.sheet(box) * 4 + box * 2 + (world.isAside(box) ? 1 : 0),
                k -> new SharedCircuits.Work(
                        BOXES.get(box), sheets.get(world.sheet(box)), Set.of(CIRCUIT), world.isAside(box)));
    }

    private final Map<Integer, SharedCircuits.Work> works = new HashMap<>();

    private List<World> next(World world) {
        List<World> next = new ArrayList<>();
        if (world.locks() == 0 && !world.on()) {
            next.add(world.switched(true));
        }
        for (int b = 0; b < 2; b++) {
            for (int who = 0; who < 2; who++) {
                if (world.isLocked(who, b)) {
                    next.add(voided(world.locked(who, b, false), b, false));
                }
                if (!world.isAside(b) && !sheets.get(world.sheet(b)).isFinished()) {
                    next.add(setAside(world, b));
                    next.add(world.locked(who, b, true));
                }
            }
            if (!world.isAside(b)) {
                onSheet(world, b, next);
            }
        }
        return next;
    }

    private void onSheet(World world, int b, List<World> next) {
        SharedCircuits.Work own = work(world, b);
        List<SharedCircuits.Work> other = List.of(work(world, 1 - b));
        List<Locks.Lock> hanging = locks.computeIfAbsent(world.locks(), SharedCircuitsTest::locks);
        taken(world.sheet(b)).forEach((entry, then) -> {
            if (SharedCircuits.refusal(own, other, hanging, entry).isEmpty()) {
                next.add(after(world, b, entry, then));
            }
        });
    }

    private World after(World world, int b, Entry entry, int then) {
        World next = world.with(b, then);
        if (!(entry instanceof Entry.Done done)) {
            return next;
        }
        int who = PEOPLE.indexOf(done.who());
        Step step = STEPS.stream()
                .filter(s -> s.id().equals(done.stepId()))
                .findFirst()
                .orElseThrow();
        if (step.phase().isDeadWork()) {
            wired++;
            if (world.on() || (world.proved() >> b & 1) == 0 || !world.isLocked(who, b)) {
                throw new AssertionError(done.who() + " does " + step.id() + " in " + BOXES.get(b)
                        + " while it is on, unproved, or not locked: " + world);
            }
        }
        return switch (step.effect()) {
            case NONE -> next;
            case SWITCHED_OFF -> next.locked(who, b, true).switched(false);
            case PROVED_DEAD -> next.proved(b);
            case LIVE_WHILE_OPEN, LIVE_AND_CLOSED ->
                voided(next.locked(who, b, false), b, true).switched(true);
        };
    }

    /** Nobody goes on with a sheet that was set aside: of it only matters whether the wiring was left half done. */
    private World setAside(World world, int b) {
        World aside = voided(world.aside(b), b, true);
        return aside.with(
                b, representatives.computeIfAbsent(sheets.get(aside.sheet(b)).isWiringOpen(), k -> aside.sheet(b)));
    }

    private final Map<Boolean, Integer> representatives = new HashMap<>();

    /** Work whose circuits were taken to be off goes back to be isolated. */
    private World voided(World world, int by, boolean othersOnly) {
        World then = world;
        List<SharedCircuits.Work> all =
                othersOnly ? List.of(work(world, 1 - by)) : List.of(work(world, 0), work(world, 1));
        for (SharedCircuits.Work work : SharedCircuits.voidedBy(work(world, by), all)) {
            int b = BOXES.indexOf(work.box());
            int sheet = then.sheet(b);
            if (!voidedSheets.containsKey(sheet)) {
                voidedSheets.put(sheet, with(sheet, new Entry.Voided("by another", "Ada", NOW)));
            }
            then = then.with(b, voidedSheets.get(sheet));
        }
        return then;
    }

    private final Map<Integer, List<Locks.Lock>> locks = new HashMap<>();

    private static List<Locks.Lock> locks(int hanging) {
        List<Locks.Lock> locks = new ArrayList<>();
        for (int who = 0; who < 2; who++) {
            for (int b = 0; b < 2; b++) {
                if ((hanging >> World.bit(who, b) & 1) == 1) {
                    locks.add(new Locks.Lock(CIRCUIT, PEOPLE.get(who), BOXES.get(b), NOW));
                }
            }
        }
        return locks;
    }
}
