package org.hiddenclerk.app.stage.stock;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.Map;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is on the shelf of modules and accessories. */
@Service
public class StockShelves {
    private final StockItemRepository items;
    private final StockBook book;
    private final Clock clock;

    StockShelves(StockItemRepository items, StockBook book, Clock clock) {
        this.items = items;
        this.book = book;
        this.clock = clock;
    }

    /** Puts so many more of each code on the shelf; fewer for a number below zero, but never less than none. */
    @Transactional
    public void putOnShelf(Map<String, Integer> more, String who) {
        book.catalogue();
        more.forEach((code, count) -> {
            StockItemRow row =
                    items.findById(code).orElseThrow(() -> ProblemException.notFound("module or accessory " + code));
            row.changed(
                    row.document(),
                    Math.max(0, row.onHand() + count),
                    row.retired(),
                    who,
                    clock.instant().truncatedTo(ChronoUnit.MICROS));
        });
        items.flush();
        book.changed();
    }
}
