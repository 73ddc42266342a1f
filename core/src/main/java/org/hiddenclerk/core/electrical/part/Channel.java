package org.hiddenclerk.core.electrical.part;

import java.util.List;

/**
 * One relay contact of a module.
 *
 * @param id      name within the module
 * @param from    pin the contact takes from
 * @param to      pin the contact gives to
 * @param ratings what it may carry; a kind that is not listed is unknown, not zero
 */
public record Channel(String id, String from, String to, List<ContactRating> ratings) {
    public Channel {
        ratings = List.copyOf(ratings);
    }
}
