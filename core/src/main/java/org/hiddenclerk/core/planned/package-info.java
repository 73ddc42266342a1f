/**
 * The house as it is planned: every module with its own box, channels, inputs and links, made once from all plans.
 * Each later stage reads this and
 * guesses at nothing.
 */
package org.hiddenclerk.core.planned;
