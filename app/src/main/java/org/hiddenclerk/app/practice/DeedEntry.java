package org.hiddenclerk.app.practice;

import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.Optional;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.app.web.MayBeAbsent;
import org.hiddenclerk.core.conductors.ConductorRole;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.practice.Deed;
import org.hiddenclerk.core.wiring.SchemeCode;

/**
 * A deed as it is sent and kept.
 *
 * @param on   what it is done to: a circuit, a place, a switch, a core or a lamp
 * @param to   the other core, place or end; a module
 * @param from the place that a piece of wire begins at
 */
record DeedEntry(@NotNull Kind kind, @MayBeAbsent @Size(max = 100) String on, @MayBeAbsent @Size(max = 100) String to,
                 @MayBeAbsent @Size(max = 100) String from, @MayBeAbsent Boolean second, @MayBeAbsent ConductorRole role,
                 @MayBeAbsent SchemeCode scheme, @MayBeAbsent FindingCode fault) {

    /** Kinds of deeds. */
    enum Kind {
        BREAKER_ON, BREAKER_OFF, LOCK, UNLOCK, PROVE_TESTER, PROVE_DEAD, FLIP, TEST_TO_EARTH, TEST_FROM_LIVE, PEN, LOOK, FREE, PUT_BACK,
        TEST_CONTINUITY, NAME, NAMES_DONE, CHOOSE, REPORT, PUT, JOIN, TAKE_OUT, FINISH
    }

    /**
     * What it stands for.
     *
     * @throws Unusable with the pointer of what is missing
     */
    Deed deed() {
        return switch (kind) {
            case BREAKER_ON -> new Deed.Breaker(on("/on"), true);
            case BREAKER_OFF -> new Deed.Breaker(on("/on"), false);
            case LOCK -> new Deed.Lock(on("/on"));
            case UNLOCK -> new Deed.Unlock(on("/on"));
            case PROVE_TESTER -> new Deed.ProveTester();
            case PROVE_DEAD -> new Deed.ProveDead(on("/on"));
            case FLIP -> new Deed.Flip(on("/on"));
            case TEST_TO_EARTH -> new Deed.TestToEarth(on("/on"));
            case TEST_FROM_LIVE -> new Deed.TestFromLive(on("/on"));
            case PEN -> new Deed.Pen(on("/on"));
            case LOOK -> new Deed.Look(on("/on"));
            case FREE -> new Deed.Free(on("/on"));
            case PUT_BACK -> new Deed.PutBack(on("/on"));
            case TEST_CONTINUITY -> new Deed.TestContinuity(on("/on"), given(to, "/to"));
            case NAME -> new Deed.Name(on("/on"), given(role, "/role"));
            case NAMES_DONE -> new Deed.NamesDone();
            case CHOOSE -> new Deed.Choose(on("/on"), given(scheme, "/scheme"), given(to, "/to"));
            case REPORT -> new Deed.Report(given(fault, "/fault"));
            case PUT -> new Deed.Put(on("/on"), given(from, "/from"), Optional.ofNullable(second).orElse(false), given(to, "/to"));
            case JOIN -> new Deed.Join(on("/on"), given(from, "/from"), given(to, "/to"));
            case TAKE_OUT -> new Deed.TakeOut(on("/on"), given(from, "/from"));
            case FINISH -> new Deed.Finish();
        };
    }

    private String on(String pointer) {
        return given(on, pointer);
    }

    private static <T> T given(@org.jspecify.annotations.Nullable T value, String pointer) {
        if (value == null) {
            throw Unusable.content("This cannot be done", new FieldProblem(pointer, "nothing", "what it is done with"));
        }
        return value;
    }
}
