package org.hiddenclerk.app.stage.rules;

import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.hiddenclerk.app.platform.web.MayBeAbsent;
import org.hiddenclerk.core.identity.OutputId;
import org.hiddenclerk.core.rules.Delays;
import org.hiddenclerk.core.rules.Device;
import org.hiddenclerk.core.rules.Link;
import org.hiddenclerk.core.rules.Rule;
import org.hiddenclerk.core.schedule.Location;

/**
 * What is kept of a house's rules.
 *
 * @param things   sensors and remote controls that no box holds
 * @param declared what the hub takes outputs for, where it was told
 * @param delays   how long things take in this house; left out while it is as usual
 * @param place    where the house is; left out while nobody said
 */
record RulesDocument(
        List<Device> things,
        Map<OutputId, Device.Drives> declared,
        List<Link> links,
        List<Rule> rules,
        @MayBeAbsent PlaceEntry place,
        @MayBeAbsent Delays delays) {
    static final RulesDocument EMPTY = new RulesDocument(List.of(), Map.of(), List.of(), List.of(), null, null);

    RulesDocument {
        things = List.copyOf(things);
        declared = Map.copyOf(declared);
        links = List.copyOf(links);
        rules = List.copyOf(rules);
    }

    /** Degrees, and a zone by its name in the time zone database. */
    record PlaceEntry(double latitude, double longitude, String zone) {
        /** @throws IllegalArgumentException when there is no such place or zone */
        Location whereabouts() {
            try {
                return new Location(latitude, longitude, ZoneId.of(zone));
            } catch (DateTimeException e) {
                throw new IllegalArgumentException(
                        "The zone (" + zone + ") must be one of the time zone database, like Europe/Vienna.", e);
            }
        }
    }

    Optional<Location> whereabouts() {
        return Optional.ofNullable(place).map(PlaceEntry::whereabouts);
    }

    RulesDocument withRules(List<Rule> other) {
        return new RulesDocument(things, declared, links, other, place, delays);
    }

    RulesDocument withLinks(List<Link> other) {
        return new RulesDocument(things, declared, other, rules, place, delays);
    }

    RulesDocument withThings(List<Device> other) {
        return new RulesDocument(other, declared, links, rules, place, delays);
    }

    RulesDocument withDeclared(Map<OutputId, Device.Drives> other) {
        return new RulesDocument(things, other, links, rules, place, delays);
    }

    RulesDocument at(PlaceEntry other) {
        return new RulesDocument(things, declared, links, rules, other, delays);
    }

    RulesDocument withDelays(Delays other) {
        return new RulesDocument(things, declared, links, rules, place, other);
    }

    Delays usualOrOwnDelays() {
        return Optional.ofNullable(delays).orElse(Delays.USUAL);
    }
}
