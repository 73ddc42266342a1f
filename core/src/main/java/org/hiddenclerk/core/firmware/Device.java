package org.hiddenclerk.core.firmware;

import java.util.Optional;

/**
 * A module whose firmware may be brought to another version.
 *
 * @param kind      modules that take the same firmware
 * @param installed what it has; empty where it was not read yet
 * @param hops      from the coordinator; 0 for one that is reached directly
 * @param leaf      whether it passes nothing on for others
 * @param circuit   that it hangs on
 */
public record Device(String id, String kind, Optional<Version> installed, int hops, boolean leaf, String circuit) {}
