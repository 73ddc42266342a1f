/**
 * Join: how modules come into their networks, how it is found out which one is which, and how they get their names, settings and
 * firmware. Networks are reached through the port {@link org.hiddenclerk.core.joining.Gateway}.
 */
@NullMarked
package org.hiddenclerk.core.joining;

import org.jspecify.annotations.NullMarked;
