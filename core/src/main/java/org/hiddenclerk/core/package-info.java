/** The rules of the job and every computation, without interface, storage or framework. */
@NullMarked
package org.hiddenclerk.core;

import org.jspecify.annotations.NullMarked;
