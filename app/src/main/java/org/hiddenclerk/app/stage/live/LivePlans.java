package org.hiddenclerk.app.stage.live;

import java.util.UUID;
import org.hiddenclerk.app.stage.feel.Feels;
import org.hiddenclerk.app.stage.rules.Rules;
import org.hiddenclerk.core.live.LivePlan;
import org.springframework.stereotype.Component;

/** Houses as they are planned, with what their people want of their switches. */
@Component
public class LivePlans {
    private final Rules rules;
    private final Feels feels;

    LivePlans(Rules rules, Feels feels) {
        this.rules = rules;
        this.feels = feels;
    }

    public LivePlan of(UUID job) {
        return rules.livePlan(job, feels.parameters(job));
    }
}
