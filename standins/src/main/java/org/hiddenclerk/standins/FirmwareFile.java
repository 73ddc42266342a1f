package org.hiddenclerk.standins;

import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.Optional;
import java.util.Random;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A made-up file of firmware: a line that says for what and which, and octets that mean nothing. */
public final class FirmwareFile {
    private static final int OCTETS = 9_000;
    private static final Pattern HEAD = Pattern.compile("stand-in firmware (\\S+) (\\S+)");

    private FirmwareFile() {}

    /** The same file for the same kind and version, always. */
    public static byte[] of(String kind, String version) {
        ByteArrayOutputStream file = new ByteArrayOutputStream();
        file.writeBytes(("stand-in firmware " + kind + " " + version + "\n").getBytes(StandardCharsets.UTF_8));
        byte[] rest = new byte[OCTETS];
        new Random((kind + version).hashCode()).nextBytes(rest);
        file.writeBytes(rest);
        return file.toByteArray();
    }

    /** The version that a file holds for a kind of module; empty when it is for another kind. */
    static Optional<String> versionFor(String kind, byte[] file) {
        int end = 0;
        while (end < file.length && file[end] != '\n') {
            end++;
        }
        Matcher head = HEAD.matcher(new String(file, 0, end, StandardCharsets.UTF_8));
        return head.matches() && head.group(1).equals(kind) ? Optional.of(head.group(2)) : Optional.empty();
    }
}
