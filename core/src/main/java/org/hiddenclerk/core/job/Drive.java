package org.hiddenclerk.core.job;

/**
 * One direction of a motor that turns both ways.
 *
 * @param motor     name of the motor, the same for both of its directions
 * @param direction which way this one turns it
 */
public record Drive(String motor, Direction direction) {

    /** Ways a blind moves. */
    public enum Direction {
        UP,
        DOWN
    }
}
