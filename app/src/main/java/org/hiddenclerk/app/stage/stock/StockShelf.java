package org.hiddenclerk.app.stage.stock;

import java.util.List;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.data.domain.Sort;
import org.springframework.stereotype.Component;

/** The items of the stock book as they are stored. */
@Component
class StockShelf {
    private final StockItemRepository items;
    private final StockBook book;

    StockShelf(StockItemRepository items, StockBook book) {
        this.items = items;
        this.book = book;
    }

    List<StockItemRow> items() {
        // A book that nobody opened yet is filled with what ships when it is.
        book.catalogue();
        return items.findAll(Sort.by("code"));
    }

    StockItemRow item(String code, StockItemRow.Kind kind) {
        book.catalogue();
        return items.findById(code)
                .filter(row -> row.kind() == kind)
                .orElseThrow(
                        () -> ProblemException.notFound(kind == StockItemRow.Kind.MODULE ? "module" : "accessory"));
    }
}
