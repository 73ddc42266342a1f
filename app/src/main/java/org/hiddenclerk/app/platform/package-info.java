/** What carries the stages and knows none of them: who may do what, accounts, secrets, several nodes, problems, the web. Begin with {@link org.hiddenclerk.app.platform.problem.ProblemException}. */
@NullMarked
package org.hiddenclerk.app.platform;

import org.jspecify.annotations.NullMarked;
