/**
 * Match: can this module go here? All reasons and all margins, for every module, ranked.
 *
 * <p>{@link org.hiddenclerk.core.matching.PlanJudgement} says whether a whole plan may be issued. The rooms, each standing on
 * those before it: {@code margin} (how near a limit), {@code room} (does it fit, does it get too warm), {@code module} (one
 * module for some gangs), {@code survey} (what a box shows before any module is thought of), {@code house} (every module for
 * every position), {@code allocation} (the choice for a whole house).
 */
@NullMarked
package org.hiddenclerk.core.matching;

import org.jspecify.annotations.NullMarked;
