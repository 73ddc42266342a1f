package org.hiddenclerk.core.conductors;

/**
 * What a non-contact pen did at a core: weak evidence, for it beeps at conductors that float beside a live one.
 *
 * @param where the core, and how the switches stood
 */
public record PenNote(Reading.Live where, boolean beeped) {}
