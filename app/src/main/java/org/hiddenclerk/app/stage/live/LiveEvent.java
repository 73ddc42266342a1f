package org.hiddenclerk.app.stage.live;

import org.hiddenclerk.core.live.Happening;

/** Something that happened in a house that runs, for whoever watches. */
public record LiveEvent(long atMs, Happening.Kind kind, String words, long delayMs) {
    static LiveEvent of(Happening happening) {
        return new LiveEvent(happening.atMs(), happening.kind(), happening.words(), happening.delayMs());
    }
}
