package org.hiddenclerk.core.electrical;

import java.util.List;
import java.util.Set;
import org.hiddenclerk.core.electrical.part.Channel;
import org.hiddenclerk.core.electrical.part.ContactRating;
import org.hiddenclerk.core.electrical.part.LoadKind;
import org.hiddenclerk.core.electrical.part.ModuleSupply;
import org.hiddenclerk.core.electrical.part.Part;
import org.hiddenclerk.core.finding.FindingCode;

/** What the contacts of modules carry over all sound states of a region, for the {@link SlowJudge}. */
record SlowContacts(List<Part> region, Set<FindingCode> found) {
    void add(List<SlowState> sound) {
        for (Part part : region) {
            if (part instanceof Part.FittedModule module) {
                module.channels().forEach(channel -> contact(module, channel, sound));
            }
        }
    }

    private void contact(Part.FittedModule module, Channel channel, List<SlowState> sound) {
        String id = module.id() + "/" + channel.id();
        double most = -1;
        for (SlowState closed : sound) {
            for (SlowState open : sound) {
                if (closed.positions.get(id) == 1 && open.positions.get(id) == 0 && closed.differsInOneFrom(open)) {
                    double watts = 0;
                    double share = 0;
                    for (SlowState.Resistance r : closed.resistances) {
                        boolean counts = !(r.part() instanceof Part.FittedModule)
                                && closed.flow(r) > 0.001
                                && open.volts(r.a(), r.b()) < 0.5 * closed.volts(r.a(), r.b());
                        if (counts) {
                            double own = closed.volts(r.a(), r.b()) * closed.flow(r);
                            watts += own;
                            share += r.part() instanceof Part.Load load
                                    ? shareOf(channel, load, own, closed.flow(r))
                                    : 0;
                        }
                    }
                    most = Math.max(most, watts);
                    if (share > 1.0001) {
                        found.add(FindingCode.CONTACT_OVERLOAD);
                    }
                }
            }
        }
        if (most >= 0
                && module.supply() instanceof ModuleSupply.TwoWire supply
                && most < supply.minimumLoadWatts() * 0.9999) {
            found.add(FindingCode.BELOW_MINIMUM_LOAD);
        }
    }

    private double shareOf(Channel channel, Part.Load load, double watts, double amps) {
        List<ContactRating> own =
                channel.ratings().stream().filter(r -> r.load() == load.kind()).toList();
        List<ContactRating> usable = own.isEmpty() && load.kind() == LoadKind.HEATER
                ? channel.ratings().stream()
                        .filter(r -> r.load() == LoadKind.RESISTIVE)
                        .toList()
                : own;
        if (usable.isEmpty()) {
            found.add(FindingCode.RATING_UNKNOWN);
            return 0;
        }
        double share = 0;
        for (ContactRating rating : usable) {
            share = Math.max(
                    share, rating.watts().isPresent() ? watts / rating.watts().getAsDouble() : 0);
            share = Math.max(
                    share,
                    rating.amps().isPresent()
                            ? amps / load.powerFactor() / rating.amps().getAsDouble()
                            : 0);
        }
        return share;
    }
}
