package org.hiddenclerk.core.naming;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.hiddenclerk.core.identity.DeviceId;
import org.hiddenclerk.core.naming.Convention.Place;

/** Names for all devices of a job: by the convention, and no two alike in either form, whatever the places are called. */
public final class Names {
    private Names() {}

    /**
     * Names every place.
     *
     * @param places in the order in which numbers are given
     * @param kept   names that stay, by place; of two that collide the first place keeps its own
     * @return by place, in the order of the places
     */
    public static Map<DeviceId, DeviceName> of(
            List<Place> places, Convention convention, Map<DeviceId, DeviceName> kept) {
        Set<String> displays = new HashSet<>();
        Set<String> handles = new HashSet<>();
        Map<DeviceId, DeviceName> names = new LinkedHashMap<>();
        places.forEach(place -> names.put(place.id(), null));
        for (Place place : places) {
            DeviceName own = kept.get(place.id());
            if (own != null && !displays.contains(own.key()) && !handles.contains(own.handle())) {
                names.put(place.id(), own);
                displays.add(own.key());
                handles.add(own.handle());
            }
        }
        for (Place place : places) {
            int number = 1;
            while (names.get(place.id()) == null) {
                DeviceName name = convention.name(place, number++);
                if (!displays.contains(name.key()) && !handles.contains(name.handle())) {
                    names.put(place.id(), name);
                    displays.add(name.key());
                    handles.add(name.handle());
                }
            }
        }
        return names;
    }

    /**
     * A handle for each of some texts, no two alike.
     *
     * @param taken handles that somebody else has
     */
    public static List<String> handles(List<String> texts, Set<String> taken) {
        Set<String> used = new HashSet<>(taken);
        List<String> handles = new ArrayList<>();
        for (String text : texts) {
            String bare = Convention.handleOf(text).isEmpty() ? "device" : Convention.handleOf(text);
            String handle = cut(bare, "");
            for (int number = 2; !used.add(handle); number++) {
                handle = cut(bare, "-" + number);
            }
            handles.add(handle);
        }
        return handles;
    }

    private static String cut(String handle, String tail) {
        int most = DeviceName.HANDLE_CHARACTERS - tail.length();
        return (handle.length() <= most ? handle : handle.substring(0, most).replaceAll("-+$", "")) + tail;
    }

    /** A device that is called otherwise from now on: on itself, on the hub, in rules and on its label, all together. */
    public record Renaming(DeviceId place, DeviceName from, DeviceName to) {}

    /** What changes between two namings; new places and those that are gone change nothing. */
    public static List<Renaming> renamings(Map<DeviceId, DeviceName> before, Map<DeviceId, DeviceName> after) {
        List<Renaming> renamings = new ArrayList<>();
        after.forEach((place, name) -> {
            DeviceName old = before.get(place);
            if (old != null && !old.equals(name)) {
                renamings.add(new Renaming(place, old, name));
            }
        });
        return renamings;
    }

    /**
     * Renamings in an order in which no name is ever given twice; where names go round in a circle, one of them takes a name of its
     * own in between.
     */
    public static List<Renaming> inOrder(List<Renaming> renamings) {
        List<Renaming> left = new ArrayList<>(renamings);
        List<Renaming> ordered = new ArrayList<>();
        Set<String> handles = new HashSet<>();
        left.forEach(r -> handles.add(r.from().handle()));
        int aside = 0;
        while (!left.isEmpty()) {
            Renaming free = null;
            for (Renaming each : left) {
                boolean taken = left.stream()
                        .anyMatch(other -> other != each
                                && (other.from().handle().equals(each.to().handle())
                                        || other.from().key().equals(each.to().key())));
                free = free == null && !taken ? each : free;
            }
            if (free == null) {
                Renaming first = left.remove(0);
                DeviceName between = new DeviceName("moving " + ++aside, "moving-" + aside);
                ordered.add(new Renaming(first.place(), first.from(), between));
                left.add(new Renaming(first.place(), between, first.to()));
            } else {
                left.remove(free);
                ordered.add(free);
            }
        }
        return ordered;
    }
}
