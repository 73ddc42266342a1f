package org.hiddenclerk.app.stage.planning;

import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What people took on for a box with a reason. */
@Component
class Acceptances {
    private final AcceptedHoldRepository rows;

    Acceptances(AcceptedHoldRepository rows) {
        this.rows = rows;
    }

    Map<UUID, List<AcceptedHoldRow>> ofJob(UUID job) {
        return rows.findByJob(job).stream().collect(Collectors.groupingBy(AcceptedHoldRow::boxId));
    }

    List<AcceptedHoldRow> list(UUID box) {
        return rows.findByBoxIdOrderByAcceptedAt(box);
    }

    void keep(AcceptedHoldRow row) {
        rows.saveAndFlush(row);
    }

    void takeBack(AcceptedHoldRow row) {
        rows.delete(row);
        rows.flush();
    }
}
