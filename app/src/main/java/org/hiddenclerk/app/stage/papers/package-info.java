/** Papers of a job as PDF: the as-built book, the guide for the household, the way back, labels, forms, and the sealed section. */
@org.jspecify.annotations.NullMarked
package org.hiddenclerk.app.stage.papers;
