/** Tables that spreadsheets write and read: the one place that knows their format. */
package org.hiddenclerk.app.platform.csv;
