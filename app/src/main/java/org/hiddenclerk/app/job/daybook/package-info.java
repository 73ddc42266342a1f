/** The day book: jobs by state, what comes next, what blocks, and what becomes of jobs that are done. */
@org.jspecify.annotations.NullMarked
package org.hiddenclerk.app.job.daybook;
