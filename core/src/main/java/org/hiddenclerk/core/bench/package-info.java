/** What is done to a module on the bench before it goes into a wall. */
package org.hiddenclerk.core.bench;
