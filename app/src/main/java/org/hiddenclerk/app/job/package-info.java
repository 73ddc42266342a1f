/** What a job is beside its stages: its house, its file, its log, its networks, and the way to it. Begin with {@link org.hiddenclerk.app.job.house.Houses}. */
@NullMarked
package org.hiddenclerk.app.job;

import org.jspecify.annotations.NullMarked;
