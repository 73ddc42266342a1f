package org.hiddenclerk.app.tracing;

import java.time.Instant;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.conductors.OpenedBox;
import org.hiddenclerk.core.conductors.Reading;
import org.hiddenclerk.core.conductors.SeenCore;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Role;

/** A trace as the sheet shows it. */
record TraceView(List<String> obstacles, List<BoxSeen> boxes, List<ReadingKept> readings, int staleReadings, int possible,
                 List<Kind> kinds, @MayBeAbsent Next next, boolean done, boolean contradictory, @MayBeAbsent String nearest,
                 boolean writable) {

    /** A box with its cores. */
    record BoxSeen(String id, String label, @MayBeAbsent String mechanism, List<CoreSeen> cores) {
    }

    /**
     * A core.
     *
     * @param roles    what it can be, by name; one when it is certain
     * @param surveyed what the survey takes it for
     * @param agrees   whether that is still possible
     */
    record CoreSeen(String id, String cable, CoreColour colour, String letters, String at, List<String> roles, boolean certain,
                    String surveyed, boolean agrees) {
    }

    /** A reading that was made. */
    record ReadingKept(UUID id, String words, boolean value, String by, Instant at, boolean conflicts) {
    }

    /** A kind of circuit that is still possible, with in how many ways. */
    record Kind(String words, int ways) {
    }

    /** What to do next. */
    record Next(ReadingEntry reading, String title, List<String> steps, String ifTrue, String ifFalse, int leavesIfTrue,
                int leavesIfFalse, String why, String caution) {
    }

    static TraceView of(Traces.State state) {
        Traced traced = state.traced();
        Map<String, Box> byId = new LinkedHashMap<>();
        byId.put(state.found().row().id().toString(), state.found().box());
        state.found().neighbours().forEach((id, neighbour) -> byId.put(id, neighbour.box()));
        Words words = new Words(state, byId);
        List<BoxSeen> boxes = state.board().boxes().stream().map(box -> new BoxSeen(box.id(), byId.get(box.id()).label(),
                box.mechanism().map(m -> m.label()).orElse(null), box.cores().stream().map(core -> core(state, core)).toList())).toList();
        Set<Integer> conflicts = traced.contradictions().stream().flatMap(List::stream).collect(Collectors.toCollection(HashSet::new));
        List<ReadingKept> readings = new ArrayList<>();
        for (int i = 0; i < state.kept().size(); i++) {
            TraceReadingRow row = state.kept().get(i).row();
            readings.add(new ReadingKept(row.id(), words.done(state.kept().get(i).reading(), row.value()), row.value(), row.readBy(),
                    row.readAt(), conflicts.contains(i)));
        }
        Map<String, Integer> kinds = new TreeMap<>();
        traced.possible().forEach(p -> kinds.merge(Words.topology(p.topology()), 1, Integer::sum));
        boolean differs = traced.certain().entrySet().stream().anyMatch(e -> {
            SeenCore core = state.board().cores().get(state.board().numberOf(e.getKey()).orElseThrow());
            return state.surveyed().surveyedCore(core).core().role() != SurveyedBoard.surveyRole(e.getValue());
        });
        return new TraceView(state.surveyed().obstacles(), boxes, readings, state.stale(), traced.possible().size(),
                kinds.entrySet().stream().map(e -> new Kind(e.getKey(), e.getValue())).toList(),
                traced.nextTest().map(words::next).orElse(null), traced.done(), !traced.contradictions().isEmpty(),
                traced.nearest().map(nearest -> words.nearest(nearest)).orElse(null), differs);
    }

    private static CoreSeen core(Traces.State state, SeenCore core) {
        Box.CableCore surveyed = state.surveyed().surveyedCore(core);
        Set<ConductorRole> roles = new TreeSet<>();
        state.traced().possible().forEach(p -> roles.add(p.roles().get(core.id())));
        Role taken = surveyed.core().role();
        boolean agrees = roles.isEmpty() || roles.stream().map(SurveyedBoard::surveyRole).anyMatch(taken::equals);
        return new CoreSeen(core.id(), core.cable(), surveyed.core().colour(), surveyed.core().colour().letters(),
                surveyed.core().end().words(), roles.stream().map(ConductorRole::label).toList(),
                state.traced().certain().containsKey(core.id()), taken.label(), agrees);
    }

    /** Readings in the words of the hand that makes them. */
    private record Words(Traces.State state, Map<String, Box> byId) {
        private static final String DEAD = "Isolate, prove dead, free both ends. Nobody else is at the boxes.";
        private static final String LIVE = "A live test is for a competent person: prove the tester first, keep the cores apart, "
                + "nobody else at the switch. A non-contact pen will not do.";

        static String topology(String code) {
            return code.toLowerCase(Locale.ROOT).replace('_', ' ').replace("+", " and ")
                    .replace("lamp a", "lamp at A").replace("lamp b", "lamp at B").replace("feed a ", "feed at A, ")
                    .replace("feed b ", "feed at B, ");
        }

        String core(String id) {
            SeenCore core = state.board().cores().get(state.board().numberOf(id).orElseThrow());
            return core.colour() + " of " + core.cable() + " in " + byId.get(id.substring(0, id.indexOf('/'))).label();
        }

        String positions(Map<String, Integer> with) {
            return state.board().boxes().stream().filter(OpenedBox::isOperable)
                    .map(box -> byId.get(box.id()).label() + " at " + with.get(box.id())).collect(Collectors.joining(", "));
        }

        String done(Reading reading, boolean value) {
            if (reading instanceof Reading.Continuous pair) {
                return core(pair.first()) + (value ? " is joined to " : " is not joined to ") + core(pair.second());
            }
            if (reading instanceof Reading.Live live) {
                return core(live.core()) + (value ? " is live, " : " is not live, ") + positions(live.with());
            }
            if (reading instanceof Reading.Returns returns) {
                return core(returns.core()) + (value ? ", freed, lights the tester from live, " : ", freed, does not light the tester, ")
                        + positions(returns.with());
            }
            return (value ? "The lamp burns, " : "The lamp does not burn, ") + positions(((Reading.Lamp) reading).with());
        }

        Next next(Traced.NextTest test) {
            Reading reading = test.reading();
            List<String> steps = new ArrayList<>();
            String title;
            String yes;
            String no;
            if (reading instanceof Reading.Continuous pair) {
                title = "Continuity, everything off";
                steps.add("Circuit off, locked, proved dead");
                steps.add("Free " + core(pair.first()));
                steps.add("Free " + core(pair.second()));
                steps.add("Test between the two");
                yes = "joined";
                no = "not joined";
            } else if (reading instanceof Reading.Lamp lamp) {
                title = "Look at the lamp";
                steps.add("Breaker on");
                steps.add("Switches: " + positions(lamp.with()));
                yes = "it burns";
                no = "it does not";
            } else if (reading instanceof Reading.Live live) {
                title = "Two-pole tester, breaker on";
                steps.add("Switches: " + positions(live.with()));
                steps.add("Tester from " + core(live.core()) + " to a known neutral or earth");
                yes = "live";
                no = "not live";
            } else {
                Reading.Returns returns = (Reading.Returns) reading;
                title = "Does it lead back?";
                steps.add("Circuit off, proved dead: free " + core(returns.core()) + ", then breaker on");
                steps.add("Switches: " + positions(returns.with()));
                steps.add("Tester from a proved live to " + core(returns.core()));
                yes = "the tester lights";
                no = "it stays dark";
            }
            return new Next(ReadingEntry.of(reading), title, steps, yes, no, test.leavesIfTrue(), test.leavesIfFalse(), test.why(),
                    reading.isDead() ? DEAD : LIVE);
        }

        String nearest(Traced.Nearest nearest) {
            return "Nearest is " + topology(nearest.possibility().topology()) + ". Against it: " + nearest.broken().stream()
                    .map(i -> done(state.kept().get(i).reading(), state.kept().get(i).row().value())).collect(Collectors.joining("; ")) + ".";
        }
    }
}
