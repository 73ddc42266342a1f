package org.hiddenclerk.core.naming;

import java.util.Locale;

/**
 * The name of one device in the two forms in which it is used.
 *
 * @param display as people read it
 * @param handle  as a level of a topic and as a host name: letters, digits and hyphens of ASCII
 */
public record DeviceName(String display, String handle) {
    /** Label of a node in Matter, in characters (from memory). */
    public static final int DISPLAY_CHARACTERS = 32;
    /** A label of a host name, in octets (RFC 1123, section 2.1, and RFC 1035, section 2.3.4). */
    public static final int HANDLE_CHARACTERS = 63;

    public DeviceName {
        if (display.isBlank() || display.length() > DISPLAY_CHARACTERS || !isHandle(handle)) {
            throw new IllegalArgumentException(
                    "A name has 1 to " + DISPLAY_CHARACTERS + " characters, and a handle of a to z, 0 to 9 and "
                            + "hyphens, not \"" + display + "\" and \"" + handle + "\".");
        }
    }

    /** Whether a text may be a handle. */
    public static boolean isHandle(String text) {
        return text.length() <= HANDLE_CHARACTERS
                && text.matches("[a-z0-9]([a-z0-9-]*[a-z0-9])?")
                && Topic.isName(text);
    }

    /** The same for comparing: no two names of a job may differ in this only. */
    String key() {
        return display.toLowerCase(Locale.ROOT);
    }
}
