package org.hiddenclerk.core.job;

import java.math.BigDecimal;
import java.util.List;
import java.util.Optional;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.quantity.Millimetres;

/**
 * A box as it is sold, to start a survey from; it is measured all the same.
 *
 * @param name   what people call it
 * @param source document or practice behind its size
 */
public record StandardBox(String name, BoxGeometry geometry, Source source) {
    private static final BigDecimal MM_PER_INCH = new BigDecimal("25.4");

    /** Boxes usual in a region. */
    public static List<StandardBox> of(RegionProfile region) {
        return switch (region.code()) {
            case IEC_60364 ->
                List.of(round(1, 46), round(1, 61), round(1, 66), round(2, 46), round(2, 61), round(3, 61));
            case BS_7671 ->
                List.of(
                        uk("one-gang", 72, 16),
                        uk("one-gang", 72, 25),
                        uk("one-gang", 72, 35),
                        uk("one-gang", 72, 47),
                        uk("two-gang", 132, 25),
                        uk("two-gang", 132, 35),
                        uk("two-gang", 132, 47));
            case NEC ->
                List.of(
                        us("3 \u00d7 2 \u00d7 2-1/2 device", 2, 3, 2.5, "12.5"),
                        us("3 \u00d7 2 \u00d7 2-3/4 device", 2, 3, 2.75, "14.0"),
                        us("3 \u00d7 2 \u00d7 3-1/2 device", 2, 3, 3.5, "18.0"),
                        us("4 \u00d7 1-1/2 square", 4, 4, 1.5, "21.0"),
                        us("4 \u00d7 2-1/8 square", 4, 4, 2.125, "30.3"),
                        us("4-11/16 \u00d7 2-1/8 square", 4.6875, 4.6875, 2.125, "42.0"));
        };
    }

    /** Round boxes 71 mm apart in a row; the opening is 60 mm. */
    private static StandardBox round(int gangs, int depth) {
        return new StandardBox(
                (gangs == 1 ? "round 60" : gangs + " in a row") + ", " + depth + " deep",
                new BoxGeometry(
                        Millimetres.of(60 + 71L * (gangs - 1)),
                        Millimetres.of(60),
                        Millimetres.of(depth),
                        false,
                        Optional.empty(),
                        true),
                new Source("DIN 49073 for the openings, from memory; depths as sold, common practice"));
    }

    /** Inside about 4 mm less than outside; the standard states screw centres and depths. */
    private static StandardBox uk(String gangs, int width, int depth) {
        return new StandardBox(
                gangs + ", " + depth + " deep",
                new BoxGeometry(Millimetres.of(width - 4), Millimetres.of(68), Millimetres.of(depth), true),
                new Source("BS 4662 for the depths, from memory; inside width, common practice"));
    }

    private static StandardBox us(String name, double width, double height, double depth, String cubicInches) {
        return new StandardBox(
                name,
                new BoxGeometry(
                        inches(width),
                        inches(height),
                        inches(depth),
                        true,
                        Optional.of(new BigDecimal(cubicInches)),
                        false),
                new Source("NEC Table 314.16(A), trade size, from memory; check the edition in force"));
    }

    private static Millimetres inches(double inches) {
        return Millimetres.of(
                BigDecimal.valueOf(inches).multiply(MM_PER_INCH).setScale(2, java.math.RoundingMode.HALF_UP));
    }
}
