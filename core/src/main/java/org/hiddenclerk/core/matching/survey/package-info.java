/**
 * What a surveyed box and its circuit show before any module is thought of. Start with
 * {@link org.hiddenclerk.core.matching.survey.SurveyChecks}.
 */
@NullMarked
package org.hiddenclerk.core.matching.survey;

import org.jspecify.annotations.NullMarked;
