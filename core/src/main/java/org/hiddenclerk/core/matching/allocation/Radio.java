package org.hiddenclerk.core.matching.allocation;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.matching.house.HouseOption;
import org.hiddenclerk.core.radio.RadioPlan;

/** The modules of a choice as members of their networks. */
final class Radio {
    private Radio() {}

    static List<RadioPlan.Member> members(AllocationTask task, HouseOption option) {
        List<RadioPlan.Member> members = new ArrayList<>();
        for (HouseOption.Fitting fitting : option.fitted()) {
            Box box = task.survey().boxes().get(fitting.box());
            boolean metal =
                    box != null && box.geometry().filter(BoxGeometry::metal).isPresent();
            String where = box == null ? "" : box.label();
            members.add(new RadioPlan.Member(
                    where + ", " + fitting.model().code() + " for "
                            + option.units().get(0).words(),
                    fitting.model().protocol(),
                    task.survey().rooms().getOrDefault(fitting.box(), ""),
                    fitting.model().isRouter(),
                    metal));
        }
        return members;
    }

    static List<Finding> judge(AllocationTask task, List<HouseOption> chosen) {
        return task.radio()
                .judge(chosen.stream()
                        .flatMap(option -> members(task, option).stream())
                        .toList());
    }
}
