package org.hiddenclerk.app.stage.fitting;

import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.survey.HoldsBox;
import org.hiddenclerk.app.stage.survey.OpenWork;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Component;

/** A box with an open run sheet is being worked on. */
@Component
class OpenRunSheets implements OpenWork, HoldsBox {
    private final RunSheetRepository sheets;

    OpenRunSheets(RunSheetRepository sheets) {
        this.sheets = sheets;
    }

    @Override
    public Optional<String> whyItStays(UUID box) {
        return sheets.findThatOpen(box, Limit.of(1)).isEmpty()
                ? Optional.empty()
                : Optional.of("work was begun in it, and the books keep its run sheet.");
    }

    @Override
    public void refuseIfOpen(UUID box) {
        if (sheets.existsByBoxIdAndFinishedFalseAndSetAsideFalse(box)) {
            throw ProblemException.conflict("A run sheet is open on this box. Finish it or set it aside first.");
        }
        if (sheets.countOpenOnRunsThrough(box.toString()) > 0) {
            throw ProblemException.conflict(
                    "A run sheet is open on a box that its cables lead to. Finish it or set it aside first.");
        }
    }
}
