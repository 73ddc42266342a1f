/** The days on site of a job: planned, planned anew after a delay, and given to calendars. */
package org.hiddenclerk.app.stage.day;
