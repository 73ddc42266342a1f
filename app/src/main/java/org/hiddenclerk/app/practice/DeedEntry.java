package org.hiddenclerk.app.practice;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.practice.PracticeAction;
import org.hiddenclerk.core.wiring.scheme.SchemeCode;

/**
 * A deed as it is sent and kept.
 *
 * @param on   what it is done to: a circuit, a place, a switch, a core or a lamp
 * @param to   the other core, place or end; a module
 * @param from the place that a piece of wire begins at
 */
record DeedEntry(
        @NotNull Kind kind,
        @MayBeAbsent @Size(max = 100) String on,
        @MayBeAbsent @Size(max = 100) String to,
        @MayBeAbsent @Size(max = 100) String from,
        @MayBeAbsent Boolean second,
        @MayBeAbsent ConductorRole role,
        @MayBeAbsent SchemeCode scheme,
        @MayBeAbsent FindingCode fault) {

    /** Kinds of deeds. */
    enum Kind {
        BREAKER_ON,
        BREAKER_OFF,
        LOCK,
        UNLOCK,
        PROVE_TESTER,
        PROVE_DEAD,
        FLIP,
        TEST_TO_EARTH,
        TEST_FROM_LIVE,
        PEN,
        LOOK,
        FREE,
        PUT_BACK,
        TEST_CONTINUITY,
        NAME,
        NAMES_DONE,
        CHOOSE,
        REPORT,
        PUT,
        JOIN,
        TAKE_OUT,
        FINISH
    }

    /**
     * What it stands for.
     *
     * @throws ProblemException with the pointer of what is missing
     */
    PracticeAction deed() {
        return switch (kind) {
            case BREAKER_ON -> new PracticeAction.Breaker(on("/on"), true);
            case BREAKER_OFF -> new PracticeAction.Breaker(on("/on"), false);
            case LOCK -> new PracticeAction.Lock(on("/on"));
            case UNLOCK -> new PracticeAction.Unlock(on("/on"));
            case PROVE_TESTER -> new PracticeAction.ProveTester();
            case PROVE_DEAD -> new PracticeAction.ProveDead(on("/on"));
            case FLIP -> new PracticeAction.Flip(on("/on"));
            case TEST_TO_EARTH -> new PracticeAction.TestToEarth(on("/on"));
            case TEST_FROM_LIVE -> new PracticeAction.TestFromLive(on("/on"));
            case PEN -> new PracticeAction.Pen(on("/on"));
            case LOOK -> new PracticeAction.Look(on("/on"));
            case FREE -> new PracticeAction.Free(on("/on"));
            case PUT_BACK -> new PracticeAction.PutBack(on("/on"));
            case TEST_CONTINUITY -> new PracticeAction.TestContinuity(on("/on"), given(to, "/to"));
            case NAME -> new PracticeAction.Name(on("/on"), given(role, "/role"));
            case NAMES_DONE -> new PracticeAction.NamesDone();
            case CHOOSE -> new PracticeAction.Choose(on("/on"), given(scheme, "/scheme"), given(to, "/to"));
            case REPORT -> new PracticeAction.Report(given(fault, "/fault"));
            case PUT ->
                new PracticeAction.Put(
                        on("/on"),
                        given(from, "/from"),
                        Optional.ofNullable(second).orElse(false),
                        given(to, "/to"));
            case JOIN -> new PracticeAction.Join(on("/on"), given(from, "/from"), given(to, "/to"));
            case TAKE_OUT -> new PracticeAction.TakeOut(on("/on"), given(from, "/from"));
            case FINISH -> new PracticeAction.Finish();
        };
    }

    private String on(String pointer) {
        return given(on, pointer);
    }

    private static <T> T given(@org.jspecify.annotations.Nullable T value, String pointer) {
        if (value == null) {
            throw ProblemException.content(
                    "This cannot be done", new FieldProblem(pointer, "nothing", "what it is done with"));
        }
        return value;
    }
}
