package org.hiddenclerk.core.radio;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Rooms of a house as rectangles. What is in a room is taken to be in its middle; a room that is not drawn has no estimate.
 *
 * @param rooms        by identity
 * @param storeyHeight from floor to floor, in metres
 * @param floors       what the floors are made of
 */
public record FloorPlan(Map<String, RoomShape> rooms, double storeyHeight, Material floors) {
    /** A gap wider than this between two rooms is outside: both walls count. */
    private static final double GAP_METRES = 0.6;

    public FloorPlan {
        rooms = Collections.unmodifiableMap(new LinkedHashMap<>(rooms));
    }

    public static FloorPlan notDrawn() {
        return new FloorPlan(Map.of(), 2.8, Material.CONCRETE);
    }

    public boolean isDrawn() {
        return !rooms.isEmpty();
    }

    /** Metres and decibels of walls and floors between the middles of two rooms; empty where one is not drawn. */
    public Optional<Way> way(String from, String to, double megahertz) {
        RoomShape a = rooms.get(from);
        RoomShape b = rooms.get(to);
        if (a == null || b == null) {
            return Optional.empty();
        }
        double across = Math.hypot(a.centreX() - b.centreX(), a.centreY() - b.centreY());
        int storeys = Math.abs(a.storey() - b.storey());
        // Two things in one room are not at one point.
        double metres = Math.max(1, Math.hypot(across, storeys * storeyHeight));
        List<Material> walls = new ArrayList<>();
        if (storeys == 0) {
            walls.addAll(walls(a, b, a.storey(), 0, 1));
        } else {
            walls.addAll(walls(a, b, a.storey(), 0, 0.5));
            walls.addAll(walls(a, b, b.storey(), 0.5, 1));
        }
        double loss =
                walls.stream().mapToDouble(wall -> wall.wallLoss(megahertz)).sum()
                        + storeys * floors.wallLoss(megahertz);
        return Optional.of(new Way(metres, walls.size(), storeys, loss));
    }

    /** Walls between the rooms that a way passes on one storey, within some part of it. */
    private List<Material> walls(RoomShape a, RoomShape b, int storey, double begin, double end) {
        record Passed(RoomShape room, double enter, double leave) {}
        List<Passed> passed = new ArrayList<>();
        for (RoomShape room : rooms.values()) {
            double[] along = room.storey() == storey
                    ? room.along(a.centreX(), a.centreY(), b.centreX(), b.centreY())
                    : new double[0];
            if (along.length == 2 && along[0] < end && along[1] > begin) {
                passed.add(new Passed(room, along[0], along[1]));
            }
        }
        passed.sort(Comparator.comparingDouble(Passed::enter)
                .thenComparing(p -> p.room().id()));
        double across = Math.hypot(a.centreX() - b.centreX(), a.centreY() - b.centreY());
        List<Material> walls = new ArrayList<>();
        for (int i = 1; i < passed.size(); i++) {
            Material one = passed.get(i - 1).room().walls();
            Material other = passed.get(i).room().walls();
            if ((passed.get(i).enter() - passed.get(i - 1).leave()) * across > GAP_METRES) {
                walls.add(one);
                walls.add(other);
            } else {
                walls.add(one.wallLoss(2450) >= other.wallLoss(2450) ? one : other);
            }
        }
        return walls;
    }

    /**
     * What lies between two rooms.
     *
     * @param lossDecibels of walls and floors
     */
    public record Way(double metres, int walls, int floors, double lossDecibels) {}
}
