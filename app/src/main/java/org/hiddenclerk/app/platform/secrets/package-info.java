/** Secrets that are sealed before they are kept, and the keys that seal them. */
package org.hiddenclerk.app.platform.secrets;
