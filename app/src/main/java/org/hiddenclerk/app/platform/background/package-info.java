/** Work that nobody waits for. */
package org.hiddenclerk.app.platform.background;
