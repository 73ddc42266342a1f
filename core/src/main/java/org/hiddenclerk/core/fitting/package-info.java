/**
 * Fit: the run sheet of a box as a state machine. What was recorded is a list of entries; the state of the sheet is what
 * they add up to, so it can be rebuilt at any time and nothing is ever overwritten. Its steps are made by {@link
 * org.hiddenclerk.core.fitting.RunSheetPlan}, phase by phase.
 */
@NullMarked
package org.hiddenclerk.core.fitting;

import org.jspecify.annotations.NullMarked;
