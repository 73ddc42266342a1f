/** What whoever runs the clerk needs to know of it. */
package org.hiddenclerk.app.platform.operations;
