package org.hiddenclerk.app.stage.tracing;

import java.time.Instant;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import java.util.UUID;
import java.util.stream.Collectors;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.conductors.ReadingWords;
import org.hiddenclerk.core.conductors.SeenCore;
import org.hiddenclerk.core.conductors.SurveyedBoard;
import org.hiddenclerk.core.conductors.Traced;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.Role;

/** A trace as the sheet shows it. */
record TraceView(
        List<String> obstacles,
        List<BoxSeen> boxes,
        List<ReadingKept> readings,
        int staleReadings,
        int possible,
        List<Kind> kinds,
        @MayBeAbsent Next next,
        boolean done,
        boolean contradictory,
        @MayBeAbsent String nearest,
        boolean writable) {

    /**
     * A box with its cores.
     *
     * @param switches none at a lamp place
     */
    record BoxSeen(String id, String label, List<SwitchSeen> switches, List<CoreSeen> cores) {}

    /** A switch whose position a reading names. */
    record SwitchSeen(String id, String name, String mechanism) {}

    /**
     * A core.
     *
     * @param roles    what it can be, by name; one when it is certain
     * @param surveyed what the survey takes it for
     * @param agrees   whether that is still possible
     */
    record CoreSeen(
            String id,
            String cable,
            CoreColour colour,
            String letters,
            String at,
            List<String> roles,
            boolean certain,
            String surveyed,
            boolean agrees) {}

    /**
     * A reading that was made.
     *
     * @param weak whether it only orders what is possible
     */
    record ReadingKept(UUID id, String words, boolean value, String by, Instant at, boolean conflicts, boolean weak) {}

    /**
     * A kind of circuit that is still possible, the likeliest first.
     *
     * @param ways    in how many ways
     * @param support share of colours and notes that speak for the best of them, 0 to 1; weak
     */
    record Kind(String words, int ways, double support) {}

    /** What to do next. */
    record Next(
            ReadingEntry reading,
            String title,
            List<String> steps,
            String ifTrue,
            String ifFalse,
            int leavesIfTrue,
            int leavesIfFalse,
            String why,
            String caution) {}

    static TraceView of(Traces.State state) {
        Traced traced = state.traced();
        Map<String, Box> byId = new LinkedHashMap<>();
        byId.put(state.found().row().id().toString(), state.found().box());
        state.found().neighbours().forEach((id, neighbour) -> byId.put(id, neighbour.box()));
        ReadingWords words = new ReadingWords(state.surveyed(), byId);
        List<BoxSeen> boxes = new ArrayList<>();
        byId.forEach((id, box) -> boxes.add(new BoxSeen(
                id,
                box.label(),
                switches(state, id, words),
                state.surveyed().cores().stream()
                        .filter(core -> core.id().startsWith(id + "/"))
                        .map(core -> core(state, core))
                        .toList())));
        Set<UUID> conflicts = traced.contradictions().stream()
                .flatMap(List::stream)
                .map(at -> state.strong().get(at).row().id())
                .collect(Collectors.toSet());
        List<ReadingKept> readings = state.kept().stream()
                .map(kept -> new ReadingKept(
                        kept.row().id(),
                        kept.isWeak()
                                ? words.noted(kept.note())
                                : words.done(kept.reading(), kept.row().value()),
                        kept.row().value(),
                        kept.row().readBy(),
                        kept.row().readAt(),
                        conflicts.contains(kept.row().id()),
                        kept.isWeak()))
                .toList();
        Map<String, Kind> kinds = new LinkedHashMap<>();
        traced.possible()
                .forEach(p -> kinds.merge(
                        ReadingWords.topology(p.topology()),
                        new Kind(ReadingWords.topology(p.topology()), 1, p.support()),
                        (a, b) -> new Kind(a.words(), a.ways() + 1, Math.max(a.support(), b.support()))));
        boolean differs = traced.certain().entrySet().stream().anyMatch(e -> {
            SeenCore core =
                    state.board().cores().get(state.board().numberOf(e.getKey()).orElseThrow());
            return state.surveyed().surveyedCore(core).core().role() != SurveyedBoard.surveyRole(e.getValue());
        });
        return new TraceView(
                state.surveyed().obstacles(),
                boxes,
                readings,
                state.stale(),
                traced.possible().size(),
                List.copyOf(kinds.values()),
                traced.nextTest().map(test -> next(test, words)).orElse(null),
                traced.done(),
                !traced.contradictions().isEmpty(),
                traced.nearest()
                        .map(nearest -> words.nearest(nearest, state.answered()))
                        .orElse(null),
                differs);
    }

    private static List<SwitchSeen> switches(Traces.State state, String box, ReadingWords words) {
        return state.board().boxes().stream()
                .filter(opened -> opened.isOperable()
                        && state.surveyed().entry(opened.id()).box().equals(box))
                .map(opened -> new SwitchSeen(
                        opened.id(),
                        words.switchName(opened),
                        opened.mechanism().orElseThrow().label()))
                .toList();
    }

    private static CoreSeen core(Traces.State state, SeenCore core) {
        Box.CableCore surveyed = state.surveyed().surveyedCore(core);
        Set<ConductorRole> roles = new TreeSet<>();
        state.traced().possible().forEach(p -> roles.add(p.roles().get(core.id())));
        Role taken = surveyed.core().role();
        boolean agrees =
                roles.isEmpty() || roles.stream().map(SurveyedBoard::surveyRole).anyMatch(taken::equals);
        return new CoreSeen(
                core.id(),
                core.cable(),
                surveyed.core().colour(),
                surveyed.core().colour().letters(),
                surveyed.core().end().words(),
                roles.stream().map(ConductorRole::label).toList(),
                state.traced().certain().containsKey(core.id()),
                taken.label(),
                agrees);
    }

    private static Next next(Traced.NextTest test, ReadingWords words) {
        ReadingWords.Instruction toDo = words.toDo(test.reading());
        return new Next(
                ReadingEntry.of(test.reading()),
                toDo.title(),
                toDo.steps(),
                toDo.ifTrue(),
                toDo.ifFalse(),
                test.leavesIfTrue(),
                test.leavesIfFalse(),
                test.why(),
                toDo.caution());
    }
}
