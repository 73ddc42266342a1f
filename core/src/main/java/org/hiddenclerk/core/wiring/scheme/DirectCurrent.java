package org.hiddenclerk.core.wiring.scheme;

import java.util.List;
import java.util.function.Consumer;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.job.Circuit;
import org.hiddenclerk.core.wiring.routing.PlanDraft;

/** A module on 12 V or 24 to 60 V direct current: plus to plus, minus to minus, its inputs at the same low volts. */
final class DirectCurrent implements Scheme {

    @Override
    public SchemeCode code() {
        return SchemeCode.ELV_DC;
    }

    @Override
    public List<Finding> obstacles(Site site) {
        Obstacles obstacles = new Obstacles(site)
                .gangsWithLoads()
                .inputs()
                .contacts()
                .oneCircuit()
                .singleSwitch()
                .notFor(
                        !(site.model().supply() instanceof ModuleSupply.DirectCurrent),
                        site.modelSubject(),
                        Sentence.of(
                                "{0} is not powered from direct current.",
                                site.model().code()));
        for (Site.Position position : site.positions()) {
            Circuit circuit = site.found().house().circuits().get(position.circuit());
            obstacles.notFor(
                    !circuit.isElv(), position.subject(), Sentence.of("Circuit {0} is mains.", circuit.label()));
        }
        return obstacles.liveAt(site.lead()).list();
    }

    @Override
    public List<Consumer<PlanDraft>> variants(Site site) {
        return List.of(draft -> ModuleWork.behindItsSwitches(draft, site));
    }
}
