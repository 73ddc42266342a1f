package org.hiddenclerk.core.job;

/**
 * A piece of wire within a box.
 *
 * @param key    identity within the box
 * @param colour colour of its insulation
 */
public record Jumper(String key, CoreColour colour, End from, End to) {}
