/** The networks of houses: a broker, gateways to what talks through it, and the stand-in houses that ship with the application. */
package org.hiddenclerk.app.job.network;
