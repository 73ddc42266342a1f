package org.hiddenclerk.app.stage.planning;

import java.util.ArrayList;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.job.house.Houses;
import org.hiddenclerk.app.stage.stock.StockChange;
import org.hiddenclerk.app.stage.survey.BoxRepository;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Boxes for which a module was picked, with how their plans stand. */
@Component
class BoxesOfModule implements StockChange {
    private final BoxRepository rows;
    private final Boxes boxes;
    private final Houses houses;
    private final Plans plans;

    BoxesOfModule(BoxRepository rows, Boxes boxes, Houses houses, Plans plans) {
        this.rows = rows;
        this.boxes = boxes;
        this.houses = houses;
        this.plans = plans;
    }

    @Override
    @Transactional(readOnly = true)
    public List<Concerned> concerned(String moduleCode) {
        List<Concerned> concerned = new ArrayList<>();
        for (UUID id : rows.findPickedWith(moduleCode)) {
            Boxes.Found found = boxes.find(id);
            boolean issued = plans.lastIssued(id)
                    .filter(row -> plans.isCurrent(row, found))
                    .isPresent();
            concerned.add(new Concerned(
                    found.job(),
                    houses.job(found.job()).name(),
                    id,
                    found.row().label(),
                    plans.judge(found).verdict().name(),
                    issued));
        }
        return concerned;
    }
}
