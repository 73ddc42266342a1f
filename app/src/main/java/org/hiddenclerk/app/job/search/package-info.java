/** Search over everything that is kept of all jobs. */
@org.jspecify.annotations.NullMarked
package org.hiddenclerk.app.job.search;
