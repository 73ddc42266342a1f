/** Hand over: what was found at the tests of a house, and the day it was given to its people. */
@org.jspecify.annotations.NullMarked
package org.hiddenclerk.app.stage.handover;
