/** Jobs as files: written whole, read whole or not at all. */
@org.jspecify.annotations.NullMarked
package org.hiddenclerk.app.job.exchange;
