/** Join: modules come into the networks of a job, are told apart, named, set and read back. */
package org.hiddenclerk.app.stage.joining;
