package org.hiddenclerk.e2e;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Where a process of tests leaves its files: classes run side by side, each process with a clerk of its own. */
final class Scratch {
    private static final Path PLACE = Path.of(System.getProperty("clerk.scratch", "target/one"));

    private Scratch() {}

    /** A file or directory in it, whose parents are there. */
    static Path of(String name) {
        try {
            Path file = PLACE.resolve(name).toAbsolutePath();
            Files.createDirectories(file.getParent());
            return file;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
