/**
 * One module judged for some gangs: {@link org.hiddenclerk.core.matching.module.ModuleMatch} asks every rule, so that all
 * reasons stand beside the first; {@link org.hiddenclerk.core.matching.module.SchemeChooser} sets schemes side by side.
 */
@NullMarked
package org.hiddenclerk.core.matching.module;

import org.jspecify.annotations.NullMarked;
