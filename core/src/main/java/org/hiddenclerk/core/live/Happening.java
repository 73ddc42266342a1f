package org.hiddenclerk.core.live;

import java.util.Optional;
import java.util.function.Supplier;

/**
 * Something that happened in a house, as it is told to whoever watches.
 *
 * @param atMs    on the clock of the house
 * @param told    in words, made when somebody asks for them
 * @param said    what was said, where something was
 * @param delayMs how long it was on its way; 0 for what nobody sent
 */
public record Happening(long atMs, Kind kind, Supplier<String> told, Optional<Message> said, long delayMs) {
    /** Sorts of happenings. */
    public enum Kind {
        /** A hand did something. */
        HAND,
        /** A lamp, a relay or a blind is otherwise than before. */
        OUTPUT,
        /** A message has come. */
        MESSAGE,
        /** A message is lost. */
        LOST,
        /** A rule began to act. */
        RULE,
        /** A part went down or came back, or the world around changed. */
        CONDITION
    }

    public String words() {
        return told.get();
    }
}
