package org.hiddenclerk.core.wiring.paper;

import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.hiddenclerk.core.electrical.check.LeftOver;
import org.hiddenclerk.core.electrical.part.PartId;
import org.hiddenclerk.core.job.Box;
import org.hiddenclerk.core.job.BoxGeometry;
import org.hiddenclerk.core.job.CoreColour;
import org.hiddenclerk.core.job.End;
import org.hiddenclerk.core.job.Jumper;
import org.hiddenclerk.core.job.RegionProfile;
import org.hiddenclerk.core.job.Role;
import org.hiddenclerk.core.quantity.Millimetres;
import org.hiddenclerk.core.wiring.WiringPlan;
import org.hiddenclerk.core.wiring.run.BoxWiring;
import org.hiddenclerk.core.wiring.run.ConnectedBoxes.Place;

/**
 * What goes to one place on paper, derived from its wiring before and after.
 *
 * @param place     what it is called
 * @param kind      what it is
 * @param terminals what sits where, as planned
 * @param found     what sits where, as found
 * @param moves     from found to planned, in the order a hand works
 * @param restore   the way back
 * @param labels    what is written on each core that moves, before anything is disconnected
 * @param pieces    new jumpers with length and size
 * @param caps      cores that are insulated, with where their other end is
 * @param sleeves   cores whose colour no longer tells what they do
 */
public record Papers(
        String place,
        String kind,
        List<TerminalTable.Line> terminals,
        List<TerminalTable.Line> found,
        List<Move> moves,
        List<Move> restore,
        List<CoreLabel> labels,
        List<Piece> pieces,
        List<CappedCore> caps,
        List<Sleeve> sleeves) {
    /** A loop of wire that a hand needs to work with a terminal; common practice, no source. */
    private static final int SLACK_MM = 60;
    /** Between the centres of two gangs (EN 60670-1, DIN 49073); see the check values. */
    private static final int GANG_PITCH_MM = 71;
    /** Where the box has not been measured. */
    private static final int USUAL_DEPTH_MM = 47;

    private static final int CUT_TO_MM = 10;
    private static final BigDecimal USUAL_MM2 = new BigDecimal("1.5");

    /** Written on a core before it is taken off. */
    public record CoreLabel(String core, String wasOn, String goesTo) {}

    /** A jumper to cut. */
    public record Piece(String key, CoreColour colour, BigDecimal mm2, int lengthMm, String from, String to) {}

    /**
     * A core that is insulated at this end.
     *
     * @param label what stands on it: a spare, or what it is live from
     */
    public record CappedCore(String core, String otherEnd, String label) {}

    /** A core that needs another colour to be seen at its end. */
    public record Sleeve(String core, CoreColour colour, Role role) {}

    /** One place of a plan. */
    public static Papers of(WiringPlan plan, Place place, RegionProfile region) {
        BoxWiring before = plan.found().at(place);
        BoxWiring after = plan.planned().map(p -> p.at(place)).orElse(before);
        return new Papers(
                place.label(),
                place.box().kind().label(),
                TerminalTable.of(after),
                TerminalTable.of(before),
                Move.between(before, after),
                Move.between(after, before),
                labels(before, after),
                pieces(before, after),
                caps(plan, place, after),
                sleeves(after, region));
    }

    private static List<CoreLabel> labels(BoxWiring before, BoxWiring after) {
        return after.box().cores().stream()
                .filter(core -> !before.endOf(core).equals(after.endOf(core)))
                .map(core ->
                        new CoreLabel(core.words(), before.words(before.endOf(core)), after.words(after.endOf(core))))
                .toList();
    }

    private static List<Piece> pieces(BoxWiring before, BoxWiring after) {
        List<Piece> pieces = new ArrayList<>();
        for (Jumper jumper : after.jumpers()) {
            if (!before.jumpers().contains(jumper)) {
                pieces.add(new Piece(
                        jumper.key(),
                        jumper.colour(),
                        thickest(after.box()),
                        length(after.box(), jumper),
                        after.words(jumper.from()),
                        after.words(jumper.to())));
            }
        }
        return pieces;
    }

    /** A jumper is as thick as the thickest core of the box: what it feeds may draw what that one carries. */
    private static BigDecimal thickest(Box box) {
        return box.cables().stream()
                .map(cable -> cable.mm2())
                .max(BigDecimal::compareTo)
                .orElse(USUAL_MM2);
    }

    /** From gang to gang along the pitch, down to a module or connector and back up, with slack, to the next centimetre. */
    private static int length(Box box, Jumper jumper) {
        int across = Math.abs(gangOf(jumper.from()).orElse(0)
                        - gangOf(jumper.to()).orElse(gangOf(jumper.from()).orElse(0)))
                * GANG_PITCH_MM;
        boolean down = !(jumper.from() instanceof End.AtMechanism && jumper.to() instanceof End.AtMechanism);
        int depth = box.geometry()
                .map(BoxGeometry::depth)
                .map(Millimetres::micrometres)
                .map(um -> (int) (um / 1000))
                .orElse(USUAL_DEPTH_MM);
        int exact = across + (down ? depth : 0) + SLACK_MM;
        return (exact + CUT_TO_MM - 1) / CUT_TO_MM * CUT_TO_MM;
    }

    private static Optional<Integer> gangOf(End end) {
        return end instanceof End.AtMechanism pole ? Optional.of(pole.gang()) : Optional.empty();
    }

    private static List<CappedCore> caps(WiringPlan plan, Place place, BoxWiring after) {
        List<CappedCore> caps = new ArrayList<>();
        Map<PartId, Set<String>> fed = LeftOver.capped(plan.wiring());
        for (Box.CableCore core : after.box().cores()) {
            if (after.endOf(core) instanceof End.Capped) {
                String far = plan.run()
                        .spanOf(place, core.cable())
                        .map(span -> span.farFrom(place).label())
                        .orElse("the board side");
                String id = plan.run()
                        .spanOf(place, core.cable())
                        .map(span -> span.conductor(
                                place.equals(span.a())
                                        ? core.core()
                                        : span.twin(core.core()).orElse(core.core())))
                        .orElse(place.prefix() + core.key());
                Set<String> circuits = fed.getOrDefault(new PartId(id), Set.of());
                caps.add(new CappedCore(
                        core.words(),
                        far,
                        circuits.isEmpty()
                                ? after.roleOf(core) == Role.EARTH ? "earth" : "spare"
                                : "live from " + String.join(", ", circuits)));
            }
        }
        return caps;
    }

    /** A neutral colour on anything else than a neutral, and a neutral on anything else than its colour. */
    private static List<Sleeve> sleeves(BoxWiring after, RegionProfile region) {
        List<Sleeve> sleeves = new ArrayList<>();
        for (Box.CableCore core : after.box().cores()) {
            Role role = after.roleOf(core);
            boolean plain = role == Role.SPARE || role == Role.EARTH || role == Role.ELV_PLUS || role == Role.ELV_MINUS;
            if (!plain) {
                CoreColour seen = core.core().sleeve().orElse(core.core().colour());
                boolean neutralColour = seen == region.neutralColour();
                if (neutralColour != (role == Role.NEUTRAL)) {
                    sleeves.add(new Sleeve(
                            core.words(), role == Role.NEUTRAL ? region.neutralColour() : region.liveColour(), role));
                }
            }
        }
        return sleeves;
    }

    /** Jumpers of all places that are cut alike, counted, longest first. */
    public static List<CutLine> cutList(List<Papers> papers) {
        Map<String, CutLine> lines = new LinkedHashMap<>();
        papers.stream()
                .flatMap(p -> p.pieces().stream())
                .sorted((a, b) -> Integer.compare(b.lengthMm(), a.lengthMm()))
                .forEach(piece -> lines.merge(
                        piece.colour() + " " + piece.mm2() + " " + piece.lengthMm(),
                        new CutLine(1, piece.colour(), piece.mm2(), piece.lengthMm()),
                        CutLine::plus));
        return List.copyOf(lines.values());
    }

    /** So many pieces of one colour, size and length. */
    public record CutLine(int count, CoreColour colour, BigDecimal mm2, int lengthMm) {
        CutLine plus(CutLine other) {
            return new CutLine(count + other.count, colour, mm2, lengthMm);
        }
    }
}
