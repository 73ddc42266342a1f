/** Names of devices: by one convention for a job, unique, and legal wherever they are used. */
package org.hiddenclerk.core.naming;
