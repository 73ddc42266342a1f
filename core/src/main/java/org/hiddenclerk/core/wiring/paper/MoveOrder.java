package org.hiddenclerk.core.wiring.paper;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Input;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.wiring.routing.Netting;
import org.hiddenclerk.core.wiring.run.BoxWiring;

/**
 * An order of moves in which no terminal ever holds more than it takes, and mains and extra-low voltage never meet on the way. Where every
 * move waits for another, one end is taken off and insulated first. A core that changes from mains to extra-low voltage, or back, comes off
 * before anything else.
 */
final class MoveOrder {
    private final BoxWiring from;
    private final BoxWiring to;
    private final Set<End> elvBefore;
    private final Set<End> elvAfter;
    /** What is on each place at the moment: cores with whether they are extra-low voltage; of jumpers that is what they join. */
    private final Map<End, Map<String, Optional<Boolean>>> holds = new HashMap<>();

    private final List<Move> ordered = new ArrayList<>();
    private final List<Task> performed = new ArrayList<>();

    MoveOrder(BoxWiring from, BoxWiring to) {
        this.from = from;
        this.to = to;
        elvBefore = extraLow(from);
        elvAfter = extraLow(to);
        from.box()
                .cores()
                .forEach(core -> put(core.key(), from.endOf(core), Optional.of(isElv(from, core, elvBefore))));
        from.jumpers().forEach(jumper -> List.of(jumper.from(), jumper.to())
                .forEach(end -> put(jumper.key(), end, Optional.empty())));
    }

    /** A move with what it takes off and what it puts on. */
    record Task(Move move, String what, List<End> off, List<End> on, boolean elv, boolean changesKind) {}

    /** A core that goes from one place to another. */
    Task core(Box.CableCore core, Move move) {
        boolean before = isElv(from, core, elvBefore);
        boolean after = isElv(to, core, elvAfter);
        return new Task(
                move,
                core.words() + " (" + to.roleOf(core).label() + ")",
                List.of(from.endOf(core)),
                List.of(to.endOf(core)),
                after,
                before != after && !isAlone(to.endOf(core)));
    }

    Task added(Jumper jumper, Move move) {
        return new Task(
                move, "", List.of(), List.of(jumper.from(), jumper.to()), elvAfter.contains(jumper.from()), false);
    }

    Task removed(Jumper jumper, Move move) {
        return new Task(move, "", List.of(jumper.from(), jumper.to()), List.of(), false, false);
    }

    /** @param tasks in the order in which a hand would like to work */
    List<Move> of(List<Task> tasks) {
        List<Task> left = new ArrayList<>();
        tasks.forEach(task -> left.add(task.changesKind() ? takeOff(task) : task));
        while (!left.isEmpty()) {
            Task next = left.stream().filter(this::fits).findFirst().orElse(null);
            if (next != null) {
                take(next);
                next.on()
                        .forEach(end -> put(
                                next.move().conductor(),
                                end,
                                next.on().size() > 1 ? Optional.empty() : Optional.of(next.elv())));
                ordered.add(next.move());
                performed.add(next);
                left.remove(next);
                continue;
            }
            // Each waits for another: one end comes off for a while.
            Task first = left.stream()
                    .filter(task -> !task.off().isEmpty() && !task.on().isEmpty())
                    .findFirst()
                    .orElse(null);
            if (first == null) {
                // Nothing can come off: what is planned itself does not fit, which the plan is held for elsewhere.
                left.forEach(task -> ordered.add(task.move()));
                break;
            }
            left.set(left.indexOf(first), takeOff(first));
        }
        return ordered;
    }

    /** Takes an end off for a while, insulated. @return what is left to be done with it */
    private Task takeOff(Task task) {
        ordered.add(
                Move.takenOff(task.move(), task.what(), from.words(task.off().get(0))));
        performed.add(new Task(task.move(), task.what(), task.off(), List.of(), task.elv(), false));
        take(task);
        Boolean markedAs = task.changesKind() ? task.elv() : null;
        return new Task(
                Move.putOn(task.move(), task.what(), to.words(task.on().get(0)), markedAs),
                task.what(),
                List.of(),
                task.on(),
                task.elv(),
                false);
    }

    private void put(String conductor, End end, Optional<Boolean> elv) {
        if (!isAlone(end)) {
            holds.computeIfAbsent(end, e -> new LinkedHashMap<>()).put(conductor, elv);
        }
    }

    /** What was taken off and put on, in the order of the moves. */
    List<Task> performed() {
        return performed;
    }

    private void take(Task task) {
        task.off().forEach(end -> holds.getOrDefault(end, new HashMap<>())
                .remove(task.move().conductor()));
    }

    private boolean fits(Task task) {
        for (End end : task.on()) {
            Map<String, Optional<Boolean>> there = new LinkedHashMap<>(holds.getOrDefault(end, Map.of()));
            there.remove(task.move().conductor());
            if (!isAlone(end) && (there.size() >= takes(end) || meetsOther(end, task))) {
                return false;
            }
        }
        return true;
    }

    /** Whether some core of the other kind is on a place, or on one that jumpers join to it. */
    private boolean meetsOther(End start, Task task) {
        Set<End> joined = new HashSet<>(Set.of(start));
        boolean grew = true;
        while (grew) {
            Set<String> jumpers = new HashSet<>();
            joined.forEach(end -> holds.getOrDefault(end, Map.of()).forEach((conductor, kind) -> {
                if (kind.isEmpty()) {
                    jumpers.add(conductor);
                }
            }));
            grew = false;
            for (Map.Entry<End, Map<String, Optional<Boolean>>> place : holds.entrySet()) {
                grew |= place.getValue().keySet().stream().anyMatch(jumpers::contains) && joined.add(place.getKey());
            }
        }
        return joined.stream().anyMatch(end -> holds.getOrDefault(end, Map.of()).entrySet().stream()
                .anyMatch(e -> !e.getKey().equals(task.move().conductor())
                        && e.getValue().filter(kind -> kind != task.elv()).isPresent()));
    }

    private int takes(End end) {
        if (end instanceof End.AtModule pole) {
            return (to.modules().containsKey(pole.module()) ? to : from).takes(pole);
        }
        // A mechanism that was found with more than it takes is left as it is found.
        return end instanceof End.AtMechanism
                ? Math.max(Netting.MECHANISM_TERMINAL_TAKES, to.heldAt(end))
                : Integer.MAX_VALUE;
    }

    private static boolean isAlone(End end) {
        return end instanceof End.Capped || end instanceof End.Loose;
    }

    private static boolean isElv(BoxWiring wiring, Box.CableCore core, Set<End> elv) {
        End end = wiring.endOf(core);
        return isAlone(end) ? isElv(wiring.roleOf(core)) : elv.contains(end);
    }

    private static boolean isElv(Role role) {
        return role == Role.ELV_PLUS || role == Role.ELV_MINUS;
    }

    /** Places that are extra-low voltage: by a core there, by the module's own pin, or by a jumper to such a place. */
    private static Set<End> extraLow(BoxWiring wiring) {
        Set<End> low = new HashSet<>();
        wiring.box().cores().stream()
                .filter(core -> isElv(wiring.roleOf(core)) && !isAlone(wiring.endOf(core)))
                .forEach(core -> low.add(wiring.endOf(core)));
        wiring.modules()
                .forEach((number, model) -> pinsOf(model).forEach(pin -> low.add(new End.AtModule(number, pin))));
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Jumper jumper : wiring.jumpers()) {
                if (low.contains(jumper.from()) != low.contains(jumper.to())) {
                    low.addAll(List.of(jumper.from(), jumper.to()));
                    grew = true;
                }
            }
        }
        return low;
    }

    private static Set<String> pinsOf(ModuleModel model) {
        Set<String> pins = new HashSet<>();
        model.inputs().stream()
                .filter(input -> input.potential() == Input.Potential.ELV)
                .forEach(input -> {
                    pins.addAll(input.pins());
                    input.activeWith().ifPresent(pins::add);
                });
        if (model.supply() instanceof ModuleSupply.DirectCurrent direct) {
            pins.addAll(List.of(direct.livePin(), direct.returnPin()));
        }
        return pins;
    }
}
