/** Links, rules and schedules of a house: kept, told as sentences, checked, and their reach. */
@NullMarked
package org.hiddenclerk.app.stage.rules;

import org.jspecify.annotations.NullMarked;
