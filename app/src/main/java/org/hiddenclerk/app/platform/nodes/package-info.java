/** Several processes on one database and one broker: who does what alone, and what each must hear of the others. */
package org.hiddenclerk.app.platform.nodes;
