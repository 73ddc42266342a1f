/** The log book: every change of what is kept, told as a story. */
@org.jspecify.annotations.NullMarked
package org.hiddenclerk.app.job.logbook;
