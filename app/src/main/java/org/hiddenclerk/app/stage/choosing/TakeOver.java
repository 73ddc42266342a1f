package org.hiddenclerk.app.stage.choosing;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.planning.PickEntry;
import org.hiddenclerk.app.stage.planning.Plans;
import org.hiddenclerk.app.stage.stock.StockBook;
import org.hiddenclerk.app.stage.survey.BoxRow;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.matching.module.ModuleMatch;
import org.hiddenclerk.core.matching.module.Terms;
import org.hiddenclerk.core.quantity.Watts;
import org.hiddenclerk.core.wiring.Planner;
import org.hiddenclerk.core.wiring.scheme.Assignment;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;
import tools.jackson.databind.json.JsonMapper;

/** Makes a choice for a house the choice of its boxes, one box at a time: a box with open work keeps what it has, and is named. */
@Service
class TakeOver {
    private final ChooseHouse chooseHouse;
    private final Boxes boxes;
    private final Plans plans;
    private final StockBook stock;
    private final TransactionTemplate transaction;
    private final JsonMapper json;

    TakeOver(
            ChooseHouse chooseHouse,
            Boxes boxes,
            Plans plans,
            StockBook stock,
            TransactionTemplate transaction,
            JsonMapper json) {
        this.chooseHouse = chooseHouse;
        this.boxes = boxes;
        this.plans = plans;
        this.stock = stock;
        this.transaction = transaction;
        this.json = json;
    }

    /** What became of the boxes. */
    record TakeOverReport(int taken, List<LeftAsIs> kept) {}

    /** A box that keeps what it has. */
    record LeftAsIs(UUID box, String label, String why) {}

    TakeOverReport takeOver(UUID choice, String who) {
        HouseChoiceRow row = chooseHouse.find(choice);
        ChoiceDocument.Outcome outcome = json.readValue(
                row.result().orElseThrow(() -> ProblemException.conflict("This choice is not finished.")),
                ChoiceDocument.Outcome.class);
        Map<UUID, List<ChoiceDocument.ChosenView>> byLead = new LinkedHashMap<>();
        outcome.chosen().forEach(chosen -> byLead.computeIfAbsent(chosen.lead(), l -> new ArrayList<>())
                .add(chosen));
        int taken = 0;
        List<LeftAsIs> kept = new ArrayList<>();
        for (BoxRow box : boxes.ofJob(row.jobId())) {
            List<ChoiceDocument.ChosenView> chosen = byLead.getOrDefault(box.id(), List.of());
            try {
                taken += Boolean.TRUE.equals(transaction.execute(status -> give(box.id(), chosen, who))) ? 1 : 0;
            } catch (ProblemException e) {
                kept.add(new LeftAsIs(box.id(), box.label(), e.getMessage()));
            }
        }
        return new TakeOverReport(taken, kept);
    }

    /** @return false where a box has nothing and gets nothing */
    private boolean give(UUID box, List<ChoiceDocument.ChosenView> chosen, String who) {
        Boxes.Found found = boxes.find(box);
        if (chosen.isEmpty() && found.picks().isEmpty()) {
            return false;
        }
        plans.choose(
                box,
                found.row().version(),
                chosen.stream().map(view -> pick(view, found)).toList(),
                who);
        return true;
    }

    private PickEntry pick(ChoiceDocument.ChosenView chosen, Boxes.Found found) {
        ModuleModel model = stock.require(chosen.module(), "/module");
        Optional<ModuleModel> companion =
                Optional.ofNullable(chosen.companion()).map(code -> stock.require(code, "/companion"));
        Assignment usual = new ModuleMatch(new Planner(found.house(), found.run()), Terms.USUAL)
                .assign(chosen.scheme(), chosen.gangs(), chosen.loads(), model, companion);
        return new PickEntry(
                model.code(),
                chosen.gangs(),
                usual.behaviours(),
                usual.bypass().map(Watts::asDecimal).orElse(null),
                chosen.scheme(),
                chosen.loads(),
                chosen.companion(),
                null);
    }
}
