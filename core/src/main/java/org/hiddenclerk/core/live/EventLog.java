package org.hiddenclerk.core.live;

import java.util.Optional;
import java.util.function.Consumer;
import java.util.function.Supplier;

/** Tells whoever watches a house what happens in it. */
final class EventLog {
    private final EventQueue agenda;
    private final SaidWords words;
    private final Consumer<Happening> watcher;

    EventLog(EventQueue agenda, SaidWords words, Consumer<Happening> watcher) {
        this.agenda = agenda;
        this.words = words;
        this.watcher = watcher;
    }

    SaidWords words() {
        return words;
    }

    void tell(Happening.Kind kind, Supplier<String> told) {
        watcher.accept(new Happening(agenda.now(), kind, told, Optional.empty(), 0));
    }

    void changed(Message.Level level) {
        watcher.accept(
                new Happening(agenda.now(), Happening.Kind.OUTPUT, () -> words.of(level), Optional.of(level), 0));
    }

    /** @param sentMs when it was said */
    void came(String before, Message said, long sentMs) {
        watcher.accept(new Happening(
                agenda.now(),
                Happening.Kind.MESSAGE,
                () -> before + words.of(said),
                Optional.of(said),
                agenda.now() - sentMs));
    }

    /** What is only told once more is lost without a word. */
    void lost(Message said, String why) {
        if (!said.again()) {
            watcher.accept(new Happening(
                    agenda.now(), Happening.Kind.LOST, () -> words.of(said) + ": lost, " + why, Optional.of(said), 0));
        }
    }
}
