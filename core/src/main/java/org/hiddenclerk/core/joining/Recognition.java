package org.hiddenclerk.core.joining;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

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
     * @param unit     the very piece that is there
     * @param kind     module code
     * @param address  read off the module on the bench
     * @param switched numbers of its inputs that a switch at the wall reaches
     */
    public record Place(UUID unit, String kind, Optional<String> address, Set<Integer> switched) {
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
        CODE("its code"),
        SWITCHED("switched, and the lamp there changed"),
        FLIPPED("the wall switch there was moved, and it reported");

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

        /** What is, or is not, at the place that was looked at. */
        UUID unit();

        record Seen(String address, UUID unit, Way way) implements Evidence {}

        /** It was switched, and nothing changed there. */
        record NotThere(String address, UUID unit) implements Evidence {}
    }

    /** Two things that were seen and cannot both be. */
    public sealed interface Conflict {
        /** @param place of a unit, in words */
        String words(Function<UUID, String> place);

        record TwoDevices(UUID unit, String first, String second) implements Conflict {
            @Override
            public String words(Function<UUID, String> place) {
                return "At " + place.apply(unit) + " two devices were seen: " + first + " and " + second + ".";
            }
        }

        record TwoPlaces(String address, UUID first, UUID second) implements Conflict {
            @Override
            public String words(Function<UUID, String> place) {
                return address + " was seen in two places: "
                        + Stream.of(first, second).map(place).sorted().collect(Collectors.joining(" and ")) + ".";
            }
        }

        record SeenAndNotSeen(String address, UUID unit) implements Conflict {
            @Override
            public String words(Function<UUID, String> place) {
                return address + " was seen at " + place.apply(unit) + " once, and once not.";
            }
        }

        record OtherKind(String address, String kind, UUID unit, String wanted) implements Conflict {
            @Override
            public String words(Function<UUID, String> place) {
                return address + " says it is a " + kind + "; at " + place.apply(unit) + " a " + wanted
                        + " is planned.";
            }
        }
    }

    /**
     * What is known.
     *
     * @param known     address by unit
     * @param open      units that each device may still be, by address; devices that are known are left out
     * @param conflicts what contradicts itself; both sides stay open
     */
    public record Result(
            Map<UUID, String> known, Map<String, Set<UUID>> open, Set<UUID> waiting, List<Conflict> conflicts) {
        /** Whether every device and every place is settled. */
        public boolean isFinished() {
            return open.isEmpty() && waiting.isEmpty() && conflicts.isEmpty();
        }
    }

    public Result result() {
        List<Evidence.Seen> seen = new ArrayList<>();
        places.forEach(place -> place.address()
                .filter(a -> devices.stream().anyMatch(d -> d.address().equals(a)))
                .ifPresent(a -> seen.add(new Evidence.Seen(a, place.unit(), Way.CODE))));
        evidence.stream()
                .filter(e -> e instanceof Evidence.Seen)
                .map(e -> (Evidence.Seen) e)
                .forEach(seen::add);
        Set<Conflict> conflicts = new LinkedHashSet<>();
        Map<UUID, String> known = new LinkedHashMap<>();
        for (Evidence.Seen each : seen) {
            if (conflict(each, seen).map(conflicts::add).isEmpty()) {
                known.put(each.unit(), each.address());
            }
        }
        Map<String, Set<UUID>> open = new LinkedHashMap<>();
        devices.stream()
                .filter(device -> !known.containsValue(device.address()))
                .forEach(device -> open.put(
                        device.address(),
                        places.stream()
                                .filter(place -> mayBe(device, place, known))
                                .map(Place::unit)
                                .collect(Collectors.toCollection(LinkedHashSet::new))));
        Set<UUID> waiting = places.stream()
                .map(Place::unit)
                .filter(unit -> !known.containsKey(unit))
                .collect(Collectors.toCollection(LinkedHashSet::new));
        return new Result(known, open, waiting, List.copyOf(conflicts));
    }

    private boolean mayBe(Candidate device, Place place, Map<UUID, String> known) {
        return device.kind().equals(place.kind())
                && place.switched().containsAll(device.flipped())
                && !known.containsKey(place.unit())
                && !evidence.contains(new Evidence.NotThere(device.address(), place.unit()));
    }

    private Optional<Conflict> conflict(Evidence.Seen one, List<Evidence.Seen> all) {
        for (Evidence.Seen other : all) {
            boolean samePlace = other.unit().equals(one.unit());
            boolean sameDevice = other.address().equals(one.address());
            if (samePlace && !sameDevice) {
                return Optional.of(new Conflict.TwoDevices(
                        one.unit(), lesser(one.address(), other.address()), greater(one.address(), other.address())));
            }
            if (sameDevice && !samePlace) {
                return Optional.of(new Conflict.TwoPlaces(
                        one.address(), lesser(one.unit(), other.unit()), greater(one.unit(), other.unit())));
            }
        }
        if (evidence.contains(new Evidence.NotThere(one.address(), one.unit()))) {
            return Optional.of(new Conflict.SeenAndNotSeen(one.address(), one.unit()));
        }
        String kind = devices.stream()
                .filter(d -> d.address().equals(one.address()))
                .map(Candidate::kind)
                .findFirst()
                .orElse("");
        String wanted = places.stream()
                .filter(p -> p.unit().equals(one.unit()))
                .map(Place::kind)
                .findFirst()
                .orElse("");
        return Objects.equals(kind, wanted)
                ? Optional.empty()
                : Optional.of(new Conflict.OtherKind(one.address(), kind, one.unit(), wanted));
    }

    // A conflict that is found from both of its sides is one.
    private static <T extends Comparable<T>> T lesser(T one, T other) {
        return one.compareTo(other) < 0 ? one : other;
    }

    private static <T extends Comparable<T>> T greater(T one, T other) {
        return one.compareTo(other) < 0 ? other : one;
    }
}
