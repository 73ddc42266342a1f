package org.hiddenclerk.core.matching.room;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalInt;
import org.hiddenclerk.core.catalogue.DataSheet;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.SurveyedLoad;
import org.hiddenclerk.core.matching.margin.Judged;
import org.hiddenclerk.core.matching.margin.Margin;

/**
 * How warm it gets in a closed box, in the steady state:
 * {@code inside = around + heat / (8 W/m²K · front + 5 W/m²K · sides)}.
 *
 * <p>The heat is what modules draw while idle, and the square of the current times 10 mΩ for each contact with its terminals.
 * Front is the plate, 10 mm larger than the box on every side; sides and bottom give to a wall of masonry. Coefficients,
 * resistance and what is around a box are common practice, no source: an estimate, to be confirmed by touch or a thermometer.
 */
public final class BoxHeat {
    private static final double FRONT_W_PER_M2K = 8;
    private static final double SIDES_W_PER_M2K = 5;
    private static final double CONTACT_OHMS = 0.010;
    private static final double PLATE_BEYOND_MM = 10;
    private static final double MM2_PER_M2 = 1e6;
    /** Own draw taken where none is stated. */
    private static final double USUAL_STANDBY_WATTS = 1.0;
    /** From here on a module without a stated limit is held back. */
    private static final int WARM = 40;

    private static final int NEAR = 5;
    private static final String ESTIMATE = "About {found} are expected in {0} with {1} of heat, {2}\u2009°C around it";
    private static final Source SOURCE = new Source("estimate of the steady state, common practice, no source");

    private BoxHeat() {}

    /** What is around a box, in degrees Celsius. */
    public static int around(BoxKind kind) {
        return switch (kind) {
            case WALL, JUNCTION, SOCKET -> 25;
            case CEILING_ROSE, PANEL -> 35;
            case LUMINAIRE, CANOPY -> 40;
        };
    }

    /** Watts that a module turns into heat with everything off. */
    public static double standbyHeat(ModuleModel model, double nominalVolts) {
        return StandbyDraw.of(model, nominalVolts).orElse(USUAL_STANDBY_WATTS);
    }

    /** Watts that the contacts turn into heat when all that they switch is on, position after position. */
    public static double contactHeat(List<List<SurveyedLoad>> loads, BigDecimal volts) {
        return loads.stream()
                .mapToDouble(position -> contactHeat(position.stream()
                        .flatMap(load -> load.banks().stream())
                        .mapToDouble(bank -> bank.amps(volts).doubleValue())
                        .sum()))
                .sum();
    }

    /** Watts that one contact with its terminals turns into heat. */
    public static double contactHeat(double amps) {
        return amps * amps * CONTACT_OHMS;
    }

    /** Degrees Celsius inside. */
    public static double inside(int around, BoxGeometry room, double heatWatts) {
        return around + heatWatts * kelvinPerWatt(room);
    }

    /** What a watt more makes warmer. */
    public static double kelvinPerWatt(BoxGeometry room) {
        double width = room.width().asDouble();
        double height = room.height().asDouble();
        double depth = room.depth().asDouble();
        double front = (width + 2 * PLATE_BEYOND_MM) * (height + 2 * PLATE_BEYOND_MM) / MM2_PER_M2;
        double sides = (width * height + 2 * (width + height) * depth) / MM2_PER_M2;
        return 1 / (FRONT_W_PER_M2K * front + SIDES_W_PER_M2K * sides);
    }

    /** @param addedWatts of all modules that are put into the box; those that are in it already come on top */
    public static Judged judge(Box box, ModuleModel model, double addedWatts) {
        double heatWatts = addedWatts + ModulesInPlace.watts(box);
        if (box.geometry().isEmpty()) {
            return Judged.NOTHING;
        }
        List<Finding> findings = new ArrayList<>();
        List<Margin> margins = new ArrayList<>();
        Subject subject = new Subject.Together(new Subject.Box(box.label()), new Subject.Model(model.code()));
        int around = around(box.kind());
        BigDecimal inside = BigDecimal.valueOf(inside(around, box.geometry().get(), heatWatts))
                .setScale(0, RoundingMode.UP);
        OptionalInt highest = model.sheet()
                .temperatures()
                .map(DataSheet.Temperatures::highest)
                .map(OptionalInt::of)
                .orElse(OptionalInt.empty());
        Sentence.Amount expected = new Sentence.Amount(inside, "°C");
        Object[] from = {box.label(), Sentence.Amount.of(heatWatts, 1, "W"), around};
        if (highest.isEmpty()) {
            if (inside.compareTo(BigDecimal.valueOf(WARM)) > 0) {
                findings.add(Finding.of(
                        FindingCode.FIGURE_UNKNOWN,
                        new Subject.ModelFigure(model.code(), "temperatures"),
                        Sentence.of(ESTIMATE + "; what it stands is not stated.", from)
                                .found(expected),
                        SOURCE,
                        new Remedy(Remedy.Kind.FIND_OUT, "find out the highest temperature from the maker")));
            }
            return new Judged(findings, margins);
        }
        margins.add(new Margin("warmth, estimated", inside, BigDecimal.valueOf(Math.max(1, highest.getAsInt())), "°C"));
        if (inside.compareTo(BigDecimal.valueOf(highest.getAsInt())) > 0) {
            findings.add(Finding.of(
                    FindingCode.TOO_WARM,
                    subject,
                    Sentence.of(ESTIMATE + "; it stands {allowed}.", from)
                            .found(expected)
                            .allowed(highest.getAsInt(), 0, "°C"),
                    SOURCE,
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module for warmer places, or one that draws less"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at a cooler place")));
        } else if (inside.compareTo(BigDecimal.valueOf(highest.getAsInt() - NEAR)) > 0) {
            findings.add(Finding.of(
                    FindingCode.NEAR_LIMIT,
                    subject,
                    Sentence.of(ESTIMATE + "; it stands {allowed}.", from)
                            .found(expected)
                            .allowed(highest.getAsInt(), 0, "°C"),
                    SOURCE));
        }
        return new Judged(findings, margins);
    }
}
