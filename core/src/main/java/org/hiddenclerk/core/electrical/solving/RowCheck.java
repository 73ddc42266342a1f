package org.hiddenclerk.core.electrical.solving;

/** A check that looks at one row at a time, while it is solved. */
public interface RowCheck {
    void look(int row, RowSolver solver);
}
