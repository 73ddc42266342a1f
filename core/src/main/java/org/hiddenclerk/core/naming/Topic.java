package org.hiddenclerk.core.naming;

import java.nio.charset.StandardCharsets;

/** Topic names and topic filters of MQTT 3.1.1 and 5.0 (OASIS, section 4.7). */
public final class Topic {
    private static final int LONGEST_BYTES = 65_535;
    private static final String SHARED = "$share/";

    private Topic() {}

    /** Whether messages may be sent to it. */
    public static boolean isName(String topic) {
        return isText(topic) && topic.indexOf('+') < 0 && topic.indexOf('#') < 0;
    }

    /** Whether one may subscribe to it; shared subscriptions are those of 5.0. */
    public static boolean isFilter(String filter) {
        if (!isText(filter)) {
            return false;
        }
        if (filter.startsWith(SHARED)) {
            int end = filter.indexOf('/', SHARED.length());
            String group = end < 0 ? "" : filter.substring(SHARED.length(), end);
            return !group.isEmpty()
                    && group.indexOf('+') < 0
                    && group.indexOf('#') < 0
                    && isFilter(filter.substring(end + 1));
        }
        String[] levels = filter.split("/", -1);
        for (int i = 0; i < levels.length; i++) {
            boolean wild = levels[i].indexOf('+') >= 0 || levels[i].indexOf('#') >= 0;
            boolean whole = levels[i].equals("+") || levels[i].equals("#") && i == levels.length - 1;
            if (wild && !whole) {
                return false;
            }
        }
        return true;
    }

    private static boolean isText(String text) {
        int bytes = text.getBytes(StandardCharsets.UTF_8).length;
        boolean lone = !StandardCharsets.UTF_8.newEncoder().canEncode(text);
        return bytes >= 1 && bytes <= LONGEST_BYTES && text.indexOf('\0') < 0 && !lone;
    }

    /** Whether a message sent to a name reaches a subscription. A wildcard in front does not reach names that begin with $. */
    public static boolean matches(String filter, String name) {
        String[] wanted = filter.split("/", -1);
        String[] levels = name.split("/", -1);
        if (name.startsWith("$") && (wanted[0].equals("+") || wanted[0].equals("#"))) {
            return false;
        }
        for (int i = 0; i < wanted.length; i++) {
            if (wanted[i].equals("#")) {
                return true;
            }
            if (i >= levels.length || !wanted[i].equals("+") && !wanted[i].equals(levels[i])) {
                return false;
            }
        }
        return wanted.length == levels.length;
    }
}
