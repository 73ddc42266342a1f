package org.hiddenclerk.app.stage.stock;

import java.util.List;
import java.util.UUID;

/** Told before and after a change of the stock book, to say which boxes it concerns. */
public interface StockChange {
    /** A box for which a module was picked. */
    record Concerned(UUID job, String jobName, UUID box, String label, String verdict, boolean issued) {}

    /** Boxes for which a module was picked, with their verdicts as they are now. */
    List<Concerned> concerned(String moduleCode);
}
