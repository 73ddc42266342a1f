/** Firmware: what can be had, and bringing the modules of a job to it. */
package org.hiddenclerk.app.stage.firmware;
