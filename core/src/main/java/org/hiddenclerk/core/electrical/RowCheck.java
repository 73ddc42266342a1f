package org.hiddenclerk.core.electrical;

/** A check that looks at one row at a time, while it is solved. */
interface RowCheck {
    void look(int row, RowSolver solver);
}
