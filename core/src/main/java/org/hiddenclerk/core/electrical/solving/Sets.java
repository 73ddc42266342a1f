package org.hiddenclerk.core.electrical.solving;

import java.util.Arrays;

/** Disjoint sets of small numbers (union-find with path halving). */
public final class Sets {
    private final int[] parent;

    public Sets(int size) {
        parent = new int[size];
        Arrays.setAll(parent, i -> i);
    }

    public void copyFrom(Sets other) {
        System.arraycopy(other.parent, 0, parent, 0, parent.length);
    }

    public int find(int member) {
        int at = member;
        while (parent[at] != at) {
            parent[at] = parent[parent[at]];
            at = parent[at];
        }
        return at;
    }

    /** Joins the two sets and returns the representative of the joint one. */
    public int join(int a, int b) {
        int rootA = find(a);
        int rootB = find(b);
        parent[rootB] = rootA;
        return rootA;
    }
}
