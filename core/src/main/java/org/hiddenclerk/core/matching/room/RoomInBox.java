package org.hiddenclerk.core.matching.room;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.catalogue.Body;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.Gang;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * Whether modules fit into a box with its mechanisms: where they lie best, how deep the box must be for that, and room for wires:
 * by the code's count where the region has one, else by an estimate.
 */
public final class RoomInBox {
    private RoomInBox() {}

    /** Findings and margins of the room, and where the modules lie, when they go in. */
    public record Judgement(List<Finding> findings, List<Margin> margins, Optional<Placement> placement) {
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

    /**
     * Judges a box with modules in it, beside those that are in it already.
     *
     * @param connectors conductors that each connector in the box holds
     */
    public static Judgement of(Box box, List<ModuleModel> modules, RegionProfile region, List<Integer> connectors) {
        return of(box, modules, region, connectors, Placement::of);
    }

    /** Finds where bodies lie; one that remembers may stand in. */
    public interface Placer {
        Optional<Placement> place(Box box, BoxGeometry room, RegionProfile region, List<Body> bodies);
    }

    public static Judgement of(
            Box box, List<ModuleModel> modules, RegionProfile region, List<Integer> connectors, Placer placer) {
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        if (box.geometry().isEmpty()) {
            findings.add(Finding.of(
                    FindingCode.ROOM_UNKNOWN,
                    new Subject.Box(box.label()),
                    Sentence.of("Nobody has measured the room at {0}.", box.label()),
                    Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.FIND_OUT, "measure it, and survey it as a box")));
            return new Judgement(findings, margins, Optional.empty());
        }
        findings.addAll(ModulesInPlace.unmeasured(box));
        List<ModuleModel> unsized =
                modules.stream().filter(m -> m.body().isEmpty()).toList();
        unsized.forEach(m -> findings.add(Finding.of(
                FindingCode.FIGURE_UNKNOWN,
                new Subject.ModelFigure(m.code(), "size"),
                Sentence.of("The size of {0} is not stated; whether it goes in cannot be said.", m.code()),
                Source.MAKER,
                new Remedy(Remedy.Kind.FIND_OUT, "find out its size from the maker, or measure one"))));
        if (!unsized.isEmpty()
                || box.modules().stream().anyMatch(found -> found.body().isEmpty())) {
            return new Judgement(findings, margins, Optional.empty());
        }
        BoxGeometry room = box.geometry().get();
        List<Body> bodies = new ArrayList<>(
                modules.stream().map(m -> m.body().orElseThrow()).toList());
        bodies.addAll(ModulesInPlace.bodies(box));
        Optional<Placement> placement = placer.place(box, room, region, bodies);
        // Standing on edge behind a mechanism is no way to fit a module: where it is too large to lie, that is the
        // reason.
        List<ModuleModel> tooLarge = modules.stream()
                .filter(m -> !Placement.liesFlat(room, m.body().orElseThrow()))
                .toList();
        boolean goesIn = placement
                .filter(p -> tooLarge.isEmpty() || p.needed().compareTo(room.depth()) <= 0)
                .isPresent();
        if (goesIn) {
            depth(box, room, placement.orElseThrow(), findings, margins);
        } else {
            outline(box, room, tooLarge.isEmpty() ? modules : tooLarge, findings, margins);
        }
        if (region.code().countsBoxVolume()) {
            BoxFill.judge(box, modules, findings, margins);
        } else if (goesIn) {
            LooseWires.judge(box, room, modules, region, connectors, findings, margins);
        }
        return new Judgement(findings, margins, placement.filter(p -> goesIn));
    }

    private static void depth(
            Box box, BoxGeometry room, Placement placement, List<Finding> findings, List<Margin> margins) {
        Millimetres mechanism = box.gangs().stream()
                .map(Gang::depth)
                .max(Millimetres::compareTo)
                .orElse(Millimetres.ZERO);
        Millimetres used = placement.needed();
        Millimetres behind = new Millimetres(
                Math.max(0, used.micrometres() - mechanism.micrometres() - Placement.WIRING_SPACE.micrometres()));
        Margin depth = new Margin("depth", used.asDecimal(), room.depth().asDecimal(), "mm");
        margins.add(depth);
        if (depth.isOver()) {
            findings.add(Finding.of(
                    FindingCode.BOX_TOO_SHALLOW,
                    new Subject.Box(box.label()),
                    Sentence.of(
                                    "{allowed} deep; mechanism {0}, module {1} and wires {2} need {found}: {excess} too little.",
                                    mechanism, behind, Placement.WIRING_SPACE)
                            .found(depth.found(), depth.unit())
                            .allowed(depth.allowed(), depth.unit()),
                    Source.COMMON_PRACTICE,
                    new Remedy(
                            Remedy.Kind.DEEPER_BOX,
                            "a spacer of " + depth.excess().toPlainString() + "\u2009mm or more, or a deeper box"),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a thinner module"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp")));
        } else if (depth.level() == Margin.Level.CLOSE) {
            findings.add(Finding.of(
                    FindingCode.NEAR_LIMIT,
                    new Subject.Box(box.label()),
                    Sentence.of("{left} left behind the switch: {found} of {allowed} used.")
                            .found(depth.found(), depth.unit())
                            .allowed(depth.allowed(), depth.unit()),
                    Source.COMMON_PRACTICE));
        }
    }

    /** What does not go in, however it is turned. */
    private static void outline(
            Box box, BoxGeometry room, List<ModuleModel> modules, List<Finding> findings, List<Margin> margins) {
        String inside = room.round()
                ? room.height() + " across"
                : larger(room.width(), room.height()) + " by " + smaller(room.width(), room.height());
        for (ModuleModel model : modules) {
            Body body = model.body().orElseThrow();
            double found = room.round() ? diagonal(body) : body.length().asDouble();
            double allowed = room.round()
                    ? room.height().asDouble()
                    : larger(room.width(), room.height()).asDouble();
            if (!room.round() && found <= allowed) {
                found = body.width().asDouble();
                allowed = smaller(room.width(), room.height()).asDouble();
            }
            margins.add(new Margin(
                    "outline",
                    BigDecimal.valueOf(found).setScale(1, RoundingMode.HALF_UP),
                    BigDecimal.valueOf(allowed).setScale(1, RoundingMode.HALF_UP),
                    "mm"));
            findings.add(Finding.of(
                    FindingCode.BOX_TOO_SMALL,
                    new Subject.Together(new Subject.Box(box.label()), new Subject.Model(model.code())),
                    Sentence.of(
                                    "{0} is {1} by {2}" + (room.round() ? ", {found} from corner to corner" : "")
                                            + "; the box is {3} inside.",
                                    model.code(),
                                    body.length(),
                                    body.width(),
                                    inside)
                            .found(found, 1, "mm")
                            .allowed(allowed, 1, "mm"),
                    Source.COMMON_PRACTICE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a smaller module"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp")));
        }
    }

    /** From corner to corner over the flat side, over the rounding of the corners. */
    private static double diagonal(Body body) {
        double r = body.cornerRadius().asDouble();
        return Math.hypot(body.length().asDouble() - 2 * r, body.width().asDouble() - 2 * r) + 2 * r;
    }

    private static Millimetres larger(Millimetres a, Millimetres b) {
        return a.compareTo(b) >= 0 ? a : b;
    }

    private static Millimetres smaller(Millimetres a, Millimetres b) {
        return a.compareTo(b) >= 0 ? b : a;
    }
}
