/** The ten stages of a job, a package each: endpoints, rows and what they do; the rules are in the core. Begin with {@link org.hiddenclerk.app.stage.survey}. */
@NullMarked
package org.hiddenclerk.app.stage;

import org.jspecify.annotations.NullMarked;
