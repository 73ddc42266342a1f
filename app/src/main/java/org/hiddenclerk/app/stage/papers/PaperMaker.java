package org.hiddenclerk.app.stage.papers;

import java.util.UUID;
import org.hiddenclerk.app.stage.ordering.Orders;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Makes papers. */
@Component
class PaperMaker {
    private final HouseFactsReader reader;
    private final Orders orders;

    PaperMaker(HouseFactsReader reader, Orders orders) {
        this.reader = reader;
        this.orders = orders;
    }

    /** A printed paper. @param draft whether something was open when it was made */
    record Printed(byte[] pdf, boolean draft) {}

    @Transactional(readOnly = true)
    public Printed print(UUID job, PaperKind kind, PaperSize size, String who, Watch watch) {
        watch.at("reading the house", 0, 0);
        HouseFacts facts = reader.of(job, who);
        PdfRenderer.Paper paper =
                switch (kind) {
                    case AS_BUILT -> AsBuiltBook.of(facts, size, watch);
                    case HOUSEHOLD -> HouseholdPaper.of(facts, size);
                    case RESTORE -> RestoreBook.of(facts, size, watch);
                    case RUN_SHEETS -> RunSheetForms.of(facts);
                    case PICK_LIST -> PickListPaper.of(facts, orders.bySupplier(job));
                    case QUOTE -> QuotePaper.of(facts, orders.quote(job));
                };
        return new Printed(PdfRenderer.print(paper, size, watch), !paper.draft().isEmpty());
    }
}
