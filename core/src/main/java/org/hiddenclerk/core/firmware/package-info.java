/** Versions of firmware, and how a house is brought to one: a few first, then the rest, never in the way of people at work. */
package org.hiddenclerk.core.firmware;
