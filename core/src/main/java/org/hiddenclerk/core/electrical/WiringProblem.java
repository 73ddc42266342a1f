package org.hiddenclerk.core.electrical;

/**
 * Why a wiring cannot be judged: something in it contradicts itself or the limits.
 *
 * @param pointer  JSON pointer (RFC 6901) into the wiring document
 * @param found    what stands there
 * @param expected what is expected there
 */
public record WiringProblem(String pointer, String found, String expected) {}
