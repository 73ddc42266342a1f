package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Which device that came in is which of the modules in the walls. Only what was seen counts: a device is known once its code, its
 * lamp or its wall switch told; the last one that is left is not known by that, for another may have come in from next door.
 */
public final class Recognition {
    private final List<Place> places;
    private final List<Candidate> devices;
    private final List<Evidence> evidence;

    public Recognition(List<Place> places, List<Candidate> devices, List<Evidence> evidence) {
        this.places = List.copyOf(places);
        this.devices = List.copyOf(devices);
        this.evidence = List.copyOf(evidence);
    }

    /**
     * A module in a wall.
     *
     * @param kind     module code
     * @param address  read off the module on the bench
     * @param switched numbers of its inputs that a switch at the wall reaches
     */
    public record Place(String id, String kind, Optional<String> address, Set<Integer> switched) {
        public Place {
            switched = Set.copyOf(switched);
        }
    }

    /** A device that came in. @param flipped numbers of its inputs at which somebody moved a switch, as it told */
    public record Candidate(String address, String kind, Set<Integer> flipped) {
        public Candidate {
            flipped = Set.copyOf(flipped);
        }
    }

    /** How a device was told. */
    public enum Way {
        CODE("its code"), SWITCHED("switched, and the lamp there changed"), FLIPPED("the wall switch there was moved, and it reported");

        private final String words;

        Way(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }

    /** What was seen. */
    public sealed interface Evidence {
        String address();

        String place();

        record Seen(String address, String place, Way way) implements Evidence {
        }

        /** It was switched, and nothing changed there. */
        record NotThere(String address, String place) implements Evidence {
        }
    }

    /**
     * What is known.
     *
     * @param known     address by place
     * @param open      places that each device may still be at, by address; devices that are known are left out
     * @param conflicts what contradicts itself, in words; both sides stay open
     */
    public record Result(Map<String, String> known, Map<String, Set<String>> open, Set<String> waiting, List<String> conflicts) {
        /** Whether every device and every place is settled. */
        public boolean isFinished() {
            return open.isEmpty() && waiting.isEmpty() && conflicts.isEmpty();
        }
    }

    public Result result() {
        List<Evidence.Seen> seen = new ArrayList<>();
        places.forEach(place -> place.address().filter(a -> devices.stream().anyMatch(d -> d.address().equals(a)))
                .ifPresent(a -> seen.add(new Evidence.Seen(a, place.id(), Way.CODE))));
        evidence.stream().filter(e -> e instanceof Evidence.Seen).map(e -> (Evidence.Seen) e).forEach(seen::add);
        List<String> conflicts = new ArrayList<>();
        Map<String, String> known = new LinkedHashMap<>();
        for (Evidence.Seen each : seen) {
            if (conflict(each, seen).map(conflicts::add).isEmpty()) {
                known.put(each.place(), each.address());
            }
        }
        Map<String, Set<String>> open = new LinkedHashMap<>();
        devices.stream().filter(device -> !known.containsValue(device.address())).forEach(device -> open.put(device.address(), places.stream()
                .filter(place -> mayBe(device, place, known)).map(Place::id).collect(Collectors.toCollection(LinkedHashSet::new))));
        Set<String> waiting = places.stream().map(Place::id).filter(id -> !known.containsKey(id)).collect(Collectors.toCollection(LinkedHashSet::new));
        return new Result(known, open, waiting, conflicts.stream().distinct().toList());
    }

    private boolean mayBe(Candidate device, Place place, Map<String, String> known) {
        return device.kind().equals(place.kind()) && place.switched().containsAll(device.flipped()) && !known.containsKey(place.id())
                && !evidence.contains(new Evidence.NotThere(device.address(), place.id()));
    }

    private Optional<String> conflict(Evidence.Seen one, List<Evidence.Seen> all) {
        for (Evidence.Seen other : all) {
            boolean samePlace = other.place().equals(one.place());
            boolean sameDevice = other.address().equals(one.address());
            if (samePlace && !sameDevice) {
                return Optional.of("At " + one.place() + " two devices were seen: " + sorted(one.address(), other.address()) + ".");
            }
            if (sameDevice && !samePlace) {
                return Optional.of(one.address() + " was seen in two places: " + sorted(one.place(), other.place()) + ".");
            }
        }
        if (evidence.contains(new Evidence.NotThere(one.address(), one.place()))) {
            return Optional.of(one.address() + " was seen at " + one.place() + " once, and once not.");
        }
        String kind = devices.stream().filter(d -> d.address().equals(one.address())).map(Candidate::kind).findFirst().orElse("");
        String wanted = places.stream().filter(p -> p.id().equals(one.place())).map(Place::kind).findFirst().orElse("");
        return Objects.equals(kind, wanted) ? Optional.empty() : Optional.of(one.address() + " says it is a " + kind + "; at " + one.place()
                + " a " + wanted + " is planned.");
    }

    private static String sorted(String one, String other) {
        return one.compareTo(other) < 0 ? one + " and " + other : other + " and " + one;
    }
}
