package org.hiddenclerk.core.electrical.check;

import static org.hiddenclerk.core.finding.FindingCode.BELOW_MINIMUM_LOAD;
import static org.hiddenclerk.core.finding.FindingCode.CONTACT_OVERLOAD;
import static org.hiddenclerk.core.finding.FindingCode.NEAR_LIMIT;
import static org.hiddenclerk.core.finding.FindingCode.RATING_UNKNOWN;

import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.electrical.solving.Region;
import org.hiddenclerk.core.electrical.solving.RegionTable;
import org.hiddenclerk.core.finding.Remedy;
import org.hiddenclerk.core.finding.Sentence;
import org.hiddenclerk.core.finding.Subject;
import org.hiddenclerk.core.quantity.Tolerance;

/**
 * What each contact carries, against its ratings. A contact carries the loads and bypasses that take more than
 * {@value #CARRIED_AMPS} A and whose volts fall below half when it alone opens.
 */
public final class ContactLoads {
    static final double CARRIED_AMPS = 1e-3;
    /** From this share of a rating on there is little room left; common practice, no source. */
    private static final double NEAR_SHARE = 0.8;

    private static final double FALL_SHARE = 0.5;

    private final RegionTable table;
    private final Region region;
    private final FindingLog log;

    private ContactLoads(RegionTable table, FindingLog log) {
        this.table = table;
        this.region = table.region();
        this.log = log;
    }

    public static void check(RegionTable table, FindingLog log) {
        ContactLoads loads = new ContactLoads(table, log);
        for (int e = 0; e < loads.region.elements().length; e++) {
            if (!loads.region.elements()[e].isSwitch()) {
                loads.checkContact(e);
            }
        }
    }

    private void checkContact(int element) {
        Region.Element contact = region.elements()[element];
        Part.FittedModule module = (Part.FittedModule) contact.part();
        Channel channel = module.channels().get(contact.channelIndex());
        double most = 0;
        boolean seen = false;
        for (int[] pair : table.usablePairs(element)) {
            List<Integer> carried = carriedIn(pair[1], pair[0]);
            seen = true;
            most = Math.max(
                    most, carried.stream().mapToDouble(r -> watts(pair[1], r)).sum());
            checkRatings(contact, channel, pair[1], carried);
        }
        if (seen
                && module.supply() instanceof ModuleSupply.TwoWire supply
                && most < supply.minimumLoadWatts() * (1 - Tolerance.WRITTEN)) {
            log.addOverall(
                    BELOW_MINIMUM_LOAD,
                    module.subject(),
                    Sentence.of("{0} carries {found}; it needs at least {allowed}.", region.called(module))
                            .found(most, 1, "W")
                            .allowed(supply.minimumLoadWatts(), 1, "W"),
                    new Remedy(Remedy.Kind.ADD_BYPASS, "add a bypass at the lamp"));
        }
    }

    private List<Integer> carriedIn(int closed, int open) {
        List<Integer> carried = new ArrayList<>();
        for (int r = 0; r < region.resistors().length; r++) {
            if (region.resistors()[r].kind() != Region.ResistorKind.SUPPLY
                    && table.amps(closed, r) > CARRIED_AMPS
                    && table.volts(open, r) < FALL_SHARE * table.volts(closed, r)) {
                carried.add(r);
            }
        }
        return carried;
    }

    private double watts(int row, int resistor) {
        return table.volts(row, resistor) * table.amps(row, resistor);
    }

    private void checkRatings(Region.Element contact, Channel channel, int row, List<Integer> carried) {
        Subject subject = Region.subjectOf(contact);
        double share = 0;
        double watts = 0;
        List<String> words = new ArrayList<>();
        for (int r : carried) {
            if (region.resistors()[r].part() instanceof Part.Load load) {
                OptionalDouble own = shareOf(channel, load, row, r);
                if (own.isEmpty()) {
                    // Each load by itself: one that is taken on says nothing of another on the same contact.
                    log.add(
                            RATING_UNKNOWN,
                            new Subject.Together(subject, load.subject()),
                            row,
                            watts(row, r),
                            () -> Sentence.of(
                                            "{0} carries a {1} ({2}) of {found}; no rating is stated for that kind.",
                                            region.called(contact), load.kind().label(), region.called(load))
                                    .found(watts(row, r), 1, "W"),
                            new Remedy(Remedy.Kind.FIND_OUT, "find the rating out from the maker"));
                } else {
                    share += own.getAsDouble();
                    watts += watts(row, r);
                    words.add(load.kind().label());
                }
            }
        }
        if (share > NEAR_SHARE && share <= 1 + Tolerance.WRITTEN) {
            double near = share;
            log.add(NEAR_LIMIT, subject, row, share, () -> Sentence.of(
                            "{0} is at {found} of its rating.", region.called(contact))
                    .found(near * 100, 0, "%"));
        }
        if (share > 1 + Tolerance.WRITTEN) {
            double total = watts;
            double over = share;
            log.add(
                    CONTACT_OVERLOAD,
                    subject,
                    row,
                    share,
                    () -> Sentence.of(
                                    "{0} carries {1} of {2}: {found} of its rating.",
                                    region.called(contact),
                                    Sentence.Amount.of(total, 0, "W").toString(),
                                    String.join(", ", words.stream().distinct().toList()))
                            .found(over * 100, 0, "%")
                            .allowed(100, 0, "%"),
                    new Remedy(Remedy.Kind.SPLIT_LOAD, "split the load on more channels"),
                    new Remedy(Remedy.Kind.OTHER_MODULE, "a module with a larger contact"));
        }
    }

    private OptionalDouble shareOf(Channel channel, Part.Load load, int row, int resistor) {
        double watts = watts(row, resistor);
        double amps = table.amps(row, resistor) / load.powerFactor();
        List<ContactRating> exact =
                channel.ratings().stream().filter(r -> r.load() == load.kind()).toList();
        List<ContactRating> usable = exact.isEmpty()
                ? channel.ratings().stream()
                        .filter(r -> load.kind().mayUse(r.load()))
                        .toList()
                : exact;
        return usable.stream()
                .mapToDouble(rating -> rating.shareOf(watts, amps))
                .max();
    }
}
