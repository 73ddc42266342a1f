package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.NEUTRAL_SWITCHED;

import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;

/**
 * A neutral that a switch or contact takes away: between two rows that differ in one element, a pin leaves N while the
 * other pin of the same part stays on a live.
 */
public final class NeutralPath {
    private NeutralPath() {}

    public static void check(RegionTable table, FindingLog log) {
        Region region = table.region();
        for (int e = 0; e < region.elements().length; e++) {
            Region.Element element = region.elements()[e];
            for (int[] pair : table.usablePairs(e)) {
                for (int r = 0; r < region.resistors().length; r++) {
                    if (isExposed(region.resistors()[r])) {
                        checkPair(table, log, pair, r, element);
                    }
                }
            }
        }
    }

    private static boolean isExposed(Region.Resistor resistor) {
        return !(resistor.part() instanceof Part.FittedModule module)
                || module.supply() instanceof ModuleSupply.LineNeutral;
    }

    private static void checkPair(RegionTable table, FindingLog log, int[] pair, int resistor, Region.Element element) {
        for (boolean pinA : new boolean[] {true, false}) {
            boolean first = table.isOnNeutral(pair[0], resistor, pinA);
            boolean second = table.isOnNeutral(pair[1], resistor, pinA);
            boolean liveThroughout =
                    table.isOnLive(pair[0], resistor, !pinA) && table.isOnLive(pair[1], resistor, !pinA);
            if (first != second && liveThroughout) {
                Part part = table.region().resistors()[resistor].part();
                log.add(
                        NEUTRAL_SWITCHED,
                        part.subject(),
                        first ? pair[1] : pair[0],
                        () -> Sentence.of(
                                "{0} takes the neutral from {1} and leaves it on the live.",
                                table.region().called(element), table.region().called(part)),
                        Remedy.rewire("switch the live instead"));
            }
        }
    }
}
