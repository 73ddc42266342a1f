package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.HouseContext;
import org.hiddenclerk.core.wiring.Run;

/** What a surveyed box shows beside its wiring, before any module is thought of. */
public final class SurveyChecks {
    /** What wires need behind a mechanism; common practice, no source. */
    private static final String WIRES = "5 to 10\u2009mm";

    private SurveyChecks() {
    }

    /**
     * The checks of the lead of a run. What all loads of its circuits come to is a matter of the whole house, see
     * {@link CircuitSum}.
     */
    public static List<Finding> of(HouseContext house, Run run) {
        Box box = run.lead().box();
        List<Finding> findings = new ArrayList<>();
        var circuits = run.circuitsIn(run.lead());
        if (circuits.size() > 1) {
            findings.add(Finding.of(FindingCode.SEVERAL_CIRCUITS, new Subject.Box(box.label()), "Circuits " + circuits.stream().map(house::label).sorted()
                    .collect(Collectors.joining(" and ")) + " are in this box: all of them go off before it is opened.", Source.COMMON_PRACTICE));
        }
        for (Gang gang : box.gangs()) {
            if (gang.mechanism().isRegulator()) {
                findings.add(Finding.of(FindingCode.REGULATOR_PRESENT, new Subject.Gang(box.label(), gang.number()), gang.name() + " is a " + gang.mechanism().label()
                        + "; a relay module is never fed from it or into it.", Source.COMMON_PRACTICE,
                        new Remedy(Remedy.Kind.REWIRE, "take it out, or choose a dimmer module for a dimmable lamp")));
            }
        }
        box.geometry().ifPresent(room -> inside(box, room, house.region(), findings));
        findings.sort(Finding.ORDER);
        return findings;
    }

    private static void inside(Box box, BoxGeometry room, RegionProfile region, List<Finding> findings) {
        boolean earthed = box.cores().stream().anyMatch(core -> core.core().role() == Role.EARTH);
        if (room.metal() && !box.cables().isEmpty() && !earthed) {
            findings.add(Finding.of(FindingCode.EARTH_NOT_FOUND, new Subject.Box(box.label()), "The box is metal and no core in it is surveyed as protective earth.",
                    Source.COMMON_PRACTICE, new Remedy(Remedy.Kind.FIND_OUT, "look for it behind the box, or test the box against earth")));
        }
        if (room.metal()) {
            findings.add(Finding.of(FindingCode.METAL_BOX_RADIO, new Subject.Box(box.label()), "A radio module in this metal box is shielded by it; "
                    + "the link is measured with the plate on.", Source.COMMON_PRACTICE));
        }
        if (region == RegionProfile.US_120) {
            List<Margin> fill = new ArrayList<>();
            BoxFill.judge(box, List.of(), findings, fill);
            fill.stream().filter(margin -> !margin.isOver()).forEach(margin -> findings.add(Finding.of(FindingCode.ROOM_BEHIND,
                    new Subject.Box(box.label()), "Conductors, devices and earths need " + margin.found().toPlainString() + "\u2009in\u00b3 of "
                    + margin.allowed().toPlainString() + "\u2009in\u00b3.", BoxFill.SOURCE)));
        } else if (!box.gangs().isEmpty()) {
            Millimetres deepest = box.gangs().stream().map(Gang::depth).max(Millimetres::compareTo).orElseThrow();
            long left = room.depth().micrometres() - deepest.micrometres();
            findings.add(Finding.of(FindingCode.ROOM_BEHIND, new Subject.Box(box.label()), left < 0
                    ? "The mechanism is deeper than the box: measure again."
                    : new Millimetres(left) + " of " + room.depth() + " are left behind the mechanism; wires take " + WIRES
                    + " of that.", Source.COMMON_PRACTICE));
        }
    }
}
