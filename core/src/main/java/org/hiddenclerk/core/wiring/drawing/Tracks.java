package org.hiddenclerk.core.wiring.drawing;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Orders the horizontal runs of a drawing so that few conductors cross. The cores of a cable stay together. Swaps of
 * groups, and of cores within a cable, are tried until none helps; a box has few enough for that.
 */
public final class Tracks {
    private final Map<String, int[]> columns;
    private final int left;
    private final int right;
    private final List<List<Segment>> groups;

    /**
     * One conductor's horizontal run.
     *
     * @param cable cable it belongs to; empty for a jumper
     * @param from  key of its column
     * @param to    key of its second column; empty for a core, which leaves the box
     */
    record Segment(String key, String cable, boolean left, String from, String to) {
        boolean isJumper() {
            return cable.isEmpty();
        }
    }

    Tracks(List<Segment> runs, Map<String, int[]> columns, int left, int right) {
        this.columns = columns;
        this.left = left;
        this.right = right;
        Map<String, List<Segment>> byCable = new LinkedHashMap<>();
        runs.forEach(run -> byCable.computeIfAbsent(
                        run.isJumper() ? "jumper " + run.key() : run.cable(), c -> new ArrayList<>())
                .add(run));
        groups = new ArrayList<>(byCable.values());
    }

    List<List<Segment>> ordered() {
        int best = crossings();
        boolean better = true;
        while (better && best > 0) {
            better = false;
            for (List<? extends Object> list : swappable()) {
                for (int i = 0; i < list.size(); i++) {
                    for (int j = i + 1; j < list.size(); j++) {
                        Collections.swap(list, i, j);
                        int now = crossings();
                        if (now < best) {
                            best = now;
                            better = true;
                        } else {
                            Collections.swap(list, i, j);
                        }
                    }
                }
            }
        }
        return groups;
    }

    private List<List<? extends Object>> swappable() {
        List<List<? extends Object>> lists = new ArrayList<>();
        lists.add(groups);
        lists.addAll(groups);
        return lists;
    }

    /** Places where a horizontal run meets the vertical run of another conductor. */
    int crossings() {
        List<Segment> flat = new ArrayList<>();
        groups.forEach(flat::addAll);
        int count = 0;
        for (int across = 0; across < flat.size(); across++) {
            int low = low(flat.get(across));
            int high = high(flat.get(across));
            for (int up = 0; up < flat.size(); up++) {
                if (up != across) {
                    count += crosses(columns.get(flat.get(up).from()), up, across, low, high);
                    if (flat.get(up).isJumper()) {
                        count += crosses(columns.get(flat.get(up).to()), up, across, low, high);
                    }
                }
            }
        }
        return count;
    }

    /** The vertical run goes from its own track up or down to its port, and passes the tracks in between. */
    private static int crosses(int[] column, int ownTrack, int acrossTrack, int low, int high) {
        boolean passes = column[1] == 1 ? acrossTrack < ownTrack : acrossTrack > ownTrack;
        return passes && column[0] > low && column[0] < high ? 1 : 0;
    }

    private int low(Segment run) {
        int own = columns.get(run.from())[0];
        return run.isJumper() ? Math.min(own, columns.get(run.to())[0]) : run.left() ? left : own;
    }

    private int high(Segment run) {
        int own = columns.get(run.from())[0];
        return run.isJumper() ? Math.max(own, columns.get(run.to())[0]) : run.left() ? own : right;
    }
}
