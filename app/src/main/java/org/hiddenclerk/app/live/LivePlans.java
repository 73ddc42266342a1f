package org.hiddenclerk.app.live;

import java.util.HashMap;
import java.util.Map;
import java.util.UUID;
import org.hiddenclerk.app.feel.Feels;
import org.hiddenclerk.app.rules.Rules;
import org.hiddenclerk.core.behaviour.Adviser;
import org.hiddenclerk.core.behaviour.Parameters;
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

    /** A switch of which nobody said anything is set as is usual for how it acts. */
    public LivePlan of(UUID job) {
        Map<String, Parameters> settings = new HashMap<>(feels.parameters(job));
        LivePlan bare = rules.livePlan(job, settings);
        bare.house().controls().values().forEach(control -> settings.computeIfAbsent(control.id(), id -> Parameters.USUAL.withPowerOn(Adviser.powerOn(control.behaviour()).state())));
        return rules.livePlan(job, settings);
    }
}
