package org.hiddenclerk.core.joining;

import java.util.Map;
import java.util.Optional;

/** What a gateway is asked for. Addresses are those of {@link Member}. */
public sealed interface Order {
    /**
     * Lets modules in for a while; a window that is open is extended.
     *
     * @param code of the only module that may come in; empty lets in whoever searches
     */
    record OpenWindow(int seconds, Optional<String> code) implements Order {}

    record CloseWindow() implements Order {}

    /** Who has joined. */
    record Inventory() implements Order {}

    /** What a module says of itself now. */
    record Look(String address) implements Order {}

    record Switch(String address, int channel, boolean on) implements Order {}

    record Rename(String address, String name) implements Order {}

    record Write(String address, Map<String, String> settings) implements Order {}

    record ReadSettings(String address) implements Order {}

    /** A file is coming; what came of another one is forgotten. */
    record BeginFile(String address, String version, String sha256, int bytes) implements Order {}

    record FilePart(String address, int offset, byte[] part) implements Order {}

    /** Checks the file by its sum and starts with it; until then the module stays what it was. */
    record EndFile(String address) implements Order {}

    /** Takes a module out of the network. */
    record Forget(String address) implements Order {}
}
