/**
 * Judgements as data: what was found, how grave it is, where, in which switching states, with which numbers, by which
 * source, and what would mend it. Every stage answers with these; the worst severity is the verdict.
 */
@NullMarked
package org.hiddenclerk.core.finding;

import org.jspecify.annotations.NullMarked;
