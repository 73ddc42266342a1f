/** Modules on the bench: their steps, names and sealed credentials. */
package org.hiddenclerk.app.stage.bench;
