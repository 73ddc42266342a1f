/** The planned house of a job that runs over the broker: hands, faults, what is seen, and checks of it. */
@NullMarked
package org.hiddenclerk.app.stage.live;

import org.jspecify.annotations.NullMarked;
