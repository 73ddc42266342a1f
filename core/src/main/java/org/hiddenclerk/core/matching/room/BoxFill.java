package org.hiddenclerk.core.matching.room;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.hiddenclerk.core.catalogue.ModuleModel;
import org.hiddenclerk.core.electrical.part.Mechanism;
import org.hiddenclerk.core.finding.Finding;
import org.hiddenclerk.core.finding.FindingCode;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Source;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.BoxKind;
import org.hiddenclerk.core.job.Cable;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.matching.margin.Margin;
import org.hiddenclerk.core.quantity.WireGauge;

/**
 * The volume that a box needs where the region counts it: NEC 314.16(B), in cubic inches. Connectors and pieces of wire within
 * the box count nothing; a module counts with its outer volume (common practice, no source: the code has no line for it).
 */
public final class BoxFill {
    /** NEC Table 314.16(B)(1): volume allowance by AWG. */
    private static final Map<Integer, BigDecimal> ALLOWANCE = Map.of(
            18,
            in3("1.50"),
            16,
            in3("1.75"),
            14,
            in3("2.00"),
            12,
            in3("2.25"),
            10,
            in3("2.50"),
            8,
            in3("3.00"),
            6,
            in3("5.00"));
    /** Conductors at least this thick are not sized by the table. */
    private static final int THICKEST = 4;

    private static final BigDecimal MM3_PER_IN3 = in3("16387.064");
    private static final BigDecimal QUARTER = in3("0.25");
    private static final int FIRST_EARTHS = 4;
    private static final Source THICK = new Source("NEC 314.28; from memory, check the edition in force");
    public static final Source SOURCE = new Source("NEC 314.16(B), allowances of Table 314.16(B)(1)");

    /** Editions of the code that count earths differently. */
    public enum Edition {
        UNTIL_2017,
        SINCE_2020
    }

    /** How a conductor counts. */
    public enum Course {
        /** Comes from outside and ends or is spliced in the box, or runs through unbroken. */
        ONCE(1),
        /** A loop of at least twice the free length. */
        LOOPED(2);

        private final int count;

        Course(int count) {
            this.count = count;
        }
    }

    /** A conductor that is no earth. */
    public record Wire(int awg, Course course) {}

    /**
     * What is in a box.
     *
     * @param wires           conductors from outside
     * @param earths          sizes of the earths, AWG
     * @param internalClamps  whether a clamp is inside
     * @param supportFittings kinds of studs and hickeys
     * @param yokes           for each device the largest conductor on it, AWG
     */
    public record Contents(
            List<Wire> wires, List<Integer> earths, boolean internalClamps, int supportFittings, List<Integer> yokes) {
        public Contents {
            wires = List.copyOf(wires);
            earths = List.copyOf(earths);
            yokes = List.copyOf(yokes);
        }
    }

    private BoxFill() {}

    private static BigDecimal in3(String value) {
        return new BigDecimal(value);
    }

    /**
     * Volume that the code asks for, in cubic inches.
     *
     * @throws IllegalArgumentException for conductors of 4 AWG and larger, which NEC 314.28 sizes, and for unknown sizes
     */
    public static BigDecimal needed(Contents contents, Edition edition) {
        BigDecimal sum = BigDecimal.ZERO;
        BigDecimal largest = BigDecimal.ZERO;
        for (Wire wire : contents.wires()) {
            sum = sum.add(allowance(wire.awg()).multiply(BigDecimal.valueOf(wire.course().count)));
            largest = largest.max(allowance(wire.awg()));
        }
        BigDecimal largestEarth = BigDecimal.ZERO;
        for (int earth : contents.earths()) {
            largestEarth = largestEarth.max(allowance(earth));
        }
        largest = largest.max(largestEarth);
        sum = sum.add(contents.internalClamps() ? largest : BigDecimal.ZERO);
        sum = sum.add(largest.multiply(BigDecimal.valueOf(contents.supportFittings())));
        for (int yoke : contents.yokes()) {
            sum = sum.add(allowance(yoke).multiply(BigDecimal.valueOf(2)));
        }
        int beyond =
                edition == Edition.SINCE_2020 ? Math.max(0, contents.earths().size() - FIRST_EARTHS) : 0;
        return sum.add(largestEarth).add(largestEarth.multiply(QUARTER).multiply(BigDecimal.valueOf(beyond)));
    }

    private static BigDecimal allowance(int awg) {
        BigDecimal allowance = ALLOWANCE.get(awg);
        if (allowance == null) {
            throw new IllegalArgumentException(
                    awg <= THICKEST
                            ? "Conductors of " + awg + " AWG are sized by NEC 314.28, not by volume."
                            : awg + " AWG is not in Table 314.16(B)(1).");
        }
        return allowance;
    }

    /** Volume of a round box in cubic inches, to a thousandth: pi/4 of the square around it. Several in a row have a rim each. */
    static BigDecimal roundVolume(BoxGeometry room) {
        BigDecimal square = volume(
                room.height().asDecimal(),
                room.height().asDecimal(),
                room.depth().asDecimal());
        return square.multiply(BigDecimal.valueOf(Math.PI / 4))
                .multiply(BigDecimal.valueOf(room.rounds()))
                .setScale(3, RoundingMode.HALF_UP);
    }

    /** Outer volume of a body in cubic inches, to a thousandth. */
    public static BigDecimal volume(BigDecimal lengthMm, BigDecimal widthMm, BigDecimal heightMm) {
        return lengthMm.multiply(widthMm).multiply(heightMm).divide(MM3_PER_IN3, 3, RoundingMode.HALF_UP);
    }

    /** Judges a surveyed box with modules in it, by the volume marked in it, or as measured. */
    public static void judge(Box box, List<ModuleModel> modules, List<Finding> findings, List<Margin> margins) {
        if (box.geometry().isEmpty()) {
            return;
        }
        BoxGeometry room = box.geometry().get();
        Optional<Cable> thick = box.cables().stream()
                .filter(cable -> WireGauge.of(cable.mm2().doubleValue())
                        .filter(awg -> awg <= THICKEST)
                        .isPresent())
                .findFirst();
        if (thick.isPresent()) {
            findings.add(Finding.of(
                    FindingCode.NOT_SIZED_BY_VOLUME,
                    new Subject.Box(box.label()),
                    Sentence.of(
                                    "The cores of {0} ({found}) are 4 AWG or larger: such a box is sized by its dimensions,"
                                            + " not by volume.",
                                    thick.get().name())
                            .found(thick.get().mm2(), "mm²"),
                    THICK,
                    new Remedy(Remedy.Kind.FIND_OUT, "have a licensed person size the box"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work elsewhere on the circuit")));
            return;
        }
        BigDecimal has = room.markedCubicInches()
                .orElseGet(() -> room.round()
                        ? roundVolume(room)
                        : volume(
                                room.width().asDecimal(),
                                room.height().asDecimal(),
                                room.depth().asDecimal()));
        BigDecimal needs = needed(contents(box, room), Edition.SINCE_2020);
        BigDecimal taken = Stream.concat(
                        modules.stream().flatMap(m -> m.body().stream()), ModulesInPlace.bodies(box).stream())
                .map(b -> volume(
                        b.length().asDecimal(),
                        b.width().asDecimal(),
                        b.thickness().asDecimal()))
                .reduce(BigDecimal.ZERO, BigDecimal::add);
        BigDecimal used = needs.add(taken).setScale(2, RoundingMode.UP).stripTrailingZeros();
        Margin fill =
                new Margin("box fill", used, has.setScale(2, RoundingMode.DOWN).stripTrailingZeros(), "in\u00b3");
        margins.add(fill);
        if (fill.isOver()) {
            findings.add(Finding.of(
                    FindingCode.BOX_TOO_SMALL,
                    new Subject.Box(box.label()),
                    Sentence.of(
                                    "Conductors, devices and earths need {0}, modules take {1}; the box has {allowed}.",
                                    new Sentence.Amount(needs.stripTrailingZeros(), fill.unit()),
                                    new Sentence.Amount(taken, fill.unit()))
                            .found(fill.found(), fill.unit())
                            .allowed(has, fill.unit()),
                    SOURCE,
                    new Remedy(Remedy.Kind.DEEPER_BOX, "a larger box or an extension ring"),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a smaller module"),
                    new Remedy(Remedy.Kind.WORK_AT_LAMP, "work at the lamp")));
        }
    }

    private static Contents contents(Box box, BoxGeometry room) {
        List<Wire> wires = new ArrayList<>();
        List<Integer> earths = new ArrayList<>();
        int thickest = 14;
        for (Cable cable : box.cables()) {
            int awg = awg(cable.mm2());
            thickest = Math.min(thickest, awg);
            cable.cores().forEach(core -> {
                if (core.role() == Role.EARTH) {
                    earths.add(awg);
                } else {
                    wires.add(new Wire(awg, Course.ONCE));
                }
            });
        }
        int yoke = thickest;
        List<Integer> yokes = box.gangs().stream()
                .filter(gang -> gang.mechanism() != Mechanism.FIXED_ON)
                .map(gang -> yoke)
                .toList();
        // What nobody looked at is taken to be there: a lamp hangs on a stud or a hickey.
        boolean lamp = box.kind() == BoxKind.LUMINAIRE;
        return new Contents(wires, earths, true, room.supportFittings().orElse(lamp ? 1 : 0), yokes);
    }

    /** The size whose area comes nearest (ASTM B258). */
    private static int awg(BigDecimal mm2) {
        double area = mm2.doubleValue();
        return ALLOWANCE.keySet().stream()
                .min(Comparator.comparingDouble(awg -> Math.abs(Math.log(areaOf(awg) / area))))
                .orElseThrow();
    }

    private static double areaOf(int awg) {
        double diameterMm = 0.127 * Math.pow(92, (36 - awg) / 39.0);
        return Math.PI / 4 * diameterMm * diameterMm;
    }
}
