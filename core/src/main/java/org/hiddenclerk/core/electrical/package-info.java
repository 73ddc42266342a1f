/**
 * The heart: a wiring judged by every state it can be in.
 *
 * <p>{@link org.hiddenclerk.core.electrical.WiringCheck} is the entry point: it keeps the rules of a document
 * ({@link org.hiddenclerk.core.electrical.WiringRules}), solves every row, asks every check and follows what hands and
 * remote commands can reach. The rooms, each standing on those before it: {@code part} (what a wiring is made of),
 * {@code solving} (nets and volts of one row, and the table of all), {@code check} (what a row or a table may not show),
 * {@code operation} (what hands and commands make of it, and what people want of it).
 */
@NullMarked
package org.hiddenclerk.core.electrical;

import org.jspecify.annotations.NullMarked;
