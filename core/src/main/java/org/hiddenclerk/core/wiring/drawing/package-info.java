/**
 * Boxes and runs as drawings: {@link org.hiddenclerk.core.wiring.drawing.BoxDrawing} is what is drawn,
 * {@link org.hiddenclerk.core.wiring.drawing.BoxLayout} places one box and {@link org.hiddenclerk.core.wiring.drawing.RunLayout} a run.
 */
@NullMarked
package org.hiddenclerk.core.wiring.drawing;

import org.jspecify.annotations.NullMarked;
