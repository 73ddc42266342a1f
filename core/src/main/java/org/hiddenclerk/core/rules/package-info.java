/** Links and rules of a house: what acts on what, where it runs, what it leads to, and what still works when something is down. */
@NullMarked
package org.hiddenclerk.core.rules;

import org.jspecify.annotations.NullMarked;
