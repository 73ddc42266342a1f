package org.hiddenclerk.core.matching;

import java.util.ArrayList;
import java.util.List;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * Whether modules fit behind the mechanisms: the stack of depths, and the outline. Modules lie side by side where the
 * box is wide enough for that, otherwise on one another.
 */
public final class RoomInBox {
    /** Depth kept for wires; 5 to 10 mm is common practice, no source. */
    public static final Millimetres WIRING_SPACE = Millimetres.of(5);

    private RoomInBox() {
    }

    /** Findings and margins of the room. */
    public record Judgement(List<Finding> findings, List<Margin> margins) {
        public Judgement {
            findings = List.copyOf(findings);
            margins = List.copyOf(margins);
        }
    }

    /**
     * Depth used behind a mechanism.
     *
     * @return mechanism + modules + wiring space
     */
    public static Millimetres depthUsed(Millimetres mechanism, Millimetres modules, Millimetres wiringSpace) {
        return mechanism.plus(modules).plus(wiringSpace);
    }

    /** The stack of depths and the outline; and the volume, where the region counts it. */
    public static Judgement of(Box box, List<ModuleModel> modules, RegionProfile region) {
        Judgement room = of(box, modules);
        if (region != RegionProfile.US_120) {
            return room;
        }
        Judgement fill = BoxFill.of(box, modules);
        List<Finding> findings = new ArrayList<>(room.findings());
        findings.addAll(fill.findings());
        List<Margin> margins = new ArrayList<>(room.margins());
        margins.addAll(fill.margins());
        return new Judgement(findings, margins);
    }

    static Judgement of(Box box, List<ModuleModel> modules) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        if (box.geometry().isEmpty()) {
            findings.add(Finding.of(FindingCode.ROOM_UNKNOWN, box.label(), "Nobody has measured the room at " + box.label()
                    + ".", Source.COMMON_PRACTICE, new Remedy(Remedy.Kind.FIND_OUT, "measure it, and survey it as a box")));
            return new Judgement(findings, margins);
        }
        BoxGeometry room = box.geometry().get();
        Millimetres mechanism = box.gangs().stream().map(Gang::depth).max(Millimetres::compareTo)
                .orElse(Millimetres.ZERO);
        Millimetres thickness = stacked(room, modules);
        Millimetres used = depthUsed(mechanism, thickness, WIRING_SPACE);
        Margin depth = new Margin("depth", used.asDecimal(), room.depth().asDecimal(), "mm");
        margins.add(depth);
        if (depth.isOver()) {
            findings.add(Finding.of(FindingCode.BOX_TOO_SHALLOW, box.label(), String.format(
                    "%s deep; mechanism %s, module %s and wires %s need %s: %s\u2009mm too little.", room.depth(),
                    mechanism, thickness, WIRING_SPACE, used, depth.excess().toPlainString()), Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.DEEPER_BOX, "a spacer of " + depth.excess().toPlainString()
                            + "\u2009mm or more, or a deeper box"),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a thinner module"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp")));
        } else if (depth.level() == Margin.Level.CLOSE) {
            findings.add(Finding.of(FindingCode.NEAR_LIMIT, box.label(), depth.excess().negate().toPlainString()
                    + "\u2009mm left behind the switch: " + used + " of " + room.depth() + " used.",
                    Source.COMMON_PRACTICE));
        }
        for (ModuleModel module : modules) {
            outline(box.label(), room, module, findings, margins);
        }
        return new Judgement(findings, margins);
    }

    private static Millimetres stacked(BoxGeometry room, List<ModuleModel> modules) {
        Millimetres sideBySide = modules.stream().map(ModuleModel::width).reduce(Millimetres.ZERO,
                Millimetres::plus);
        boolean besideEachOther = sideBySide.compareTo(room.width()) <= 0;
        return modules.stream().map(ModuleModel::thickness).reduce(Millimetres.ZERO, besideEachOther
                ? (a, b) -> a.compareTo(b) >= 0 ? a : b : Millimetres::plus);
    }

    private static void outline(String label, BoxGeometry room, ModuleModel model, List<Finding> findings,
                                List<Margin> margins) {
        Millimetres longSide = room.width().compareTo(room.height()) >= 0 ? room.width() : room.height();
        Millimetres shortSide = room.width().compareTo(room.height()) >= 0 ? room.height() : room.width();
        Margin length = new Margin("length", model.length().asDecimal(), longSide.asDecimal(), "mm");
        Margin width = new Margin("width", model.width().asDecimal(), shortSide.asDecimal(), "mm");
        margins.add(new Margin("outline", (length.isOver() ? length : width).found(),
                (length.isOver() ? length : width).allowed(), "mm"));
        if (length.isOver() || width.isOver()) {
            findings.add(Finding.of(FindingCode.BOX_TOO_SMALL, label, String.format(
                    "%s is %s by %s; the box is %s by %s inside.", model.code(), model.length(), model.width(),
                    longSide, shortSide), Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a smaller module"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp")));
        }
    }
}
