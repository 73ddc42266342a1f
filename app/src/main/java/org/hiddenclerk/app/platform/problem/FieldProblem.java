package org.hiddenclerk.app.platform.problem;

/**
 * What is wrong at one place of a request.
 *
 * @param pointer  JSON pointer (RFC 6901) into the body, or a fragment naming a parameter
 * @param found    what stands there
 * @param expected what is expected there
 */
public record FieldProblem(String pointer, String found, String expected) {}
