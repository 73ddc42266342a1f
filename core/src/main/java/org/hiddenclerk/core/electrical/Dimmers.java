package org.hiddenclerk.core.electrical;

import static org.hiddenclerk.core.finding.FindingCode.DIMMER_IN_SERIES;

import org.hiddenclerk.core.finding.Remedy;

/**
 * A wall dimmer in one path with a relay module, before or behind it: the module's supply would be cut into pieces, or the
 * dimmer would be switched hard. What loses more than half of its volts when either opens is in the path of both.
 */
final class Dimmers {
    private static final double FALL_SHARE = 0.5;
    private static final double MEANT_VOLTS = 1;

    private Dimmers() {
    }

    static void check(RegionTable table, FindingLog log) {
        Region region = table.region();
        for (int e = 0; e < region.elements().length; e++) {
            if (region.elements()[e].isSwitch() && region.elements()[e].mechanism().isRegulator()) {
                checkDimmer(table, e, log);
            }
        }
    }

    private static void checkDimmer(RegionTable table, int dimmer, FindingLog log) {
        Region region = table.region();
        String id = region.elements()[dimmer].id();
        for (int[] pair : table.usablePairs(dimmer)) {
            for (int d = 0; d < region.devices().length; d++) {
                Region.Device device = region.devices()[d];
                boolean feeds = device.resistor() >= 0 ? falls(table, pair, device.resistor())
                        : table.isPowered(pair[1], d) && !table.isPowered(pair[0], d);
                if (feeds) {
                    report(log, id, region.called(device.part().id().value()) + " is fed through the dimmer "
                            + region.called(id) + ".", pair[1]);
                }
            }
            for (int contact = 0; contact < region.elements().length; contact++) {
                int bit = region.bit(contact);
                boolean closed = !region.elements()[contact].isSwitch() && (pair[1] & bit) != 0 && table.isUsable(pair[1] & ~bit);
                for (int r = 0; closed && r < region.resistors().length; r++) {
                    if (region.resistors()[r].kind() == Region.ResistorKind.LOAD && falls(table, pair, r)
                            && falls(table, new int[] {pair[1] & ~bit, pair[1]}, r)) {
                        report(log, id, region.called(region.elements()[contact].id()) + " and the dimmer " + region.called(id)
                                + " are in the path of "
                                + region.called(region.resistors()[r].part().id().value()) + ".", pair[1]);
                    }
                }
            }
        }
    }

    private static boolean falls(RegionTable table, int[] openAndClosed, int resistor) {
        double closed = table.volts(openAndClosed[1], resistor);
        return closed > MEANT_VOLTS && table.volts(openAndClosed[0], resistor) < FALL_SHARE * closed;
    }

    private static void report(FindingLog log, String dimmer, String reason, int row) {
        log.add(DIMMER_IN_SERIES, dimmer, row, () -> reason,
                new Remedy(Remedy.Kind.REWIRE, "take the dimmer out and put a plain switch or push button in"),
                new Remedy(Remedy.Kind.OTHER_MODULE, "a dimmer module in place of both"));
    }
}
