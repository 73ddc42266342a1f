package org.hiddenclerk.core.radio;

/**
 * A room on the plan of its storey, all in metres.
 *
 * @param id     identity of the room
 * @param storey counted from the lowest
 * @param x      of its left side
 * @param y      of its lower side
 * @param walls  what its walls are made of
 */
public record RoomShape(String id, int storey, double x, double y, double width, double depth, Material walls) {
    public RoomShape {
        if (!(width > 0 && depth > 0)) {
            throw new IllegalArgumentException(
                    "A room must be more than 0 m wide and deep, not " + width + " by " + depth + ".");
        }
    }

    double centreX() {
        return x + width / 2;
    }

    double centreY() {
        return y + depth / 2;
    }

    /** Where on a way from one point to another one is in the room, as shares of the way; empty array when one never is. */
    double[] along(double fromX, double fromY, double toX, double toY) {
        double enter = 0;
        double leave = 1;
        double[][] axes = {{fromX, toX - fromX, x, x + width}, {fromY, toY - fromY, y, y + depth}};
        for (double[] axis : axes) {
            if (axis[1] == 0) {
                if (axis[0] < axis[2] || axis[0] > axis[3]) {
                    return new double[0];
                }
                continue;
            }
            double first = (axis[2] - axis[0]) / axis[1];
            double second = (axis[3] - axis[0]) / axis[1];
            enter = Math.max(enter, Math.min(first, second));
            leave = Math.min(leave, Math.max(first, second));
        }
        return leave - enter > 1e-9 ? new double[] {enter, leave} : new double[0];
    }
}
