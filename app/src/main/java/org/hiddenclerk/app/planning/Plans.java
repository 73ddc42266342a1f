package org.hiddenclerk.app.planning;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.hiddenclerk.app.problem.FieldProblem;
import org.hiddenclerk.app.problem.Unusable;
import org.hiddenclerk.app.survey.BoxRepository;
import org.hiddenclerk.app.survey.Boxes;
import org.hiddenclerk.app.survey.OpenWork;
import org.hiddenclerk.app.survey.SurveyDocument;
import org.hiddenclerk.app.survey.SurveyReader;
import org.hiddenclerk.core.finding.Severity;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.matching.PlanJudgement;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Choosing modules for a box and issuing the plan that comes of it. */
@Service
public class Plans {
    private final Boxes boxes;
    private final BoxRepository boxRepository;
    private final IssuedPlanRepository issued;
    private final Picks picks;
    private final OpenWork openWork;
    private final JsonMapper json;
    private final Clock clock;

    Plans(Boxes boxes, BoxRepository boxRepository, IssuedPlanRepository issued, Picks picks, OpenWork openWork,
          JsonMapper json, Clock clock) {
        this.boxes = boxes;
        this.boxRepository = boxRepository;
        this.issued = issued;
        this.picks = picks;
        this.openWork = openWork;
        this.json = json;
        this.clock = clock;
    }

    /** Judges what is picked for a box. */
    public PlanJudgement judge(Boxes.Found found) {
        return PlanJudgement.of(found.house(), found.box(),
                picks.assignments(Picks.fromRows(found.picks()), found.box()));
    }

    /** Keeps a choice of modules, in place of the earlier one. */
    @Transactional
    public void choose(UUID box, long version, List<PickEntry> chosen, String who) {
        Boxes.Found found = boxes.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        picks.assignments(chosen, found.box());
        found.row().pick(Picks.toRows(chosen));
        found.row().changed(who, clock.instant().truncatedTo(ChronoUnit.MICROS));
        boxRepository.saveAndFlush(found.row());
    }

    /**
     * Issues the plan for work.
     *
     * @throws Unusable when the plan is not drawn or its verdict is not OK: such a plan is never issued
     */
    @Transactional
    public void issue(UUID box, long version, String who) {
        Boxes.Found found = boxes.findUnchanged(box, version);
        openWork.refuseIfOpen(box);
        PlanJudgement judgement = judge(found);
        if (!judgement.mayBeIssued()) {
            List<FieldProblem> reasons = judgement.findings().stream().filter(f -> f.severity() != Severity.NOTE)
                    .map(f -> new FieldProblem("", f.code() + ": " + f.reason(), f.remedies().isEmpty() ? "no such finding"
                            : f.remedies().get(0).text())).toList();
            throw Unusable.content("A plan that is not proved is not issued for work", reasons.isEmpty()
                    ? List.of(new FieldProblem("", "no module picked", "a module for at least one gang")) : reasons);
        }
        issued.save(new IssuedPlanRow(box, found.row().version(),
                json.writeValueAsString(found.survey()),
                json.writeValueAsString(Picks.fromRows(found.picks())),
                judgement.plan().proof().truthTable().size(), who,
                clock.instant().truncatedTo(ChronoUnit.MICROS)));
    }

    public Optional<IssuedPlanRow> lastIssued(UUID box) {
        return issued.findFirstByBoxIdOrderByIssuedAtDesc(box);
    }

    /** The last issued plan of each box of a job. */
    public Map<UUID, IssuedPlanRow> lastIssuedByBox(UUID job) {
        Map<UUID, IssuedPlanRow> last = new LinkedHashMap<>();
        issued.findByJob(job).forEach(plan -> last.put(plan.boxId(), plan));
        return last;
    }

    public IssuedPlanRow issuedPlan(UUID id) {
        return issued.findById(id).orElseThrow(() -> Unusable.notFound("plan"));
    }

    /** The plan as it was issued, whatever the box has become since. */
    public WiringPlan restore(IssuedPlanRow row, HouseContext house) {
        SurveyDocument survey = json.readValue(row.survey(), SurveyDocument.class);
        List<PickEntry> chosen = json.readValue(row.picks(), new TypeReference<List<PickEntry>>() { });
        Box box = SurveyReader.read(survey, house.circuits().keySet());
        return WiringPlan.of(house, box, picks.assignments(chosen, box));
    }
}
