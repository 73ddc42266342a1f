package org.hiddenclerk.app.stage.planning;

import java.time.Clock;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.UUID;
import org.hiddenclerk.app.platform.problem.FieldProblem;
import org.hiddenclerk.app.platform.problem.ProblemException;
import org.hiddenclerk.app.stage.survey.Boxes;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Severity;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** A lead takes on what holds a plan back, with a reason that is kept. Never what stops it. */
@Service
class AcceptHold {
    private final Boxes boxes;
    private final Plans plans;
    private final Acceptances acceptances;
    private final Clock clock;

    AcceptHold(Boxes boxes, Plans plans, Acceptances acceptances, Clock clock) {
        this.boxes = boxes;
        this.plans = plans;
        this.acceptances = acceptances;
        this.clock = clock;
    }

    @Transactional
    void accept(UUID box, FindingCode code, String subject, String facts, String reason, String who) {
        Finding finding = plans.judge(boxes.find(box)).findings().stream()
                .filter(f -> f.code() == code
                        && f.subject().key().equals(subject)
                        && f.sentence().facts().equals(facts))
                .findFirst()
                .orElseThrow(() -> ProblemException.content(
                        "There is nothing to accept",
                        new FieldProblem("/code", code + " at " + subject, "a finding of the plan as it is now")));
        if (finding.severity() == Severity.STOP) {
            throw ProblemException.content(
                    "What stops a plan is never accepted",
                    new FieldProblem("/code", code.name(), "a finding that holds"));
        }
        if (finding.severity() == Severity.HOLD
                && acceptances.list(box).stream().noneMatch(row -> row.isAbout(finding))) {
            acceptances.keep(new AcceptedHoldRow(
                    box, finding, reason, who, clock.instant().truncatedTo(ChronoUnit.MICROS)));
        }
    }

    @Transactional
    void takeBack(UUID box, UUID acceptance) {
        List<AcceptedHoldRow> own = acceptances.list(box);
        acceptances.takeBack(own.stream()
                .filter(row -> row.id().equals(acceptance))
                .findFirst()
                .orElseThrow(() -> ProblemException.notFound("accepted finding")));
    }
}
