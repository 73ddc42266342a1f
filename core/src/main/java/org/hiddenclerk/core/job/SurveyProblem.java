package org.hiddenclerk.core.job;

/**
 * Something in a survey that contradicts itself.
 *
 * @param pointer  JSON pointer (RFC 6901) into the survey document
 * @param found    what stands there
 * @param expected what is expected there
 */
public record SurveyProblem(String pointer, String found, String expected) {}
