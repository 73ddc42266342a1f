package org.hiddenclerk.app.choosing;

import java.util.UUID;
import org.hiddenclerk.app.fitting.WarmStandings.HousesJudged;
import org.hiddenclerk.app.problem.Unusable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Matches every house once after a start, when its boxes have been judged: the first choice then finds the kinds of boxes known. */
@Component
class WarmMatches {
    private static final Logger LOG = LoggerFactory.getLogger(WarmMatches.class);

    private final HouseMatches matches;

    WarmMatches(HouseMatches matches) {
        this.matches = matches;
    }

    @EventListener
    void match(HousesJudged judged) {
        for (UUID job : judged.jobs()) {
            try {
                matches.match(job, matches.survey(job));
            } catch (Unusable | IllegalArgumentException e) {
                LOG.info("A house could not be matched ahead: {}", e.getMessage());
            }
        }
    }
}
